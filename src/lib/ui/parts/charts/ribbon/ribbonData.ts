import type { Tank } from '$core/logbook';
import type { LevelAlong } from '$core/plan';

/** What is written beside a step. */
export interface LaneMark {
	readonly ms: number;
	readonly litres: number;
	readonly words: string;
}

/** One tank of the ribbon: its account until now, and its way from then on. */
export interface RibbonLane {
	readonly tank: Tank;
	readonly usableL: number;
	readonly limitL: number;
	readonly past: readonly LevelAlong[];
	readonly ahead: readonly LevelAlong[];
	readonly services: readonly LaneMark[];
	/** the last place to serve it, and when it would bind */
	readonly lastChance?: LaneMark;
}

/** A stay, as the ribbon's head shows it. */
export interface RibbonStop {
	readonly id: string;
	readonly name: string;
	readonly fromMs: number;
	readonly toMs: number;
	/** something is planned there */
	readonly used: boolean;
}

export interface RibbonData {
	readonly fromMs: number;
	readonly toMs: number;
	readonly nowMs: number;
	readonly stops: readonly RibbonStop[];
	readonly lanes: readonly RibbonLane[];
	/** days said to be unlike others */
	readonly said: readonly { readonly fromMs: number; readonly toMs: number; readonly words: string }[];
}

/** What stands in each lane at a moment; nothing where it is not known. */
export const levelsAt = (
	{ lanes }: RibbonData,
	ms: number
): readonly { readonly tank: Tank; readonly level: LevelAlong }[] =>
	lanes.flatMap(({ tank, past, ahead }) => {
		const first = ahead[0];
		const list = first && ms >= first.ms ? ahead : past;
		const before = list.findLast((level) => level.ms <= ms);
		if (!before) return [];
		const after = list.find((level) => level.ms > ms);
		const part = after && after.ms > before.ms ? (ms - before.ms) / (after.ms - before.ms) : 0;
		const mix = (of: (level: LevelAlong) => number): number =>
			of(before) + part * ((after ? of(after) : of(before)) - of(before));
		return [
			{ tank, level: { ms, low: mix((l) => l.low), litres: mix((l) => l.litres), high: mix((l) => l.high) } }
		];
	});
