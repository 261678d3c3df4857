import { addsOf, gainOf, unloggedGain, unloggedGains, type DayAhead } from '../../habits/index.js';
import {
	keptOf,
	outOfReach,
	reserveOf,
	usableOfTank,
	type Aboard,
	type Estimate,
	type Kept
} from '../../estimate/index.js';
import { behind, emptyOf, neverBinds, type Lean } from '../../rig/index.js';
import type { DayPart } from './steps.js';

/** A tank as the paths see it. */
export interface Lane {
	readonly id: string;
	readonly pool: number;
	readonly share: number;
	/** what serves of it, and the litres short of that (waste) or above nothing (fresh) at which it binds */
	readonly usableL: number;
	readonly reserveL: number;
	/** what an open sewer valve leaves in it, litres */
	readonly drainsToL: number;
	/** what only stands behind another tank never binds */
	readonly binds: boolean;
	readonly falls: boolean;
	/** the lanes that stand behind it, in the order in which they come in */
	readonly behind: readonly number[];
	/** what is kept of it for drinking */
	readonly kept: Kept | undefined;
	/** what a lean puts out of reach of its pick-up */
	readonly outOfReachL: ((heel: Lean) => number) | undefined;
}

/** The level at which a lane binds, of what serves on a path. */
export const limitOf = (
	lane: Pick<Lane, 'falls' | 'reserveL' | 'kept' | 'outOfReachL'>,
	usableL: number,
	step: Aboard
): number => (lane.falls ? reserveOf(lane, step) : Math.max(0, usableL - lane.reserveL));

/** What of a lane may still be used, or be let in, before it comes to its own end; less than nothing beyond it, litres. */
export const spareOf = (lane: Lane, litres: number, usableL: number, step: Aboard): number =>
	lane.falls ? litres - limitOf(lane, usableL, step) : limitOf(lane, usableL, step) - litres;

/** What all that stands behind a lane has to give on a path as it begins, litres. */
export const spareBehind = (
	lanes: readonly Lane[],
	{ levels, usable }: { readonly levels: readonly Float64Array[]; readonly usable: readonly Float64Array[] },
	{ behind: others }: Lane,
	path: number,
	step: Aboard
): number =>
	others.reduce((sum, one) => {
		const [litres, full] = [levels[one]?.[path] as number, usable[one]?.[path] as number];
		return sum + Math.max(0, spareOf(lanes[one] as Lane, litres, full, step));
	}, 0);

/** The tanks of a rig as the paths see them, in its order. */
export function lanesOf(estimate: Estimate): readonly Lane[] {
	const { rig, places } = estimate.model;
	const level = (id: string): readonly string[] => places.get(id)?.pool.tanks.map((one) => one.id) ?? [id];
	return rig.tanks.map((tank) => ({
		id: tank.id,
		pool: places.get(tank.id)?.pool.index ?? 0,
		share: places.get(tank.id)?.share ?? 1,
		usableL: usableOfTank(estimate, tank.id).mean,
		reserveL: tank.reserveL,
		drainsToL: emptyOf(tank),
		binds: !neverBinds(rig, tank),
		falls: tank.holds === 'fresh',
		behind: behind(rig, tank, level(tank.id)).map((one) => rig.tanks.indexOf(one)),
		kept: keptOf(estimate.model, tank.id),
		outOfReachL: outOfReach(tank)
	}));
}

/** What one habit brings to one lane: litres for a litre used, and for each time. */
export interface HabitGain {
	readonly habit: number;
	readonly perLitre: number;
	readonly fixed: number;
	/** litres for each time that a measure of rarity spares: what people add themselves */
	readonly adds: number;
}

/** What comes of use, lane by lane; what brings nothing is left out. */
export interface LaneGains {
	readonly habits: readonly (readonly HabitGain[])[];
	/** litres for a litre that nobody writes down, by stream */
	readonly unlogged: readonly (readonly { readonly stream: number; readonly perLitre: number }[])[];
	/** litres for a litre that a source gives */
	readonly inflow: readonly (readonly { readonly source: number; readonly perLitre: number }[])[];
}

/** What comes of use under some measures and hook-ups. */
export function laneGainsOf(
	estimate: Estimate,
	day: DayAhead,
	lanes: readonly Lane[],
	measures: readonly string[],
	{ mains, sewer, ashore, sea }: Pick<DayPart, 'mains' | 'sewer' | 'ashore' | 'sea'>
): LaneGains {
	const { model } = estimate;
	const regime = { mains, sewer, ashore, sea, measures };
	const flows = day.habits.map(({ habit }) => model.flow(habit, regime));
	const streams = model.streams.map((stream) => ({ gains: unloggedGains(estimate, stream, regime) }));
	return {
		habits: lanes.map(({ id }) =>
			flows.flatMap((flow, habit): readonly HabitGain[] => {
				const { perLitre, fixed } = gainOf(estimate, flow, id);
				const adds = addsOf(estimate, flow, id);
				return perLitre === 0 && fixed === 0 && adds === 0 ? [] : [{ habit, perLitre, fixed, adds }];
			})
		),
		unlogged: lanes.map(({ id }) =>
			streams.flatMap((one, stream) => {
				const perLitre = unloggedGain(estimate, one, id);
				return perLitre === 0 ? [] : [{ stream, perLitre }];
			})
		),
		inflow: lanes.map(({ pool, share }) =>
			day.sources.flatMap(({ source: { into } }, source) =>
				model.places.get(into)?.pool.index === pool ? [{ source, perLitre: share }] : []
			)
		)
	};
}
