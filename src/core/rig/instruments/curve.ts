import { isotonic } from '../../numerics/index.js';
import { median } from 'd3-array';
import type { Gauge, Shape } from '../../logbook/index.js';
import { meanSpread } from './trial.js';

/** A reading seen while the litres were known from elsewhere. */
export interface Pair {
	readonly reads: string | number;
	readonly litres: number;
}

/** A point of a learned curve: for numbers the litres at a reading; for lights where the light comes on. */
export interface CurveStep {
	readonly reads: string | number;
	readonly litres: number;
	/** spread of the pairs about it, litres */
	readonly sdL: number;
	readonly count: number;
}

/** A gauge's curve as its readings teach it. */
export interface LearnedCurve {
	readonly steps: readonly CurveStep[];
	/** readings at which the pairs ran against the others: a reading fell where the litres rose */
	readonly contrary: readonly (string | number)[];
}

const groups = (pairs: readonly Pair[]): ReadonlyMap<string | number, readonly number[]> => {
	const byReading = new Map<string | number, number[]>();
	for (const { reads, litres } of pairs) byReading.set(reads, [...(byReading.get(reads) ?? []), litres]);
	return byReading;
};

/** Whether more litres go with larger readings (most senders) or with smaller ones. */
function rises(pairs: readonly (readonly [number, number])[]): boolean {
	const [x, y] = [meanSpread(pairs.map(([reads]) => reads)), meanSpread(pairs.map(([, litres]) => litres))];
	return pairs.reduce((sum, [reads, litres]) => sum + (reads - x.mean) * (litres - y.mean), 0) >= 0;
}

function learnNumbers(pairs: readonly Pair[]): LearnedCurve {
	const numbers = pairs.flatMap(({ reads, litres }) =>
		typeof reads === 'number' ? [[reads, litres] as const] : []
	);
	const up = rises(numbers);
	const sorted = [...groups(pairs)]
		.flatMap(([reads, litres]) => (typeof reads === 'number' ? [{ reads, litres }] : []))
		.sort((a, b) => (up ? a.reads - b.reads : b.reads - a.reads));
	const means = sorted.map(({ litres }) => meanSpread(litres).mean);
	const fitted = isotonic(
		means,
		sorted.map(({ litres }) => litres.length)
	);
	const steps = sorted.map(({ reads, litres }, i): CurveStep => {
		const at = fitted[i] ?? 0;
		const squares = litres.reduce((sum, l) => sum + (l - at) ** 2, 0);
		return { reads, litres: at, sdL: Math.sqrt(squares / litres.length), count: litres.length };
	});
	return {
		steps: up ? steps : steps.toReversed(),
		contrary: sorted.filter((_, i) => (means[i] ?? 0) < (means[i - 1] ?? -Infinity)).map(({ reads }) => reads)
	};
}

/**
 * Lights come on somewhere between the most that was seen without them and the least that was seen with them;
 * where these overlap, half-way, with the overlap as spread.
 */
function learnLights(pairs: readonly Pair[], gauge: Gauge): LearnedCurve {
	const seen = groups(pairs);
	const stated = [...gauge.curve].sort((a, b) => a.litres - b.litres);
	const order = stated.map(({ reads }) => reads);
	const middles = order.map((reads) => median(seen.get(reads) ?? []) ?? 0);
	const steps = stated.map(({ reads, litres }, i): CurveStep => {
		const below = order.slice(0, i).flatMap((light) => seen.get(light) ?? []);
		const above = order.slice(i).flatMap((light) => seen.get(light) ?? []);
		if (i === 0 || below.length === 0 || above.length === 0)
			return { reads, litres: i === 0 ? 0 : litres, sdL: 0, count: 0 };
		const [most, least] = [Math.max(...below), Math.min(...above)];
		return {
			reads,
			litres: (most + least) / 2,
			sdL: Math.abs(least - most) / 2,
			count: below.length + above.length
		};
	});
	const rising = isotonic(steps.map(({ litres }) => litres));
	const known = order.filter((reads) => seen.has(reads));
	return {
		steps: steps.map((step, i) => ({ ...step, litres: rising[i] ?? step.litres })),
		contrary: known.filter((reads, i) => {
			const before = known[i - 1];
			return (
				before !== undefined && (middles[order.indexOf(reads)] ?? 0) < (middles[order.indexOf(before)] ?? 0)
			);
		})
	};
}

/**
 * The curve that pairs of reading and known litres teach: a rising (or falling) fit for numbers, thresholds for
 * lights.
 *
 * @throws RangeError when there is no pair
 */
export function learnCurve(pairs: readonly Pair[], gauge: Gauge): LearnedCurve {
	if (pairs.length === 0) throw new RangeError('there is no pair of reading and litres; give at least one');
	const lights = gauge.curve.some(({ reads }) => typeof reads === 'string');
	return lights ? learnLights(pairs, gauge) : learnNumbers(pairs);
}

/** A stretch in which a gauge hardly moves while the tank does. */
export interface Flat {
	readonly from: string | number;
	readonly to: string | number;
	readonly fromL: number;
	readonly toL: number;
}

/** A light's band, or a tenth of a number's range, that covers this share of the tank tells nothing. */
const FLAT_SHARE = 0.4;
const HARDLY_MOVES = 0.15;

/** Where a gauge cannot tell: a band of lights, or a nearly level piece of its curve, over 40 % of the tank. */
export function flats(gauge: Pick<Gauge, 'curve'>, usableL: number): readonly Flat[] {
	const points = [...gauge.curve].sort((a, b) => a.litres - b.litres);
	const numbers = points.flatMap(({ reads }) => (typeof reads === 'number' ? [reads] : []));
	const range = Math.max(...numbers) - Math.min(...numbers);
	return points.flatMap((point, i): readonly Flat[] => {
		const next = points[i + 1];
		const toL = next?.litres ?? usableL;
		if (toL - point.litres < FLAT_SHARE * usableL) return [];
		const flat = { from: point.reads, to: next?.reads ?? point.reads, fromL: point.litres, toL };
		if (typeof point.reads === 'string') return [flat];
		const moves = typeof next?.reads === 'number' ? Math.abs(next.reads - point.reads) / range : 0;
		return moves < HARDLY_MOVES && next ? [flat] : [];
	});
}

/** Rows of a table differ by at least this, so that it rises strictly: mm and litres. */
const LEAST_RISE = 1e-3;

/**
 * A table shape from a stepwise trial with the rod: known litres against depth. Depths that fell where litres
 * rose are evened out; rows at one depth are joined.
 *
 * @returns `undefined` with fewer than two different depths
 */
export function tableFrom(
	readings: readonly { readonly litres: number; readonly reads: number }[]
): Extract<Shape, { form: 'table' }> | undefined {
	const sorted = [...readings].sort((a, b) => a.litres - b.litres);
	const depths = isotonic(sorted.map(({ reads }) => reads));
	const rows: { depthMm: number; litres: number }[] = [];
	sorted.forEach(({ litres }, i) => {
		const depthMm = depths[i] ?? 0;
		const last = rows.at(-1);
		if (last && depthMm - last.depthMm < LEAST_RISE) return;
		if (last && litres - last.litres < LEAST_RISE) return;
		rows.push({ depthMm, litres });
	});
	return rows.length < 2 ? undefined : { form: 'table', rows };
}
