import { gainOf, unloggedGain, unloggedGains, type DayAhead } from '../../habits/index.js';
import { usableOfTank, type Estimate, type HookUp } from '../../estimate/index.js';
import { neverBinds } from '../../rig/index.js';

/** A tank as the paths see it. */
export interface Lane {
	readonly id: string;
	readonly pool: number;
	readonly share: number;
	/** what serves of it, and the litres short of that (waste) or above nothing (fresh) at which it binds */
	readonly usableL: number;
	readonly reserveL: number;
	/** what an open sewer valve leaves in it, litres; nothing for a tank that is on no sewer */
	readonly drainsToL: number | undefined;
	/** a carried supply never binds */
	readonly binds: boolean;
	readonly falls: boolean;
}

/** The level at which a lane binds, of what serves on a path. */
export const limitOf = ({ falls, reserveL }: Pick<Lane, 'falls' | 'reserveL'>, usableL: number): number =>
	falls ? reserveL : Math.max(0, usableL - reserveL);

/** The tanks of a rig as the paths see them, in its order. */
export function lanesOf(estimate: Estimate): readonly Lane[] {
	const { rig, places } = estimate.model;
	return rig.tanks.map((tank) => ({
		id: tank.id,
		pool: places.get(tank.id)?.pool.index ?? 0,
		share: places.get(tank.id)?.share ?? 1,
		usableL: usableOfTank(estimate, tank.id).mean,
		reserveL: tank.reserveL,
		drainsToL: tank.holds === 'fresh' || tank.portable ? undefined : (tank.residualL ?? 0),
		binds: !neverBinds(rig, tank),
		falls: tank.holds === 'fresh'
	}));
}

/** What one habit brings to one lane: litres for a litre used, and for each time. */
export interface HabitGain {
	readonly habit: number;
	readonly perLitre: number;
	readonly fixed: number;
}

/** What comes of use, lane by lane; what brings nothing is left out. */
export interface LaneGains {
	readonly habits: readonly (readonly HabitGain[])[];
	/** litres for a litre that nobody writes down, by stream */
	readonly unlogged: readonly (readonly { readonly stream: number; readonly perLitre: number }[])[];
}

/** What comes of use under some measures and hook-ups. */
export function laneGainsOf(
	estimate: Estimate,
	day: DayAhead,
	lanes: readonly Lane[],
	measures: readonly string[],
	{ mains, sewer }: HookUp
): LaneGains {
	const { model } = estimate;
	const regime = { mains, sewer, measures };
	const flows = day.habits.map(({ habit }) => model.flow(habit, regime));
	const streams = model.streams.map((stream) => ({ gains: unloggedGains(estimate, stream, regime) }));
	return {
		habits: lanes.map(({ id }) =>
			flows.flatMap((flow, habit): readonly HabitGain[] => {
				const { perLitre, fixed } = gainOf(estimate, flow, id);
				return perLitre === 0 && fixed === 0 ? [] : [{ habit, perLitre, fixed }];
			})
		),
		unlogged: lanes.map(({ id }) =>
			streams.flatMap((one, stream) => {
				const perLitre = unloggedGain(estimate, one, id);
				return perLitre === 0 ? [] : [{ stream, perLitre }];
			})
		)
	};
}
