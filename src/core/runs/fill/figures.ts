import { quantileOf, type Spread } from '../../numerics/index.js';
import {
	aboardNow,
	headroomOf,
	levelOf,
	reserveOf,
	standingLevelWith,
	usableOfTank,
	type Estimate
} from '../../estimate/index.js';
import { cumulativeAt, cumulativeFlow } from '../../forecast/index.js';
import { isCarried, tankById } from '../../rig/index.js';

/** How much is wanted. */
export type FillTarget =
	| { readonly kind: 'full' }
	| { readonly kind: 'litres'; readonly litres: number }
	/** what lasts until a moment, with a chance */
	| { readonly kind: 'until'; readonly untilMs: number; readonly certainty: number };

/** What a fill takes. */
export interface FillFigures {
	/** litres to take: of the doubt of what is in it where a level is aimed at */
	readonly takeL: Spread;
	/** litres until it overflows */
	readonly roomL: Spread;
	/** what is in the tank before and after, litres */
	readonly levelL: number;
	readonly leavesL: number;
	readonly usableL: number;
	/** of a moment: whether a tank full to the brim lasts until then with that chance */
	readonly enough?: boolean;
}

const PERCENTS = { p10: 0.1, p50: 0.5, p90: 0.9 } as const;
const spreadOf = (of: (p: number) => number): Spread => ({
	p10: of(PERCENTS.p10),
	p50: of(PERCENTS.p50),
	p90: of(PERCENTS.p90)
});

/** Days lived for the question how much lasts until a moment: more of them, since their tail is asked for. */
const PATHS = 4000;

/** By path, for all tanks that stand level: what must be aboard to last until a moment, and what would be lacking when full. */
function needs(
	estimate: Estimate,
	tank: string,
	untilMs: number
): { lack: Float64Array; full: Float64Array } {
	const course = cumulativeFlow(estimate, { toMs: untilMs, paths: PATHS });
	const members = standingLevelWith(estimate, tank);
	const lack = new Float64Array(course.paths);
	const full = new Float64Array(course.paths);
	const aboard = aboardNow(estimate);
	course.lanes.forEach((lane, i) => {
		if (!members.includes(lane.id)) return;
		const come = cumulativeAt(course, i, untilMs);
		for (let path = 0; path < course.paths; path++) {
			const need = reserveOf(lane, aboard) - (come[path] as number);
			lack[path] = (lack[path] as number) + need - (course.levels[i]?.[path] as number);
			full[path] = (full[path] as number) + need - (course.usable[i]?.[path] as number);
		}
	});
	return { lack: lack.sort(), full: full.sort() };
}

/**
 * What to take of fresh water. Tanks that stand level with each other fill as one; what is said of levels is of this tank.
 *
 * @param of the tank's id
 * @throws RangeError when it is no fresh tank, or a moment is asked of a jug that only feeds another tank
 */
export function fillFigures(estimate: Estimate, of: string, target: FillTarget): FillFigures {
	const { rig } = estimate.model;
	const tank = tankById(rig, of);
	if (tank?.holds !== 'fresh') throw new RangeError(`${tank?.name ?? of} is no fresh tank`);
	const room = headroomOf(estimate, of);
	const share = usableOfTank(estimate, of).mean / (poolUsable(estimate, of) || 1);
	const levelL = levelOf(estimate, of).mean;
	const usableL = usableOfTank(estimate, of).mean;
	const roomL = spreadOf((p) => room.quantile(p));
	const known = { roomL, levelL, usableL };
	switch (target.kind) {
		case 'full':
			return { ...known, takeL: roomL, leavesL: usableL };
		case 'litres': {
			const takeL = spreadOf((p) => Math.min(target.litres, room.quantile(p)));
			return { ...known, takeL, leavesL: Math.min(usableL, levelL + share * target.litres) };
		}
		case 'until': {
			if (isCarried(rig, tank))
				throw new RangeError(`${tank.name} only feeds another tank; ask how long that one lasts`);
			const { lack, full } = needs(estimate, of, target.untilMs);
			const wanted = Math.max(0, quantileOf(lack, target.certainty));
			const enough = quantileOf(full, target.certainty) <= 0;
			// The level to be reached is one; how much that takes is as doubtful as the room is.
			const takeL = spreadOf((p) =>
				enough
					? Math.min(room.quantile(p), Math.max(0, wanted + room.quantile(p) - room.quantile(PERCENTS.p50)))
					: room.quantile(p)
			);
			return {
				...known,
				takeL: wanted > 0 ? takeL : { p10: 0, p50: 0, p90: 0 },
				leavesL: enough ? Math.min(usableL, levelL + share * Math.min(wanted, roomL.p50)) : usableL,
				enough
			};
		}
	}
}

const poolUsable = (estimate: Estimate, tank: string): number =>
	standingLevelWith(estimate, tank).reduce((sum, id) => sum + usableOfTank(estimate, id).mean, 0);
