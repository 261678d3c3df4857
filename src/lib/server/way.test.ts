import { describe, expect, it } from 'vitest';
import { askEndpoint, type Answer } from '../../../tests/helpers/endpoint';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import { POST as planIt } from '../../routes/api/plan/+server';
import { POST } from '../../routes/api/way/+server';

const FROM = '2027-05-01T08:00:00+02:00';
const way = (text: unknown, more: object = {}): Promise<Answer> =>
	askEndpoint(POST, { text, from: FROM, ...more });

describe('POST /api/way', () => {
	it('stops without ids, dated in the zone of `from` where none is said, and what was not understood', async () => {
		const answer = await way('Skarn Hause 2 nights\n14 km Mill Cross: water, dump till somday');
		expect(answer).toMatchObject({
			status: 200,
			stops: [
				{ name: 'Skarn Hause', arrive: FROM, depart: '2027-05-03T10:00:00+02:00', legKm: 0, services: [] },
				{
					name: 'Mill Cross',
					arrive: '2027-05-03T10:20:00+02:00',
					legKm: 14,
					services: [{ kind: 'water' }, { kind: 'grey' }, { kind: 'black' }]
				}
			],
			problems: [{ line: 2, got: 'somday' }]
		});
		expect(answer.stops.every((stop: Answer) => !('id' in stop))).toBe(true);
	});
	it('knows the points of a logbook, and what its rig dumps', async () => {
		const rig = { ...exactRig, tanks: exactRig.tanks.filter(({ holds }) => holds !== 'black') };
		const logbook = {
			...logbookOf([], { ...rig, outlets: [], habits: [], measures: [] }),
			points: [
				{
					id: 'p',
					name: 'Tamsel Ford',
					position: [1, 50] as const,
					services: [{ kind: 'water' as const, fee: 2 }]
				}
			]
		};
		const { stops } = await way('Tamsl Ford dump', { logbook, rig: 'rig', timeZone: 'Europe/Berlin' });
		expect(stops).toMatchObject([
			{ point: 'p', position: [1, 50], services: [{ kind: 'water', fee: 2 }, { kind: 'grey' }] }
		]);
	});
	it('a calendar’s events', async () => {
		const { stops } = await way(
			'BEGIN:VCALENDAR\nVERSION:2.0\nBEGIN:VEVENT\nSUMMARY:Mill Cross\nDTSTART:20270503T100000Z\nDTEND:20270505T100000Z\nEND:VEVENT\nEND:VCALENDAR'
		);
		expect(stops).toMatchObject([{ name: 'Mill Cross', arrive: '2027-05-03T12:00:00+02:00' }]);
	});
	it('says what is wrong with a body', async () => {
		expect(await way(5)).toMatchObject({ status: 422, errors: [{ path: '$.text' }] });
		expect(await askEndpoint(POST, { text: '', from: 'soon' })).toMatchObject({
			status: 422,
			errors: [{ path: '$.from' }]
		});
		expect(await way('x', { logbook: logbookOf([], exactRig), rig: 'other' })).toMatchObject({
			status: 422,
			errors: [{ path: '$.rig' }]
		});
	});
});

describe('POST /api/plan of places that are shut', () => {
	const stop = (day: number, services: readonly object[]) => ({
		id: `s${day}`,
		name: `Stop ${day}`,
		arrive: `2027-05-0${day}T06:00:00Z`,
		depart: `2027-05-0${day}T09:00:00Z`,
		legKm: 10,
		services
	});
	const plan = (stops: readonly object[], policy: object = {}): Promise<Answer> =>
		askEndpoint(planIt, {
			logbook: logbookOf(freshStart(), exactRig, [{ ...exactTrip, stops, policy } as never]),
			trip: 'trip',
			at: '2027-05-01T06:00:00Z'
		});
	it('at which hour a service is used, and what then if it is shut', async () => {
		const answer = await plan([
			stop(3, [{ kind: 'water' }, { kind: 'grey', open: '08:00-18:00' }, { kind: 'black' }]),
			stop(5, [])
		]);
		expect(answer.services.map(({ at, water, dump }: Answer) => [at, water === undefined, dump])).toEqual([
			['2027-05-03T06:00:00+00:00', false, ['black']],
			['2027-05-03T08:00:00+00:00', true, ['grey']]
		]);
		expect(answer.ifShut).toEqual(
			['water', 'grey', 'black'].map((kind) => ({
				stop: 's3',
				kind,
				binds: { tank: expect.any(String), at: expect.stringMatching(/^2027-05-0\d/) }
			}))
		);
		expect(answer.chance).toBeGreaterThan(0.9);
	});
	it('that no plan survives is said in `why`', async () => {
		const answer = await plan(
			[stop(3, [{ kind: 'water' }, { kind: 'grey' }, { kind: 'black' }]), stop(5, [])],
			{ fallback: true }
		);
		expect(answer).toMatchObject({
			feasible: false,
			why: expect.stringMatching(
				/^No plan works with any one tap or drain shut: without the tap at Stop 3, Main runs low/
			)
		});
	});
});
