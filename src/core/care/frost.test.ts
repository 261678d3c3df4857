import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, logbookOf, spareJug } from '../../../tests/helpers/logbooks.js';
import type { Rig, Tank, Trip } from '../logbook/index.js';
import { parseLogbook } from '../logbook/index.js';
import {
	careIdeasFor,
	CARE_IDEAS,
	frostAhead,
	frostRisks,
	frostTyped,
	layUpOf,
	swallowedL,
	taskFrom
} from './index.js';

const [main, grey, black] = exactRig.tanks as [Tank, Tank, Tank];
/** Main inside, grey under the floor, a cassette, a jug by the door, a shower in the outer wall. */
const rig: Rig = {
	...exactRig,
	systemL: 8,
	tanks: [
		{ ...main, exposure: 'inside', deadL: 3 },
		{ ...grey, exposure: 'underslung', residualL: 1.5 },
		{ ...black, exposure: 'inside', portable: true },
		{ ...spareJug, exposure: 'outside' }
	],
	outlets: [...exactRig.outlets, { id: 'wall', name: 'Outside shower', from: 'main', to: 'ground' }]
};

describe('what may freeze tonight', () => {
	const does = (minC: number) => frostRisks(rig, minC).map(({ kind, id, does }) => `${does} ${id ?? kind}`);

	it('lived in: nothing above the first figure, then more and more, warmth first', () => {
		expect(does(4)).toEqual([]);
		expect(does(2)).toEqual(['drain wall', 'hose-in hoses', 'bring-in jug', 'look auto-valve']);
		expect(does(-5)).toEqual([
			'heat pipes',
			'dump grey',
			'drain wall',
			'hose-in hoses',
			'heat main',
			'bring-in black',
			'bring-in jug',
			'look auto-valve'
		]);
	});
	it('never told to heat and to switch the heater off in one list, whatever the rig and the night', () => {
		for (const minC of [3, 1, -2, -4, -12])
			for (const lived of [true, false]) {
				const acts = frostRisks(rig, minC, { lived }).filter(({ kind }) => kind !== 'outside-outlet');
				const warms = acts.some(({ does }) => does === 'heat' || does === 'switch-on');
				const pipesDrained = acts.some(({ kind, does }) => kind === 'pipes' && does === 'drain');
				expect(warms && pipesDrained).toBe(false);
				expect(warms).toBe(lived && warms);
			}
		expect(
			frostRisks(rig, -5, { lived: false }).map(({ does, id, kind }) => `${does} ${id ?? kind}`)
		).toEqual([
			'drain pipes',
			'dump grey',
			'drain wall',
			'hose-in hoses',
			'drain main',
			'bring-in black',
			'bring-in jug',
			'look auto-valve'
		]);
	});

	it('what a dump leaves does not freeze; a heated tank has its heater, while somebody is there', () => {
		const ids = (litres: number): readonly (string | undefined)[] =>
			frostRisks(rig, 0, { litres: new Map([['grey', litres]]) }).map(({ id }) => id);
		expect(ids(1.5)).not.toContain('grey');
		expect(ids(30)).toContain('grey');
		const heated: Rig = { ...rig, tanks: rig.tanks.map((tank) => ({ ...tank, heated: true })) };
		expect(frostRisks(heated, 0, {}).find(({ id }) => id === 'grey')).toBeUndefined();
		expect(frostRisks(heated, -12, {}).find(({ id }) => id === 'grey')).toMatchObject({ does: 'switch-on' });
		expect(frostRisks(heated, 0, { lived: false }).find(({ id }) => id === 'grey')).toMatchObject({
			does: 'dump'
		});
	});

	it('where a built-in tank is, is asked for; what is carried is inside where not known', () => {
		const unsaid: Rig = { ...exactRig, tanks: [main, { ...black, portable: true }] };
		expect(frostRisks(unsaid, 0)).toEqual([
			{ kind: 'tank', id: 'main', name: 'Main', does: 'drain', unsaid: true },
			{ kind: 'hoses', does: 'hose-in' }
		]);
	});

	it('a long stay whose nights are known has each of them, from evening to morning', () => {
		const trip: Trip = {
			...exactTrip,
			stops: [
				{
					id: 'long',
					name: 'Long',
					arrive: '2027-05-01T12:00:00Z',
					depart: '2027-05-21T09:00:00Z',
					legKm: 0,
					services: [],
					weatherFrom: 'simulated',
					weather: [
						{ day: '2027-05-02', maxC: 8, minC: -6 },
						{ day: '2027-05-03', maxC: 8, minC: 6 },
						{ day: '2027-05-04', maxC: 8, minC: -3 },
						{ day: '2027-05-09', maxC: 8, minC: -9 }
					]
				}
			]
		};
		const nights = frostAhead(rig, trip, Date.parse('2027-05-02T13:00:00Z'), { personsAt: () => 0 });
		// The night to the 3rd is mild, that to the 4th is not; of the others nothing is known yet.
		expect(
			nights.map(({ fromMs, minC, from, lived }) => [new Date(fromMs).toISOString(), minC, from, lived])
		).toEqual([
			['2027-05-03T18:00:00.000Z', -3, 'simulated', false],
			['2027-05-04T18:00:00.000Z', -3, 'simulated', false]
		]);
	});

	it('at which stop, from its weather: within three days, and not where one has left', () => {
		const stop = (id: string, day: number, minC?: number) => ({
			id,
			name: id,
			arrive: `2027-05-0${day}T12:00:00Z`,
			depart: `2027-05-0${day + 1}T09:00:00Z`,
			legKm: 10,
			services: [],
			...(minC === undefined ? {} : { weather: { maxC: 8, minC } })
		});
		const trip: Trip = {
			...exactTrip,
			stops: [
				stop('past', 1, -3),
				stop('mild', 2, 6),
				stop('cold', 3, -1),
				stop('unknown', 4),
				stop('later', 8, -9)
			]
		};
		const nights = frostAhead(rig, trip, Date.parse('2027-05-02T13:00:00Z'));
		expect(nights.map(({ stop, minC }) => [stop, minC])).toEqual([['cold', -1]]);
		expect(frostTyped(rig, { minC: -1, lived: false }, 0)).toMatchObject([{ from: 'typed', lived: false }]);
		expect(frostTyped(rig, { minC: 9, lived: true }, 0)).toEqual([]);
		expect(frostAhead(rig, undefined, 0)).toEqual([]);
	});
});

describe('letting all water out', () => {
	const { steps, remains, back } = layUpOf(rig, new Map([['main', 62]]));

	it('goes in the order in which water leaves: grey last of all, and shut', () => {
		expect(steps.map((step) => ('tank' in step ? `${step.do} ${step.tank}` : step.do))).toEqual([
			'power-off',
			'open-taps',
			'outside-shower',
			'drain main',
			'low-points',
			'heater',
			'fittings',
			'pump',
			'meters',
			'pour-out jug',
			'hoses',
			'toilet black',
			'traps',
			'dump black',
			'dump grey',
			'shut-waste',
			'leave-open'
		]);
		expect(steps).toContainEqual({ do: 'drain', tank: 'main', litres: 62 });
		expect(steps).toContainEqual({ do: 'open-taps', outlets: ['tap'] });
		expect(steps).toContainEqual({ do: 'low-points', litres: 8 });
	});

	it('says what stays: what no drain reaches', () => {
		expect(remains).toEqual([
			{ kind: 'tank', tank: 'main', litres: 3 },
			{ kind: 'tank', tank: 'grey', litres: 1.5 },
			{ kind: 'pump' },
			{ kind: 'traps' }
		]);
	});

	it('and on the way back heater and pipes swallow the first litres: 100 + 3 + 8', () => {
		expect(back).toContainEqual({ do: 'fill', tank: 'main', litres: 111, swallowedL: 8 });
	});

	it('back in spring the dose goes in before the water, and cartridges after the last rinse', () => {
		const order = back.map((step) => step.do);
		for (const [before, after] of [
			['close', 'dose'],
			['dose', 'fill'],
			['fill', 'let-air-out'],
			['soak-and-rinse', 'cartridges'],
			['cartridges', 'heater-on']
		] as const)
			expect(order.indexOf(before), before).toBeLessThan(order.indexOf(after));
	});

	it('a boat has its sea water, its macerator and its watermaker too', () => {
		const boat: Rig = {
			...rig,
			kind: 'boat',
			sources: [
				{
					id: 'wm',
					name: 'Watermaker',
					into: 'main',
					litresEach: { mean: 30, sd: 0 },
					often: { times: 1, per: 'day' }
				}
			]
		};
		const acts = layUpOf(boat).steps.map((step) => step.do);
		expect(acts).toEqual(expect.arrayContaining(['sea-water', 'watermaker', 'macerator']));
		expect(acts.indexOf('sea-water')).toBeLessThan(acts.indexOf('dump'));
	});

	it('of a rig with nothing to drain is short', () => {
		const bare: Rig = { ...exactRig, tanks: [], outlets: [], instruments: [], habits: [], measures: [] };
		expect(layUpOf(bare).steps.map((step) => step.do)).toEqual(['hoses']);
	});
});

describe('the catalogue', () => {
	it('offers what the rig has, as tasks that the logbook takes', () => {
		const keys = careIdeasFor(rig).map(({ key }) => key);
		expect(keys).toEqual(expect.arrayContaining(['main-filter', 'probes', 'black-treatment', 'shower-gear']));
		expect(keys).not.toContain('loop-strainer');
		const care = careIdeasFor(rig).map((idea) => taskFrom(idea, rig, idea.key));
		expect(parseLogbook(logbookOf([], { ...rig, care }, []))).toMatchObject({ ok: true });
		expect(care.find(({ id }) => id === 'main-filter')).toMatchObject({
			through: 'pump',
			every: { days: 180, litres: 5000 }
		});
		// What is looked after already is not offered again.
		expect(careIdeasFor({ ...rig, care })).toEqual([]);
	});

	it('says how for each, in whole sentences, and what to mind where it can hurt', () => {
		for (const { key, how, every, everyDumps, season, caution } of CARE_IDEAS) {
			expect(how, key).toMatch(/^[A-Z].{20,}\.$/);
			expect([every?.days !== undefined, everyDumps !== undefined, season !== undefined], key).toContain(
				true
			);
			// Never a string of nouns: a caution is a sentence.
			if (caution !== undefined) expect(caution, key).toMatch(/^[A-Z].{20,}\.$/);
		}
		const cautioned = new Set(CARE_IDEAS.flatMap(({ key, caution }) => (caution ? [key] : [])));
		for (const key of [
			'sanitise',
			'frost-drain',
			'black-treatment',
			'loop-strainer',
			'relief-valve',
			'hot-water'
		])
			expect(cautioned).toContain(key);
	});

	it('counts no litres in a rig without anything that they pass', () => {
		const dry: Rig = { ...exactRig, tanks: [], outlets: [], instruments: [] };
		const idea = CARE_IDEAS.find(({ key }) => key === 'pump-strainer')!;
		expect(taskFrom(idea, dry, 'x')).toMatchObject({ every: { days: 90 } });
		expect(taskFrom(idea, dry, 'x').every).not.toHaveProperty('litres');
	});
});

describe('what heater and pipes swallow of the next fill', () => {
	const at = (day: number): string => `2027-05-0${day}T10:00:00Z`;
	const laid: Rig = { ...rig, care: [{ id: 'lay', name: 'Drain down', season: 'lay-up' }] };
	const fill = entry({ kind: 'fill', at: at(3), tank: 'main', to: 'full' });

	it('all they hold, once, after the tank was drained or the list was done', () => {
		const drained = entry({ kind: 'dump', at: at(2), tank: 'main', to: 'empty' });
		expect(swallowedL(laid, [drained], 'main')).toBe(8);
		expect(swallowedL(laid, [drained, fill], 'main')).toBe(0);
		expect(swallowedL(laid, [fill, entry({ kind: 'care', at: at(4), task: 'lay' })], 'main')).toBe(8);
	});

	it('nothing while all is in use, of a jug, or where not known how much', () => {
		const drained = entry({ kind: 'dump', at: at(4), tank: 'main', to: 'empty' });
		expect(swallowedL(laid, [fill], 'main')).toBe(0);
		expect(swallowedL(laid, [{ ...drained, void: true }], 'main')).toBe(0);
		expect(swallowedL(laid, [{ ...drained, tank: 'jug' }] as never, 'jug')).toBe(0);
		const { systemL: _unknown, ...unsaid } = laid;
		expect(swallowedL(unsaid, [drained], 'main')).toBe(0);
	});
});
