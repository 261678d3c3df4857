import type { Estimate } from '../../estimate/index.js';
import { goesOverboard, isDrainedBy, tankById } from '../../rig/index.js';
import { aheadNow } from './cadence.js';
import { addsOf, dayAhead, gainOf, inflowTo, litresOf, unloggedGain, type DayAhead } from './daily.js';

/** Where water of a day comes from or goes to: a tank, or one of the ends that no tank is. */
export type End =
	| { readonly kind: 'tank'; readonly id: string }
	/** a watermaker, a rain sheet, a spring */
	| { readonly kind: 'source'; readonly id: string }
	/** a pressure hook-up, something bought or fetched, or what a body adds */
	| { readonly kind: 'mains' | 'elsewhere' | 'beside' }
	/** drunk or steamed off, or where an outlet without a tank runs to */
	| { readonly kind: 'gone' | 'ground' | 'overboard' | 'sewer' };

/** Litres of a day that take one way: from an end through an outlet and a habit to another end. */
export interface DayFlow {
	readonly from: End;
	readonly outlet: string;
	/** absent for what nobody writes down and is no habit's */
	readonly habit?: string;
	readonly to: End;
	readonly litres: number;
}

/** Less than this is no flow, litres a day. */
const LEAST_L = 0.005;

/** Splits what leaves some ends and reaches others in proportion: each source gives each end its share. */
function waysOf(
	outlet: string,
	habit: string | undefined,
	from: readonly (readonly [End, number])[],
	to: readonly (readonly [End, number])[]
): readonly DayFlow[] {
	const total = from.reduce((sum, [, litres]) => sum + litres, 0);
	if (!(total > 0)) return [];
	return from.flatMap(([source, given]) =>
		to.map(([end, litres]) => ({
			from: source,
			outlet,
			...(habit === undefined ? {} : { habit }),
			to: end,
			litres: (litres * given) / total
		}))
	);
}

/** Where the litres of a day ahead go, written down and not, way by way; what is spared elsewhere is taken off. */
export function dayFlows(
	estimate: Estimate,
	day: DayAhead = dayAhead(estimate, aheadNow(estimate))
): readonly DayFlow[] {
	const { model, state } = estimate;
	const { rig } = model;
	const tankEnd = (id: string): End => ({ kind: 'tank', id });
	const endOf = (outlet: string, kept: number): End => {
		const to = rig.outlets.find(({ id }) => id === outlet)?.to ?? 'none';
		if (to === 'ground' || to === 'overboard' || to === 'sewer') return { kind: to };
		const tank = tankById(rig, to);
		if (tank && goesOverboard(state.sea, tank.id)) return { kind: 'overboard' };
		return tank && kept < 1 && isDrainedBy(state.sewer, tank) ? { kind: 'sewer' } : { kind: 'gone' };
	};
	const ways = day.habits.flatMap(({ habit, flow, cadence, litresEach, stream }) => {
		const unlogged = stream === undefined ? undefined : day.unlogged[stream];
		const gains = rig.tanks.map(
			({ id }) =>
				[
					id,
					cadence.timesPerDay * litresOf(gainOf(estimate, flow, id), litresEach.mean) +
						cadence.sparedPerDay * addsOf(estimate, flow, id) +
						(unlogged ? unloggedGain(estimate, unlogged, id) * unlogged.mean : 0)
				] as const
		);
		const drawn =
			cadence.timesPerDay * litresOf(flow.drawn, litresEach.mean) +
			(unlogged ? unlogged.drawn * unlogged.mean : 0);
		const left = gains.flatMap(([id, litres]) =>
			litres < -LEAST_L ? [[tankEnd(id), -litres] as const] : []
		);
		const came = gains.flatMap(([id, litres]) => (litres > LEAST_L ? [[tankEnd(id), litres] as const] : []));
		const ofTanks = left.reduce((sum, [, litres]) => sum + litres, 0);
		const arrived = came.reduce((sum, [, litres]) => sum + litres, 0);
		const source: End = { kind: state.mains ? 'mains' : 'elsewhere' };
		const from = ofTanks > LEAST_L ? left : drawn > LEAST_L ? [[source, drawn] as const] : [];
		const given = from.reduce((sum, [, litres]) => sum + litres, 0);
		// More arrives than is drawn: what a body adds. Less: it is drunk, steamed off or let go.
		const fixed = Math.max(0, arrived - given);
		const sources = fixed > LEAST_L ? [...from, [{ kind: 'beside' } as End, fixed] as const] : from;
		const gone = given - arrived;
		const ends =
			gone > LEAST_L ? [...came, [endOf(habit.outlet, habit.keptFraction ?? 0), gone] as const] : came;
		return waysOf(habit.outlet, habit.id, sources, ends);
	});
	const small = day.unlogged.flatMap((stream) => {
		if (stream.habit) return [];
		const gains = rig.tanks.map(({ id }) => [id, unloggedGain(estimate, stream, id) * stream.mean] as const);
		const from = gains.flatMap(([id, litres]) =>
			litres < -LEAST_L ? [[tankEnd(id), -litres] as const] : []
		);
		const to = gains.flatMap(([id, litres]) => (litres > LEAST_L ? [[tankEnd(id), litres] as const] : []));
		const rest = from.reduce((sum, [, l]) => sum + l, 0) - to.reduce((sum, [, l]) => sum + l, 0);
		return waysOf(
			'',
			undefined,
			from,
			rest > LEAST_L ? [...to, [{ kind: 'gone' } as End, rest] as const] : to
		);
	});
	const inflow = rig.tanks.flatMap(({ id }) =>
		inflowTo(estimate, day, id).map(({ source, litres }): DayFlow => ({
			from: { kind: 'source', id: source.id },
			outlet: '',
			to: tankEnd(id),
			litres
		}))
	);
	return [...ways, ...small, ...inflow].filter(({ litres }) => litres > LEAST_L);
}
