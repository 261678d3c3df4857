import type { Gauge, Tank } from '../../logbook/index.js';
import { usableOf } from '../tanks/index.js';
import type { Pair } from './curve.js';

/** A reading of a gauge beside the litres that all else says were there. */
export interface Seen extends Pair {
	readonly entry: string;
	/** of the litres beside it, one standard deviation */
	readonly sd: number;
}

/** Readings of a gauge, told apart by what they can teach. */
export interface Lessons {
	/** beside a level that is sure enough, and believed */
	readonly kept: readonly Seen[];
	/** doubted: a stuck gauge would learn to be stuck */
	readonly leftOut: readonly Seen[];
	/** of stepwise trials that count */
	readonly fromTrials: readonly Pair[];
	/** all that teaches */
	readonly pairs: readonly Pair[];
}

/** Beside a level less sure than this share of the tank a reading teaches nothing. */
const SURE_SHARE = 0.06;

/** Chooses what of a gauge's readings and trials a curve is learned from. */
export function lessonsOf(
	gauge: Gauge,
	tank: Tank,
	seen: readonly Seen[],
	doubted: ReadonlySet<string>
): Lessons {
	const sure = seen.filter(({ sd }) => sd <= SURE_SHARE * usableOf(tank));
	const kept = sure.filter(({ entry }) => !doubted.has(entry));
	const fromTrials = (tank.trials ?? []).flatMap(({ kind, used, instrument, readings }): readonly Pair[] =>
		kind === 'stepwise' && used && instrument === gauge.id
			? (readings ?? []).map(({ reads, litres }) => ({ reads, litres }))
			: []
	);
	return {
		kept,
		leftOut: seen.filter(({ entry }) => doubted.has(entry)),
		fromTrials,
		pairs: [...fromTrials, ...kept]
	};
}
