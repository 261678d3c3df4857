import { type Spread, spreadOf } from '../numerics/index.js';
import type { Estimate } from '../estimate/index.js';
import { autonomyOf, byClock, COMPARED_PATHS, type Autonomy, type More } from './forecast.js';

/** What one measure, or one thing done, adds to the stay or takes from it, on top of those before it. */
export interface StaySegment {
	readonly id: string;
	readonly fromDays: number;
	readonly toDays: number;
	/** hours of even days that it adds: the same whether or not a night lies between */
	readonly hours: number;
}

/** How long one stays, and what lengthens or shortens it, one thing after the other: days from now. */
export interface StayLine {
	readonly asItIs: Spread;
	/** the tank that ends the stay as it is, and with everything */
	readonly tank?: string;
	readonly tankThen?: string;
	readonly segments: readonly StaySegment[];
	readonly then: Spread;
	/** how much longer it is with everything, even days */
	readonly gainedDays: number;
}

/** How far a line of days can be read. */
export const LINE_DAYS = 60;

/**
 * The stay as it is, and with some measures switched on or some things done, in their order.
 *
 * @param measures to be switched on beside those in force
 * @param more things to be done now
 */
export function stayLine(
	estimate: Estimate,
	measures: readonly string[],
	more: readonly More[] = []
): StayLine {
	const inForce = estimate.state.measures;
	const lasts = (on: readonly string[], done: readonly More[]): Autonomy =>
		autonomyOf(estimate, {
			days: LINE_DAYS,
			paths: COMPARED_PATHS,
			measures: [...inForce, ...on],
			more: done
		});
	const steps = [
		...measures.map((id, i) => ({ id, on: measures.slice(0, i + 1), done: [] as readonly More[] })),
		...more.map(({ habit }, i) => ({ id: habit, on: measures, done: more.slice(0, i + 1) }))
	];
	const first = lasts([], []);
	const { clock } = first;
	const { clockDays } = clock;
	let last = first;
	const segments = steps.map(({ id, on, done }): StaySegment => {
		const before = last;
		last = lasts(on, done);
		return {
			id,
			fromDays: clockDays(before.days),
			toDays: clockDays(last.days),
			hours: 24 * (last.days - before.days)
		};
	});
	return {
		asItIs: byClock(spreadOf(first.first.slice()), clock),
		...(first.tank === undefined ? {} : { tank: first.tank }),
		...(last.tank === undefined ? {} : { tankThen: last.tank }),
		segments,
		then: byClock(spreadOf(last.first.slice()), clock),
		gainedDays: last.days - first.days
	};
}
