import { describe, expect, it } from 'vitest';
import { askEndpoint as ask, type Answer } from '../../../tests/helpers/endpoint';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import type { Entry, EntryDraft, Rig, Stop, Tank, Trip } from '$core/logbook';
import { POST as forecast } from '../../routes/api/forecast/+server';
import { POST as levels } from '../../routes/api/levels/+server';
import { POST as plan } from '../../routes/api/plan/+server';

const at = '2027-05-02T06:00:00Z';
const black: Tank = {
	id: 'tank',
	name: 'Black',
	holds: 'black',
	nominalL: 40,
	usableL: 40,
	reserveL: 0,
	residualL: 1,
	chargeL: 3
};
/** The exact rig with a built-in black tank in the place of its cassette: two flushes of 1 L a day each, and what they add. */
const built: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...black, id: 'black' } : tank))
};
const drafts = (list: readonly EntryDraft[]): readonly Entry[] => list.map((draft) => entry(draft));
const levelsOf = async (
	rig: Rig,
	entries: readonly Entry[],
	when = at
): Promise<ReadonlyMap<string, number>> => {
	const { tanks } = await ask(levels, { logbook: logbookOf(entries, rig, []), rig: 'rig', at: when });
	return new Map((tanks as readonly { id: string; litres: number }[]).map(({ id, litres }) => [id, litres]));
};
const filled: readonly EntryDraft[] = [
	{ kind: 'fill', at: '2027-05-01T07:00:00Z', tank: 'grey', litres: 30, sdL: 0 },
	{ kind: 'fill', at: '2027-05-01T07:00:00Z', tank: 'black', litres: 20, sdL: 0 }
];

describe('water put back after a dump', () => {
	it('is in the tank then: 1 L that stays and 3 L put back; a valve that is left open holds none', async () => {
		const dump: EntryDraft = { kind: 'dump', at: '2027-05-01T08:00:00Z', tank: 'black', to: 'empty' };
		expect(
			(await levelsOf(built, [...freshStart(), ...drafts([...filled, dump])], '2027-05-01T08:00:01Z')).get(
				'black'
			)
		).toBeCloseTo(4, 1);
		const open: EntryDraft = { kind: 'hookup', at: '2027-05-01T07:30:00Z', mains: false, sewer: true };
		expect(
			(
				await levelsOf(built, [...freshStart(), ...drafts([...filled, open, dump])], '2027-05-01T08:00:01Z')
			).get('black')
		).toBeCloseTo(1, 1);
	});
	it('is there when a plan begins its next stretch: what it called feasible before is not', async () => {
		const stop = (id: string, day: number, last: number, services: Stop['services']): Stop => ({
			id,
			name: id,
			arrive: `2027-05-${String(day).padStart(2, '0')}T07:00:00Z`,
			depart: `2027-05-${String(last).padStart(2, '0')}T06:00:00Z`,
			legKm: 1,
			services
		});
		const trip: Trip = {
			...exactTrip,
			from: '2027-05-02',
			to: '2027-05-20',
			policy: { certainty: 0.9, feePerMinute: 0, feePerKm: 0, feePerKgKm: 0 },
			stops: [
				stop('dump', 2, 3, [{ kind: 'black' }, { kind: 'grey' }, { kind: 'water', potable: true }]),
				stop('moor', 3, 5, [])
			]
		};
		const feasible = async (chargeL: number): Promise<Answer> => {
			// A day brings 6 L of black: three days and 1 L that stays are 19 of 24 L; 10 L put back are too much.
			const rig: Rig = {
				...built,
				tanks: built.tanks.map((tank) => (tank.id === 'black' ? { ...tank, usableL: 24, chargeL } : tank))
			};
			return ask(plan, { logbook: logbookOf([...freshStart()], rig, [trip]), trip: trip.id, at });
		};
		const [without, with10] = [await feasible(0), await feasible(10)];
		expect(without.feasible).toBe(true);
		expect(with10.feasible).toBe(false);
	});
});

describe('a sewer hook-up, valve by valve', () => {
	const hooked = (sewer: boolean | readonly string[]): readonly Entry[] =>
		drafts([
			...filled,
			{ kind: 'hookup', at: '2027-05-01T08:00:00Z', mains: false, sewer: sewer as string[] }
		]);
	it('only the valves that are named drain; all that are built in where it says true', async () => {
		const grey = await levelsOf(built, [...freshStart(), ...hooked(['grey'])], '2027-05-01T08:00:01Z');
		expect(grey.get('grey')).toBeCloseTo(0, 1);
		expect(grey.get('black')).toBeGreaterThan(19);
		const all = await levelsOf(built, [...freshStart(), ...hooked(true)], '2027-05-01T08:00:01Z');
		expect(all.get('black')).toBeCloseTo(1, 1);
		const none = await levelsOf(built, [...freshStart(), ...hooked([])], '2027-05-01T08:00:01Z');
		expect(none.get('grey')).toBeGreaterThan(29);
	});
	it('a forecast with grey open is bound by black or fresh, never by grey', async () => {
		const asked = async (sewer: boolean | readonly string[]): Promise<Answer> =>
			ask(forecast, {
				logbook: logbookOf([...freshStart(), ...hooked(sewer)], built, []),
				rig: 'rig',
				at,
				days: 30
			});
		const days = (answer: Answer, id: string): number =>
			answer.tanks.find((tank: { id: string }) => tank.id === id).days.p50;
		const open = await asked(['grey']);
		expect(days(open, 'grey')).toBe(30);
		expect(days(open, 'black')).toBeLessThan(30);
		expect(days(await asked(true), 'black')).toBe(30);
	});
	it('a valve of no waste tank is told by its path', async () => {
		const wrong = await ask(levels, {
			logbook: logbookOf([...freshStart(), ...hooked(['main'])], built, []),
			rig: 'rig',
			at
		});
		expect(wrong).toMatchObject({
			status: 422,
			errors: [
				{ path: expect.stringMatching(/\.sewer\[0\]$/), expected: expect.stringContaining('waste tank') }
			]
		});
	});
});

describe('a boat’s valves', () => {
	it('flushed from the sea no tank is drawn, and with the Y-valve to sea the holding tank stays as it is', async () => {
		const boat: Rig = { ...built, kind: 'boat' };
		const use: EntryDraft = { kind: 'use', at: '2027-05-01T09:00:00Z', habit: 'flush', times: 4 };
		const set = (sea: object): EntryDraft =>
			({ kind: 'hookup', at: '2027-05-01T08:00:00Z', mains: false, sewer: false, sea }) as EntryDraft;
		const when = '2027-05-01T09:00:01Z';
		const plain = await levelsOf(boat, [...freshStart(), ...drafts([use])], when);
		const atSea = await levelsOf(
			boat,
			[...freshStart(), ...drafts([set({ flush: ['toilet'], waste: ['black'] }), use])],
			when
		);
		expect(atSea.get('main')).toBeGreaterThan((plain.get('main') ?? 0) + 1);
		// What stays and what was put back after the dump of the day before.
		expect(atSea.get('black')).toBeCloseTo(4, 1);
		expect(plain.get('black')).toBeGreaterThan(5);
	});
});

describe('what is frozen', () => {
	const trip = (services: Stop['services']): Trip => ({
		...exactTrip,
		from: '2027-05-02',
		to: '2027-05-07',
		stops: [
			{
				id: 'a',
				name: 'A',
				arrive: '2027-05-03T06:00:00Z',
				depart: '2027-05-04T06:00:00Z',
				legKm: 1,
				services
			},
			{
				id: 'b',
				name: 'B',
				arrive: '2027-05-04T06:00:00Z',
				depart: '2027-05-07T00:00:00Z',
				legKm: 1,
				services: []
			}
		]
	});
	const asked = async (rig: Rig, services: Stop['services']): Promise<Answer> =>
		ask(plan, { logbook: logbookOf([...freshStart()], rig, [trip(services)]), trip: 'trip', at });
	const all: Stop['services'] = [{ kind: 'water', potable: true }, { kind: 'grey' }, { kind: 'black' }];
	const roomy: Rig = {
		...exactRig,
		tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, usableL: 90 } : tank))
	};
	const frozen = (until?: string): Rig => ({
		...roomy,
		tanks: roomy.tanks.map((tank) =>
			tank.id === 'grey' ? { ...tank, frozen: { since: at, ...(until ? { until } : {}) } } : tank
		)
	});
	it('a tank whose valve is frozen is dumped nowhere until it thaws', async () => {
		expect((await asked(roomy, all)).feasible).toBe(true);
		expect((await asked(frozen(), all)).feasible).toBe(false);
		expect((await asked(frozen('2027-05-02T18:00:00Z'), all)).feasible).toBe(true);
	});
	it('a dump point that is shut for good serves nothing', async () => {
		const shut = all.map((service) => (service.kind === 'grey' ? { ...service, open: 'off' } : service));
		expect((await asked(roomy, shut)).feasible).toBe(false);
	});
});

describe('a trip as it is', () => {
	const thirsty: Rig = {
		...exactRig,
		habits: exactRig.habits.map((habit) =>
			habit.id === 'dishes' ? { ...habit, rises: { fromC: 25, perC: 0.1 } } : habit
		)
	};
	const withStop = (more: Partial<Stop>): Trip => ({
		...exactTrip,
		from: '2027-05-02',
		to: '2027-05-12',
		stops: [
			{ id: 's', name: 'S', arrive: at, depart: '2027-05-12T06:00:00Z', legKm: 0, services: [], ...more }
		]
	});
	const lasts = async (rig: Rig, trip: Trip): Promise<number> =>
		(
			await ask(forecast, { logbook: logbookOf([...freshStart()], rig, [trip]), rig: 'rig', at, days: 30 })
		).tanks.find(({ id }: { id: string }) => id === 'main').days.p50;
	it('weather by day: the same on every day as once for all, and hot days alone count', async () => {
		const days = (hot: (i: number) => boolean) =>
			Array.from({ length: 11 }, (_, i) => ({
				day: `2027-05-${String(2 + i).padStart(2, '0')}`,
				maxC: hot(i) ? 35 : 20,
				minC: 9
			}));
		const always = await lasts(thirsty, withStop({ weather: { maxC: 35, minC: 9 } }));
		expect(await lasts(thirsty, withStop({ weather: days(() => true) }))).toBeCloseTo(always, 1);
		const cool = await lasts(thirsty, withStop({ weather: { maxC: 20, minC: 9 } }));
		const half = await lasts(thirsty, withStop({ weather: days((i) => i % 2 === 0) }));
		expect(half).toBeGreaterThan(always + 0.2);
		expect(half).toBeLessThan(cool - 0.2);
	});
	it('a heel that puts water out of reach of the pick-up ends it sooner', async () => {
		const sloped: Rig = {
			...exactRig,
			kind: 'boat',
			tanks: exactRig.tanks.map((tank) =>
				tank.id === 'main'
					? {
							...tank,
							shape: { form: 'box', lengthMm: 1000, widthMm: 1000, heightMm: 100 },
							pickUp: { xMm: 0, yMm: 450 }
						}
					: tank
			)
		};
		const level = await lasts(sloped, withStop({}));
		const heeled = await lasts(sloped, withStop({ heel: { rollDeg: 10, pitchDeg: 0 } }));
		expect(heeled).toBeLessThan(level - 1);
		expect(await lasts(sloped, withStop({ heel: { rollDeg: -10, pitchDeg: 0 } }))).toBeCloseTo(level, 2);
	});
});
