import { DAY_MS } from '../../time/index.js';
import { studentTQuantile } from '../../numerics/index.js';
import { personDays, type Estimate } from '../../estimate/index.js';
import { instantMs, type Entry, type EntryOf } from '../../logbook/index.js';
import { countedBetween } from '../../rig/index.js';

/** Some amounts of the same kind: how many, their mean and their standard deviation, litres. */
export interface Sample {
	readonly count: number;
	readonly mean: number;
	readonly sd: number;
}

/** Amounts without a measure and with it. */
export interface Comparison {
	readonly without: Sample;
	readonly with: Sample;
	/** what it spares, litres, and the interval that holds the true figure with 95 in 100 */
	readonly spares: number;
	readonly low: number;
	readonly high: number;
	/** the interval lies on one side of nothing */
	readonly moreThanChance: boolean;
}

/** What the log says of a measure. */
export interface DidItPay {
	readonly measure: string;
	/** litres of one time, from uses whose litres were measured */
	readonly oneTime?: Comparison;
	/** litres drawn per person and day, from a meter read while it was on all the time, or off */
	readonly personDay?: Comparison;
	/** how many measured uses, and how many stretches between two readings, there are on either side */
	readonly uses: { readonly without: number; readonly with: number };
	readonly stretches: { readonly without: number; readonly with: number };
}

interface Weighted {
	readonly value: number;
	readonly weight: number;
}

/** Mean and deviation of amounts that count by their weight; the deviation is that of an amount of mean weight. */
function sampleOf(list: readonly Weighted[]): Sample {
	const weight = list.reduce((sum, one) => sum + one.weight, 0);
	const mean = list.reduce((sum, one) => sum + one.weight * one.value, 0) / weight;
	const squares = list.reduce((sum, one) => sum + one.weight * (one.value - mean) ** 2, 0);
	const count = list.length;
	return { count, mean, sd: count > 1 ? Math.sqrt((squares * count) / weight / (count - 1)) : Number.NaN };
}

const CONFIDENCE = 0.95;
/** Less than this is no difference at all, litres squared. */
const SAME_L2 = 1e-18;

/**
 * Two means compared, their deviations unequal (Welch 1947, degrees of freedom by Satterthwaite 1946).
 *
 * @returns nothing when either side has fewer than two amounts
 */
export function compareMeans(
	without: readonly Weighted[],
	withIt: readonly Weighted[]
): Comparison | undefined {
	if (without.length < 2 || withIt.length < 2) return undefined;
	const [a, b] = [sampleOf(without), sampleOf(withIt)];
	const [va, vb] = [a.sd ** 2 / a.count, b.sd ** 2 / b.count];
	const spares = a.mean - b.mean;
	const variance = va + vb;
	const dof = variance > SAME_L2 ? variance ** 2 / (va ** 2 / (a.count - 1) + vb ** 2 / (b.count - 1)) : 1;
	const half = variance > SAME_L2 ? studentTQuantile(0.5 + CONFIDENCE / 2, dof) * Math.sqrt(variance) : 0;
	const [low, high] = [spares - half, spares + half];
	return { without: a, with: b, spares, low, high, moreThanChance: low > 0 || high < 0 };
}

/** The stretches of time in which a measure was on. */
function onTimes(
	entries: readonly Entry[],
	measure: string,
	endMs: number
): readonly (readonly [number, number])[] {
	const out: [number, number][] = [];
	let since: number | undefined;
	for (const entry of entries) {
		if (entry.kind !== 'measure' || entry.measure !== measure) continue;
		const ms = instantMs(entry.at);
		if (entry.on) since ??= ms;
		else if (since !== undefined) {
			out.push([since, ms]);
			since = undefined;
		}
	}
	return since === undefined ? out : [...out, [since, endMs]];
}

/** What a pump meter counted from each reading to the next, litres a person and day. */
function drawnBetween({
	model,
	entries
}: Estimate): readonly (Weighted & { readonly span: readonly [number, number] })[] {
	const last = new Map<string, EntryOf<'reading'>>();
	return entries.flatMap((entry) => {
		if (entry.kind !== 'reading') return [];
		const meter = model.instruments.get(entry.instrument);
		if (meter?.kind !== 'meter' || meter.place !== 'pump' || typeof entry.value !== 'number') return [];
		const before = last.get(meter.id);
		last.set(meter.id, entry);
		if (!before || entry.reset || typeof before.value !== 'number') return [];
		const span = [instantMs(before.at), instantMs(entry.at)] as const;
		const counted = countedBetween(meter, before.value, entry.value);
		const weight = personDays(model.crew, ...span);
		// Hardly any time has passed: one use is then a rate of hundreds of litres a day.
		if (counted.kind === 'backwards' || !(weight > 0) || span[1] - span[0] < DAY_MS / 4) return [];
		return [{ value: counted.litres / weight, weight, span }];
	});
}

/** Whether a measure has paid: what was measured without it and with it, compared. */
export function didItPay(estimate: Estimate, measureId: string): DidItPay | undefined {
	const { model, entries, atMs } = estimate;
	const measure = model.rig.measures.find(({ id }) => id === measureId);
	if (!measure) return undefined;
	const on = onTimes(entries, measureId, atMs);
	const isOn = (ms: number): boolean => on.some(([from, to]) => from <= ms && ms < to);
	const uses = entries.flatMap((entry) =>
		entry.kind === 'use' && entry.habit === measure.habit && entry.litres !== undefined && entry.times > 0
			? [{ value: entry.litres / entry.times, weight: entry.times, on: isOn(instantMs(entry.at)) }]
			: []
	);
	const stretches = drawnBetween(estimate).flatMap(({ span: [from, to], ...one }) => {
		const within = on.some(([a, b]) => a <= from && to <= b);
		const outside = on.every(([a, b]) => to <= a || b <= from);
		return within || outside ? [{ ...one, on: within }] : [];
	});
	const split = <T extends { readonly on: boolean }>(list: readonly T[]) => ({
		without: list.filter((one) => !one.on),
		with: list.filter((one) => one.on)
	});
	const [ofUses, ofStretches] = [split(uses), split(stretches)];
	const oneTime = compareMeans(ofUses.without, ofUses.with);
	const personDay = compareMeans(ofStretches.without, ofStretches.with);
	return {
		measure: measureId,
		...(oneTime ? { oneTime } : {}),
		...(personDay ? { personDay } : {}),
		uses: { without: ofUses.without.length, with: ofUses.with.length },
		stretches: { without: ofStretches.without.length, with: ofStretches.with.length }
	};
}
