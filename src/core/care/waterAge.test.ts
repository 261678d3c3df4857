import { seeded } from '../numerics/index.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf, spareJug } from '../../../tests/helpers/logbooks.js';
import { estimate } from '../estimate/index.js';
import type { Entry, Point, Rig } from '../logbook/index.js';
import { mixedWater, waterAges, waterStates, waterWarnings, type Parcel } from './index.js';

const at = (day: number, hour = 6): string =>
	`2027-05-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`;
const ages = (entries: readonly Entry[], now: string, rig: Rig = exactRig, points: readonly Point[] = []) =>
	waterAges(estimate(logbookOf(entries, rig), 'rig', Date.parse(now)), points);

describe('how old is the water in Main', () => {
	it('by hand: half used, then filled: half is of the first fill, half of the second', () => {
		const log = [
			entry({ kind: 'mark', at: at(1), tank: 'main', state: 'empty' }),
			entry({ kind: 'fill', at: at(1, 7), tank: 'main', litres: 80, sdL: 0, potable: true }, 'first'),
			entry({ kind: 'use', at: at(2), habit: 'shower', times: 5 }),
			entry({ kind: 'fill', at: at(5, 7), tank: 'main', litres: 40, sdL: 0, potable: false }, 'second')
		];
		const [main] = ages(log, at(9, 7));
		expect(main?.parts.map(({ fill, share }) => [fill, Number(share.toFixed(3))])).toEqual([
			['second', 0.5],
			['first', 0.5]
		]);
		// 8 days and 4 days.
		expect(main?.meanDays).toBeCloseTo(6, 2);
		expect(main?.oldDays).toBeCloseTo(8, 6);
		const states = waterStates(estimate(logbookOf(log), 'rig', Date.parse(at(9, 7))));
		expect(waterWarnings([main!], states, 20)).toEqual([
			{ tank: 'main', kind: 'old', days: expect.closeTo(8, 6), maxC: 20 },
			{
				tank: 'main',
				kind: 'doubtful',
				drink: 'washing',
				sinceMs: Date.parse(at(5, 7)),
				why: { kind: 'filled', entry: 'second' }
			}
		]);
	});

	it('what is poured out of a jug takes its age along', () => {
		const rig: Rig = { ...exactRig, tanks: [...exactRig.tanks, spareJug] };
		const log = [
			entry({ kind: 'mark', at: at(1, 5), tank: 'jug', state: 'empty' }),
			entry({ kind: 'fill', at: at(1), tank: 'jug', to: 'full', potable: true }, 'jug'),
			entry({ kind: 'mark', at: at(4), tank: 'main', state: 'empty' }),
			entry({ kind: 'fill', at: at(4, 7), tank: 'main', litres: 60, sdL: 0, potable: true }, 'tap'),
			entry({ kind: 'transfer', at: at(5), fromTank: 'jug', toTank: 'main', litres: 20, sdL: 0 })
		];
		const main = ages(log, at(6), rig).find(({ tank }) => tank === 'main');
		expect(main?.parts.map(({ fill, share }) => [fill, Math.round(100 * share)])).toEqual([
			['tap', 75],
			['jug', 25]
		]);
		expect(main?.oldDays).toBeCloseTo(5, 6);
	});

	it('of water that was there before the log only the least age is known', () => {
		const [main] = ages(freshStart(at(1)), at(4));
		expect(main).toMatchObject({ atLeast: true, oldDays: expect.closeTo(3, 6) });
		expect(ages([], at(4))).toEqual([]);
	});

	it('a tap that a point calls drinking water is, one of which not known is asked about', () => {
		const point = (id: string, potable?: boolean): Point => ({
			id,
			name: id,
			position: [0, 0],
			services: [{ kind: 'water', ...(potable === undefined ? {} : { potable }) }]
		});
		const from = (point: string): readonly Entry[] => [
			entry({ kind: 'mark', at: at(1), tank: 'main', state: 'empty' }),
			entry({ kind: 'fill', at: at(1, 7), tank: 'main', litres: 50, point })
		];
		const points = [point('signed', true), point('unsigned'), point('not', false)];
		const drinks = (id: string) =>
			waterStates(estimate(logbookOf(from(id)), 'rig', Date.parse(at(2))), points).map(({ drink }) => drink);
		expect(drinks('signed')).toEqual(['drinking']);
		expect(drinks('unsigned')).toEqual(['unsure']);
		expect(drinks('not')).toEqual(['washing']);
	});

	it('is called old sooner in the heat, and never in an empty tank', () => {
		const log = [
			entry({ kind: 'mark', at: at(1), tank: 'main', state: 'empty' }),
			entry({ kind: 'fill', at: at(1, 7), tank: 'main', litres: 50, potable: true })
		];
		const found = ages(log, at(4, 8));
		expect(waterWarnings(found, [], undefined)).toEqual([]);
		expect(waterWarnings(found, [], 27)).toMatchObject([{ kind: 'old', maxC: 27 }]);
		expect(
			waterWarnings(
				found.map((one) => ({ ...one, litres: 0 })),
				[],
				35
			)
		).toEqual([]);
	});
});

/** Water as so many drops, each with its fill; what is drawn is drawn at random. */
function dropByDrop(
	acts: readonly { readonly fill: number; readonly draw: number }[],
	perLitre: number
): Map<number, number> {
	const random = seeded(11);
	let drops: number[] = [];
	acts.forEach(({ fill, draw }, day) => {
		drops.push(...Array.from({ length: fill * perLitre }, () => day));
		for (let n = Math.min(draw * perLitre, drops.length); n > 0; n--) {
			const i = Math.floor(random.uniform() * drops.length);
			drops[i] = drops[drops.length - 1] as number;
			drops = drops.slice(0, -1);
		}
	});
	const shares = new Map<number, number>();
	for (const day of drops) shares.set(day, (shares.get(day) ?? 0) + 1 / drops.length);
	return shares;
}

it('mixing is as if every drop were followed', () => {
	fc.assert(
		fc.property(
			fc.array(fc.record({ fill: fc.integer({ min: 0, max: 40 }), draw: fc.integer({ min: 0, max: 25 }) }), {
				minLength: 2,
				maxLength: 7
			}),
			(acts) => {
				let [parcels, level]: [readonly Parcel[], number] = [[], 0];
				acts.forEach(({ fill, draw }, day) => {
					parcels = mixedWater(parcels, level, [{ litres: fill, sinceMs: day, potable: 'yes' }]);
					level = Math.max(0, level + fill - draw);
				});
				fc.pre(level > 10);
				const followed = dropByDrop(acts, 60);
				const whole = parcels.reduce((sum, { litres }) => sum + litres, 0);
				for (const { sinceMs, litres } of parcels)
					expect(Math.abs(litres / whole - (followed.get(sinceMs) ?? 0))).toBeLessThan(0.06);
				// Nothing of weight is forgotten.
				for (const [day, share] of followed)
					if (share > 0.03) expect(parcels.map(({ sinceMs }) => sinceMs)).toContain(day);
			}
		),
		{ numRuns: 20 }
	);
});
