import { usableOf } from '../src/core/rig';
import { levelsOver } from './score';
import { DAY, drawCase, HOUR, START, type Manner } from './truth/index';

/** How levels fared in one part of a life with silences, shares of 1. */
export interface PhaseScore {
	readonly lives: number;
	readonly moments: number;
	readonly inside: number;
	/** of the tank: median error, how much too full fresh and too empty waste were believed, mean width */
	readonly error: number;
	readonly hopeful: number;
	readonly width: number;
}

/** Parts of a life: late in a silence, the day and a half after it, and as usual. */
export const PHASES = ['silence', 'after', 'between'] as const;
export type Phase = (typeof PHASES)[number];
export interface SilencesScore {
	readonly name: string;
	readonly phases: Readonly<Record<Phase, PhaseScore>>;
}

/** From this hour of a silence on it is late in it; a life is looked at from this day on. */
const LATE_MS = 14 * HOUR;
const AFTER_MS = 1.5 * DAY;
const KNOWN_AFTER = 6;
const LIVED = 26;

const mean = (values: readonly number[]): number =>
	values.reduce((sum, value) => sum + value, 0) / values.length;
const median = (values: readonly number[]): number =>
	[...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? Number.NaN;

/** Scores levels by the part of a life, over some lives. */
export function scoreSilences(manner: Manner, cases: number, firstSeed = 1): SilencesScore {
	const found = new Map<Phase, { inside: number[]; error: number[]; hopeful: number[]; width: number[] }>(
		PHASES.map((phase) => [phase, { inside: [], error: [], hopeful: [], width: [] }])
	);
	for (let seed = firstSeed; seed < firstSeed + cases; seed++) {
		const { logbook, rig, truths, silences } = drawCase(seed, manner, LIVED);
		const levels = levelsOver(logbook);
		const phaseOf = (ms: number): Phase | undefined => {
			const before = silences.findLast(({ fromMs }) => fromMs <= ms);
			if (!before || ms > before.toMs + AFTER_MS) return 'between';
			if (ms > before.toMs) return 'after';
			return ms > before.fromMs + LATE_MS ? 'silence' : undefined;
		};
		for (const { atMs, litres } of truths) {
			const phase = phaseOf(atMs);
			if (atMs < START + KNOWN_AFTER * DAY || !phase) continue;
			const own = found.get(phase);
			for (const tank of levels(atMs).tanks) {
				const truth = litres.get(tank.id) ?? 0;
				const { holds } = rig.tanks.find(({ id }) => id === tank.id) ?? rig.tanks[0]!;
				const size = usableOf(rig.tanks.find(({ id }) => id === tank.id) ?? rig.tanks[0]!);
				own?.inside.push(Number(truth >= tank.low - 1e-9 && truth <= tank.high + 1e-9));
				own?.error.push(Math.abs(tank.litres - truth) / size);
				own?.hopeful.push(((holds === 'fresh' ? 1 : -1) * (tank.litres - truth)) / size);
				own?.width.push((tank.high - tank.low) / size);
			}
		}
	}
	return {
		name: manner.name,
		phases: Object.fromEntries(
			[...found].map(([phase, { inside, error, hopeful, width }]) => [
				phase,
				{
					lives: cases,
					moments: inside.length,
					inside: mean(inside),
					error: median(error),
					hopeful: mean(hopeful),
					width: mean(width)
				}
			])
		) as Record<Phase, PhaseScore>
	};
}
