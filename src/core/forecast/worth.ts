import { spreadOf } from '../numerics/index.js';
import type { Estimate } from '../estimate/index.js';
import { aheadNow, dailyChange, dayAhead, litresPerDay, type DayAhead } from '../habits/index.js';
import type { Measure } from '../logbook/index.js';
import { autonomyOf, COMPARED_PATHS, MOST_DAYS, type Autonomy } from './forecast.js';
import { prices, type Price } from './prices.js';

/** What a measure is worth here and now. */
export interface MeasureWorth {
	readonly id: string;
	/** it is in force */
	readonly on: boolean;
	/** hours of the stay that it gives by itself, where no other measure is in force */
	readonly alone: number;
	/** hours that it gives, the others being as they are in force */
	readonly given: number;
	/** litres a day that it spares of what is drawn, the others being as they are in force */
	readonly litresPerDay: number;
	/** what it changes in a day of each tank that it touches, litres: less in grey, more in black */
	readonly tanks: readonly { readonly id: string; readonly litresPerDay: number }[];
}

/** What each habit costs and each measure gives. */
export interface Worth {
	readonly autonomyDays: number;
	/** the tank that most often ends the stay; none where none does within the days looked at */
	readonly binding?: string;
	readonly habits: readonly Price[];
	readonly measures: readonly MeasureWorth[];
}

/** For whom, and under which measures, worth is reckoned. */
export interface WorthOptions {
	/** who is aboard from now on; as written and planned when absent */
	readonly persons?: number | undefined;
	/** measures in force; those that are when absent */
	readonly measures?: readonly string[] | undefined;
	/** how far to look, days */
	readonly days?: number | undefined;
	readonly paths?: number | undefined;
}

const TOUCHES_L = 1e-6;

/**
 * What everything is worth: each habit's price, and each measure's hours, alone and on top of what is in force. Every
 * set of measures is lived with the same chances, all its effects together; effects are never added. It pauses after each
 * measure with how far it is, 0 … 1.
 */
export function* worth(
	estimate: Estimate,
	{ persons, measures, days = MOST_DAYS, paths = COMPARED_PATHS }: WorthOptions = {}
): Generator<number, Worth> {
	const { rig } = estimate.model;
	const inForce = measures ?? estimate.state.measures;
	const known = new Map<string, Autonomy>();
	/** a measure of a habit that is done no more changes nothing: the set is one that is known */
	const lasts = (set: readonly string[]): Autonomy => {
		const key = [...set].sort().join('|');
		const before = known.get(key);
		if (before) return before;
		const autonomy = autonomyOf(estimate, { days, persons, measures: set, paths });
		known.set(key, autonomy);
		return autonomy;
	};
	const dayWith = (set: readonly string[]): DayAhead =>
		dayAhead(estimate, {
			...aheadNow(estimate),
			...(persons === undefined ? {} : { persons }),
			measures: set
		});
	const ofMeasure = ({ id }: Measure): MeasureWorth => {
		const on = inForce.includes(id);
		const without = inForce.filter((one) => one !== id);
		const [off, withIt] = [dayWith(without), dayWith([...without, id])];
		return {
			id,
			on,
			alone: 24 * (lasts([id]).days - lasts([]).days),
			given: 24 * (lasts([...without, id]).days - lasts(without).days),
			litresPerDay: litresPerDay(estimate, off) - litresPerDay(estimate, withIt),
			tanks: rig.tanks.flatMap((tank) => {
				const more = dailyChange(estimate, withIt, tank.id) - dailyChange(estimate, off, tank.id);
				return Math.abs(more) > TOUCHES_L ? [{ id: tank.id, litresPerDay: more }] : [];
			})
		};
	};
	const now = lasts(inForce);
	const found: MeasureWorth[] = [];
	const live = rig.measures.filter(({ retired }) => !retired);
	for (const measure of live) {
		found.push(ofMeasure(measure));
		yield found.length / live.length;
	}
	return {
		autonomyDays: now.clock.clockDays(spreadOf(now.first.slice()).p50),
		...(now.tank === undefined ? {} : { binding: now.tank }),
		habits: prices(estimate, dayWith(inForce), {
			days,
			persons,
			measures: inForce,
			paths,
			about: now.tank
		}),
		measures: found
	};
}
