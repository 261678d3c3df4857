import { cadenceSdShare, habitMeanVarianceShare, type Estimate } from '../../estimate/index.js';
import { instantMs, type EntryOf, type Source } from '../../logbook/index.js';
import { meanOf } from '../../numerics/index.js';
import { DAY_MS } from '../../time/index.js';

/** What flows in without a stop, as it is expected ahead. */
export interface SourceAhead {
	readonly source: Source;
	/** how often a day, and the doubt of that; no doubt where the rig says exactly */
	readonly timesPerDay: number;
	readonly timesSd: number;
	/** litres of one time, and the doubt of that mean */
	readonly litresEach: { readonly mean: number; readonly sd: number };
	/** litres of the lumps it comes in; 0 where it comes as by the clock */
	readonly lumpL: number;
}

/** Litres of one time, by what was written of it: half of the doubt beforehand is about the mean, half scatter of single times. */
function litresOfOne(
	{ litresEach: { mean, sd } }: Source,
	measured: readonly number[]
): SourceAhead['litresEach'] {
	if (sd === 0 || measured.length === 0) return { mean, sd: sd * Math.sqrt(habitMeanVarianceShare) };
	const prior = 1 / (habitMeanVarianceShare * sd * sd);
	const each = 1 / ((1 - habitMeanVarianceShare) * sd * sd);
	const certainty = prior + measured.length * each;
	return {
		mean: (prior * mean + measured.length * each * meanOf(Float64Array.from(measured))) / certainty,
		sd: 1 / Math.sqrt(certainty)
	};
}

/**
 * The sources of a rig ahead, learned from the fills that name them: how often (a gamma about what the rig states, since the first
 * of them, which only says that there is one), and how much at a time.
 */
export const sourcesAhead = ({ model, entries, atMs }: Estimate): readonly SourceAhead[] =>
	(model.rig.sources ?? [])
		.filter(({ retired }) => !retired)
		.map((source): SourceAhead => {
			const { times, sd: stated = cadenceSdShare * times } = source.often;
			const named = entries.filter(
				(entry): entry is EntryOf<'fill'> => entry.kind === 'fill' && entry.from === source.id
			);
			const litresEach = litresOfOne(
				source,
				named.flatMap(({ litres }) => litres ?? [])
			);
			const scatterL2 = source.litresEach.sd ** 2 * (1 - habitMeanVarianceShare);
			const exact = stated === 0 || times === 0;
			const first = named[0];
			const days = first ? (atMs - instantMs(first.at)) / DAY_MS : 0;
			// Shape and rate of the gamma; every day since the first time counts, and every time after it.
			const [shape, rate] = exact ? [1, 1] : [(times / stated) ** 2, times / stated ** 2];
			const [come, lived] = [shape + Math.max(0, named.length - 1), rate + days];
			const each = Math.max(1e-9, litresEach.mean);
			return {
				source,
				timesPerDay: exact ? times : come / lived,
				timesSd: exact ? 0 : Math.sqrt(come) / lived,
				litresEach,
				lumpL: ((exact ? 0 : each * each) + scatterL2) / each
			};
		});
