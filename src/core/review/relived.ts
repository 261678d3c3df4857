import { DAY_MS } from '../time/index.js';
import { modelOf, personsAt, type Estimate, type Model } from '../estimate/index.js';
import { litresOf } from '../habits/index.js';
import { instantMs, type Entry, type Habit, type Rig } from '../logbook/index.js';
import {
	comesFromOutside,
	flowOf,
	isAnyOpen,
	isDrainedBy,
	neverBinds,
	rarityOf,
	type OpenValves,
	type Regime
} from '../rig/index.js';
import type { Review } from './review.js';

/** What is thought of as having been otherwise. */
export interface Otherwise {
	/** the rig changed: a tank of another size, one more, another plumbing */
	readonly rig?: Rig;
	/** measures in force all the time, beside those that were */
	readonly measures?: readonly string[];
	/** so many persons more, or fewer */
	readonly personsBy?: number;
}

/** A moment at which a tank had come to its end, and everything was filled and emptied. */
export interface RelivedService {
	readonly ms: number;
	readonly tank: string;
}

/** A stretch lived again. */
export interface Relived {
	readonly drawnL: number;
	readonly perPersonDayL: number | undefined;
	readonly personDays: number;
	/** each time that a tank came to its end, had one set out full and empty and served everything then */
	readonly served: readonly RelivedService[];
	/** days until the first of them; absent where all held */
	readonly firstDays?: number;
}

/** One thing that was done, or a part of a day of what nobody wrote down. */
interface Lived {
	readonly ms: number;
	/** litres or times are of this habit, as it is without measures */
	readonly habit: string;
	readonly times: number;
	/** litres of one time, before measures */
	readonly eachL: number;
	readonly regime: Regime;
	readonly persons: number;
}

/** What held at a moment, as the log has it. */
interface Regimes {
	at(ms: number): Regime;
	/** when valves were opened into a sewer, and which are open then */
	readonly sewerAt: readonly { readonly ms: number; readonly open: OpenValves }[];
}

const PLAIN: Regime = { mains: false, sewer: false, measures: [] };

function regimesOf(entries: readonly Entry[]): Regimes {
	const steps: { readonly ms: number; readonly regime: Regime }[] = [];
	const sewerAt: Regimes['sewerAt'][number][] = [];
	let regime = PLAIN;
	for (const entry of entries) {
		const ms = instantMs(entry.at);
		if (entry.kind === 'hookup') {
			if (isAnyOpen(entry.sewer)) sewerAt.push({ ms, open: entry.sewer });
			regime = { ...regime, mains: entry.mains, sewer: entry.sewer, sea: entry.sea };
		} else if (entry.kind === 'measure') {
			const others = regime.measures.filter((id) => id !== entry.measure);
			regime = { ...regime, measures: entry.on ? [...others, entry.measure] : others };
		} else continue;
		steps.push({ ms, regime });
	}
	return { at: (ms) => steps.findLast((step) => step.ms <= ms)?.regime ?? PLAIN, sewerAt };
}

/** Litres of one time as believed, without measures. */
const believedL = ({ model, belief }: Estimate, habit: string): number =>
	Math.max(0, belief.mean[model.habitRow.get(habit) ?? -1] ?? 0);

/** What was written down in a stretch: measured where it was measured, else so that it sums to what the account says. */
function writtenDown(estimate: Estimate, { fromMs, habits }: Review, regimes: Regimes): readonly Lived[] {
	const { model, entries } = estimate;
	const drawnOf = ({ habit: id, times, eachL, regime }: Lived): number => {
		const habit = model.habits.get(id);
		return habit ? times * litresOf(model.flow(habit, regime).drawn, eachL) : 0;
	};
	const lived = entries.flatMap((entry): readonly Lived[] => {
		const ms = instantMs(entry.at);
		const habit = entry.kind === 'use' && ms >= fromMs ? model.habits.get(entry.habit) : undefined;
		if (entry.kind !== 'use' || !habit) return [];
		const regime = regimes.at(ms);
		const { perLitre, fixed } = model.flow(habit, regime).drawn;
		const measured = entry.litres !== undefined && perLitre > 0 && entry.times > 0;
		const eachL = measured
			? Math.max(0, ((entry.litres ?? 0) / entry.times - fixed) / perLitre)
			: believedL(estimate, habit.id);
		return [{ ms, habit: habit.id, times: entry.times, eachL, regime, persons: personsAt(model.crew, ms) }];
	});
	const fits = new Map(
		habits.map(({ id, litres }) => {
			const reckoned = lived.reduce((sum, one) => sum + (one.habit === id ? drawnOf(one) : 0), 0);
			return [id, reckoned > 0 && litres > 0 ? litres / reckoned : 1] as const;
		})
	);
	return lived.map((one) => ({ ...one, eachL: one.eachL * (fits.get(one.habit) ?? 1) }));
}

/** What nobody wrote down of a day is put at so many moments of it. */
const MOMENTS = 4;

/** What nobody wrote down: each part of a stretch its own litres, divided among habits as over all of it. */
function unwritten(estimate: Estimate, { habits, parts }: Review, regimes: Regimes): readonly Lived[] {
	const { model } = estimate;
	const shares = habits.filter(({ unloggedL }) => unloggedL > 0);
	const all = shares.reduce((sum, { unloggedL }) => sum + unloggedL, 0);
	return parts.flatMap(({ fromMs, toMs, unloggedL: ofPart }) =>
		ofPart > 0
			? Array.from({ length: MOMENTS }, (_, i) => fromMs + ((i + 0.5) / MOMENTS) * (toMs - fromMs)).flatMap(
					(ms) =>
						shares.flatMap(({ id, unloggedL }): readonly Lived[] => {
							const [habit, regime] = [model.habits.get(id), regimes.at(ms)];
							const eachL = Math.max(1e-3, believedL(estimate, id));
							const once = habit ? litresOf(model.flow(habit, regime).drawn, eachL) : 0;
							if (!(once > 0)) return [];
							const times = (ofPart * unloggedL) / all / MOMENTS / once;
							return [{ ms, habit: id, times, eachL, regime, persons: personsAt(model.crew, ms) }];
						})
				)
			: []
	);
}

/** The pools of a rig that end a stay, with the level at which they do. */
function poolsOf(rig: Rig, model: Model) {
	return model.pools.flatMap(({ index, tanks, usableL, emptyL, chargeL }) => {
		const [first] = tanks;
		if (!first || tanks.every((tank) => neverBinds(rig, tank))) return [];
		const falls = first.holds === 'fresh';
		const reserve = tanks.reduce((sum, { reserveL }) => sum + reserveL, 0);
		return [
			{
				index,
				id: first.id,
				falls,
				beginL: falls ? usableL : Math.min(emptyL + chargeL, usableL),
				drainsToL: Math.min(emptyL, usableL),
				limitL: falls ? reserve : Math.max(0, usableL - reserve),
				tanks
			}
		];
	});
}

/** How many times as often a habit is done by so many people more, or fewer: what is done once for all, while anybody is aboard. */
const crowdOf = ({ often }: Habit, persons: number, by: number): number =>
	often.per === 'day' ? Number(persons + by > 0) : Math.max(0, persons + by) / Math.max(1, persons);

/**
 * Lives a stretch again as it was written down and read, use by use, in a rig, with measures or with a crew that are
 * otherwise: setting out full and empty, and serving everything each time that a tank comes to its end. So that two ways can be
 * compared, the stretch as it was is lived by the same rule.
 *
 * @param review of the same estimate, told by its days
 */
export function relive(estimate: Estimate, review: Review, otherwise: Otherwise = {}): Relived {
	const { rig = estimate.model.rig, measures = [], personsBy = 0 } = otherwise;
	const regimes = regimesOf(estimate.entries);
	const lived = [...writtenDown(estimate, review, regimes), ...unwritten(estimate, review, regimes)]
		.filter(({ ms }) => ms <= review.toMs)
		.sort((a, b) => a.ms - b.ms);
	const model = modelOf(rig, [], []);
	const pools = poolsOf(rig, model);
	const levels = new Map(pools.map(({ index, beginL }) => [index, beginL]));
	const served: RelivedService[] = [];
	const sewers = regimes.sewerAt.filter(({ ms }) => ms >= review.fromMs);
	let drawnL = 0;
	for (const { ms, habit: id, times, eachL, regime, persons } of lived) {
		for (let opens = sewers[0]; opens !== undefined && opens.ms <= ms; opens = sewers[0]) {
			const { open } = opens;
			sewers.shift();
			for (const { index, tanks, drainsToL } of pools)
				if (tanks.some((tank) => isDrainedBy(open, tank)))
					levels.set(index, Math.min(levels.get(index) ?? 0, drainsToL));
		}
		const habit = rig.habits.find((one) => one.id === id);
		const outlet = rig.outlets.find((one) => one.id === habit?.outlet);
		if (!habit || !outlet) continue;
		const inForce = { ...regime, measures: [...new Set([...regime.measures, ...measures])] };
		// What was already rare by a measure then is not made rarer by it again.
		const rarer = rarityOf(rig, id, inForce.measures) / Math.max(1e-9, rarityOf(rig, id, regime.measures));
		const often = times * rarer * crowdOf(habit, persons, personsBy);
		const flow = flowOf(rig, habit, inForce);
		if (!comesFromOutside(rig, id, inForce)) drawnL += often * litresOf(flow.drawn, eachL);
		// What people add comes though the time is spared.
		const spared = Math.max(0, 1 - rarer) * times * crowdOf(habit, persons, personsBy);
		for (const [tank, amount] of flow.tanks) {
			const index = model.places.get(tank)?.pool.index;
			const before = index === undefined ? undefined : levels.get(index);
			const comesL = often * litresOf(amount, eachL) + spared * (flow.adds.get(tank) ?? 0);
			if (index !== undefined && before !== undefined) levels.set(index, Math.max(0, before + comesL));
		}
		const bound = pools.find(({ index, falls, limitL }) =>
			falls ? (levels.get(index) ?? 0) < limitL - 1e-9 : (levels.get(index) ?? 0) > limitL + 1e-9
		);
		if (!bound) continue;
		served.push({ ms, tank: bound.id });
		for (const { index, beginL } of pools) levels.set(index, beginL);
	}
	const personDays = Math.max(0, review.personDays + personsBy * review.days);
	const [first] = served;
	return {
		drawnL,
		personDays,
		perPersonDayL: personDays > 0 ? drawnL / personDays : undefined,
		served,
		...(first ? { firstDays: (first.ms - review.fromMs) / DAY_MS } : {})
	};
}
