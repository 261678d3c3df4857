import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, logbookOf, spareJug } from '../../../tests/helpers/logbooks.js';
import type { Rig, Tank, Trip } from '../logbook/index.js';
import { parseLogbook } from '../logbook/index.js';
import { careIdeasFor, CARE_IDEAS, frostAhead, frostRisks, layUpOf, swallowedL, taskFrom } from './index.js';

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

	it('nothing above the first figure, then more and more, the lowest point first', () => {
		expect(does(3)).toEqual([]);
		expect(does(2)).toEqual(['drain wall', 'hose-in hoses', 'bring-in jug']);
		expect(does(0)).toEqual(['dump grey', 'drain wall', 'hose-in hoses', 'bring-in jug']);
		expect(does(-5)).toEqual([
			'dump grey',
			'drain pipes',
			'drain wall',
			'hose-in hoses',
			'heat main',
			'bring-in black',
			'bring-in jug'
		]);
	});

	it('an empty tank does not freeze; one of which nobody says where it hangs may', () => {
		expect(frostRisks(rig, 0, new Map([['grey', 0.2]])).map(({ id }) => id)).not.toContain('grey');
		const unsaid: Rig = { ...exactRig, tanks: [main] };
		expect(frostRisks(unsaid, 0)[0]).toEqual({
			kind: 'tank',
			id: 'main',
			name: 'Main',
			does: 'drain',
			unsaid: true
		});
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
		expect(frostAhead(rig, undefined, 0)).toEqual([]);
	});
});

describe('letting all water out', () => {
	const { steps, remains, back } = layUpOf(rig, new Map([['main', 62]]));

	it('goes by the plumbing: power, waste, fresh, heater, pipes, taps, pump, meter, toilet, traps', () => {
		expect(steps.map((step) => step.do)).toEqual([
			'power-off',
			'dump',
			'drain',
			'heater',
			'low-points',
			'open-taps',
			'outside-shower',
			'pump',
			'meters',
			'toilet',
			'pour-out',
			'traps',
			'hoses',
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

	it('of a rig with nothing to drain is short', () => {
		const bare: Rig = { ...exactRig, tanks: [], outlets: [], instruments: [], habits: [], measures: [] };
		expect(layUpOf(bare).steps.map((step) => step.do)).toEqual(['hoses', 'leave-open']);
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

	it('says how for each, and what to mind where it can hurt', () => {
		for (const { key, how, every, season } of CARE_IDEAS) {
			expect(how, key).toMatch(/^[A-Z].{20,}\.$/);
			expect([every?.days !== undefined, season !== undefined], key).toContain(true);
		}
		const caution = (key: string) => CARE_IDEAS.find((idea) => idea.key === key)?.caution;
		expect(caution('sanitise')).toMatch(/never mixed.*health authority/);
		expect(caution('frost-drain')).toMatch(/cold first.*scald/);
		expect(caution('black-treatment')).toMatch(/Gloves.*Never two products/);
		expect(caution('loop-strainer')).toMatch(/never drinking water/);
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

	it('nothing while all is in use, of a jug, or where nobody says how much', () => {
		const drained = entry({ kind: 'dump', at: at(4), tank: 'main', to: 'empty' });
		expect(swallowedL(laid, [fill], 'main')).toBe(0);
		expect(swallowedL(laid, [{ ...drained, void: true }], 'main')).toBe(0);
		expect(swallowedL(laid, [{ ...drained, tank: 'jug' }] as never, 'jug')).toBe(0);
		const { systemL: _unknown, ...unsaid } = laid;
		expect(swallowedL(unsaid, [drained], 'main')).toBe(0);
	});
});
