import { DAY_MS } from '../time/index.js';
import { type Estimate } from '../estimate/index.js';
import { useClockOf, type UseClock } from './useClock.js';
import { boundsOf, COMPARED_PATHS, middleOf, type More } from './forecast.js';

/** How things stand with some tanks that each have to hold until a moment of their own. */
export interface Holding {
	/** that all of them do */
	readonly chance: number;
	/** the tank that most often does not, or comes nearest to it; and when it binds, days from now, about the median */
	readonly tank: string | undefined;
	readonly bindsDays: number;
	/** all tanks that do not hold as likely as not */
	readonly failing: readonly string[];
	/** days until the first of all binds, about the median */
	readonly days: number;
}

/** What one would like to do tonight: how things stand without and with it. */
export interface Basket {
	readonly before: Holding;
	readonly after: Holding;
}

/** As likely as not. */
const LIKELY = 0.5;
/** How far is looked beyond the last moment asked for, days. */
const BEYOND = 10;

function holdingOf(
	bounds: ReadonlyMap<string, Float64Array>,
	untilDays: ReadonlyMap<string, number>,
	{ clockDays }: UseClock
): Holding {
	const paths = COMPARED_PATHS;
	const held = new Uint8Array(paths).fill(1);
	const first = new Float64Array(paths).fill(Infinity);
	let worst:
		| {
				readonly tank: string;
				readonly failed: number;
				readonly spareDays: number;
				readonly bindsDays: number;
		  }
		| undefined;
	const failing: string[] = [];
	for (const [tank, days] of bounds) {
		const until = untilDays.get(tank);
		let failed = 0;
		days.forEach((bound, path) => {
			first[path] = Math.min(first[path] as number, bound);
			if (until === undefined || bound >= until) return;
			failed++;
			held[path] = 0;
		});
		if (until === undefined) continue;
		if (failed >= LIKELY * paths) failing.push(tank);
		const bindsDays = middleOf(days);
		const one = { tank, failed, spareDays: bindsDays - until, bindsDays };
		if (!worst || failed > worst.failed || (failed === worst.failed && one.spareDays < worst.spareDays))
			worst = one;
	}
	return {
		chance: held.reduce((sum, one) => sum + one, 0) / paths,
		tank: worst?.tank,
		bindsDays: worst ? clockDays(worst.bindsDays) : Infinity,
		failing,
		days: clockDays(middleOf(first))
	};
}

/**
 * Whether there is enough for some things now, until each tank is next served.
 *
 * @param until ms, by the tanks that have to hold until then; others are not asked about
 */
export function basket(
	estimate: Estimate,
	more: readonly More[],
	until: ReadonlyMap<string, number>
): Basket {
	const clock = useClockOf(estimate);
	const untilDays = new Map(
		[...until].map(([tank, ms]) => [tank, clock.useDays((ms - estimate.atMs) / DAY_MS)] as const)
	);
	const days = Math.max(1, Math.ceil(Math.max(0, ...untilDays.values()))) + BEYOND;
	const bounds = (asked: readonly More[]): ReadonlyMap<string, Float64Array> =>
		boundsOf(estimate, { days, paths: COMPARED_PATHS, more: asked });
	const holding = (asked: readonly More[]): Holding => holdingOf(bounds(asked), untilDays, clock);
	const before = holding([]);
	return { before, after: more.length === 0 ? before : holding(more) };
}
