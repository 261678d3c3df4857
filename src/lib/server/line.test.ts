import { describe, expect, it } from 'vitest';
import { askEndpoint, type Answer } from '../../../tests/helpers/endpoint';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import { parseLogbook, type Entry, type Rig } from '$core/logbook';
import { POST } from '../../routes/api/line/+server';

const jug = (n: number) =>
	({ id: `jug${n}`, name: `Jug ${n}`, holds: 'fresh', nominalL: 20, reserveL: 0, feeds: 'main' }) as const;
const rig: Rig = { ...exactRig, tanks: [...exactRig.tanks, jug(1), jug(2)] };
const logbook = logbookOf(
	[
		...freshStart(),
		entry({ kind: 'use', at: '2027-05-01T12:00:00Z', habit: 'dishes', times: 5, by: 'Ines' }),
		entry({ kind: 'reading', at: '2027-05-01T12:00:00Z', instrument: 'pump', value: 291.4 })
	],
	rig,
	[{ ...exactTrip, timeZone: 'Europe/London' }]
);
const base = { logbook, rig: 'rig', at: '2027-05-01T12:30:00+01:00' };

const say = (text: unknown, more: object = {}): Promise<Answer> =>
	askEndpoint(POST, { ...base, text, ...more });

describe('POST /api/line', () => {
	it('one choice when it is sure: its entries lack nothing but an id', async () => {
		const answer = await say('2 showers and dishes');
		expect(answer).toEqual({
			status: 200,
			choices: [
				{
					says: expect.stringContaining('Shower × 2'),
					entries: [
						{ rig: 'rig', kind: 'use', habit: 'shower', times: 2, trip: 'trip', at: base.at, source: 'hand' },
						{ rig: 'rig', kind: 'use', habit: 'dishes', times: 1, trip: 'trip', at: base.at, source: 'hand' }
					]
				}
			]
		});
		const entries = (answer.choices[0].entries as Entry[]).map((one, i) => ({ ...one, id: `n${i}` }));
		expect(parseLogbook(logbookOf(entries, rig))).toMatchObject({ ok: true });
	});
	it('a hook-up valve by valve: black stays shut, and what to mind at it is said apart', async () => {
		const [grey] = (await say('hooked up, grey open')).choices;
		expect(grey).toMatchObject({
			entries: [{ kind: 'hookup', mains: true, sewer: ['grey'] }],
			warns: expect.stringMatching(/regulator.*Keep Cassette shut until it is two thirds full/)
		});
		const [open] = (await say('open cassette')).choices;
		expect(open.entries).toMatchObject([{ kind: 'hookup', sewer: ['black'] }]);
		expect(open.warns).toMatch(/liquids run off and solids stay/);
	});
	it('several when it is not, told apart in their words', async () => {
		const { choices } = await say('23:00 dishes');
		expect(choices.map(({ entries }: Answer) => entries[0].at)).toEqual([
			'2027-04-30T23:00:00+01:00',
			'2027-05-01T23:00:00+01:00'
		]);
		expect(new Set(choices.map(({ says }: Answer) => says)).size).toBe(2);
		expect(choices[0].says).toContain('yesterday at 23:00');
	});
	it('none and a problem when it is not understood, or says nothing', async () => {
		expect(await say('flurble')).toMatchObject({
			choices: [],
			problem: expect.stringContaining('“flurble”')
		});
		expect(await say('  ')).toMatchObject({ choices: [], problem: expect.stringContaining('empty') });
		expect(await say('x'.repeat(10_000))).toMatchObject({
			status: 200,
			choices: [],
			problem: expect.any(String)
		});
	});
	it('what the rig lacks is offered with it', async () => {
		const { choices } = await say('laundry 30');
		expect(choices).toMatchObject([
			{
				adds: { name: 'Laundry', litresEach: { mean: 30 }, outlet: 'tap' },
				entries: [{ kind: 'use', times: 1 }]
			}
		]);
		expect(choices[0].entries[0].habit).toBe(choices[0].adds.id);
		const meterless = logbookOf(freshStart(), { ...rig, instruments: [] });
		const added = await say('pump meter 41.26', { logbook: meterless });
		expect(added.choices).toMatchObject([
			{ adds: { kind: 'meter', place: 'pump' }, entries: [{ kind: 'reading', value: 41.26 }] }
		]);
	});
	it('goes by what the logbook tells: levels, readings, people', async () => {
		expect((await say('shower ines')).choices[0].entries[0]).toMatchObject({ by: 'Ines' });
		expect((await say('meter 2930')).choices.map(({ entries }: Answer) => entries[0].value)).toEqual([2930]);
		const later = { at: '2027-05-01T13:30:00+01:00' };
		expect((await say('meter 2930', later)).choices.map(({ entries }: Answer) => entries[0].value)).toEqual([
			293, 2930
		]);
		// 70 L are left of 100: twelve showers are 96.
		expect((await say('shower 12', later)).choices[0].entries[0]).toMatchObject({ times: 1, litres: 12 });
	});
	it('in gallons, and in a zone that is said', async () => {
		expect((await say('fill jug 2 4', { units: 'usGal' })).choices).toMatchObject([
			{ entries: [{ tank: 'jug2', litres: 4 * 3.785411784 }] }
		]);
		expect((await say('fill 4', { units: 'impGal' })).choices[0].entries[0].litres).toBeCloseTo(18.18436, 5);
		expect((await say('08:00 dishes', { timeZone: 'Asia/Kolkata' })).choices[0].entries[0].at).toBe(
			'2027-05-01T08:00:00+05:30'
		);
		const zoneless = { logbook: logbookOf(freshStart(), rig, []), at: '2027-05-01T12:30:00+03:30' };
		expect((await say('08:00 dishes', zoneless)).choices[0].entries[0].at).toBe('2027-05-01T08:00:00+03:30');
	});
	it('a body that does not validate is told by its paths', async () => {
		const answer = await say(3, { rig: 'none', units: 'barrel', timeZone: 'Nowhere/Land' });
		expect(answer.status).toBe(422);
		expect(answer.errors.map(({ path }: Answer) => path).sort()).toEqual(['$.text', '$.timeZone', '$.units']);
		expect(await say('dishes', { rig: 'none' })).toMatchObject({ status: 422, errors: [{ path: '$.rig' }] });
	});
});
