import { DAY_MS, modelOf, personsAt, type Estimate, type Model } from '../estimate/index.js';
import { litresOf } from '../habits/index.js';
import { instantMs, type Rig } from '../logbook/index.js';
import { flowOf, neverBinds, rarityOf, type Regime } from '../rig/index.js';
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
export interface Served {
	readonly ms: number;
	readonly tank: string;
}

/** A stretch lived again. */
export interface Relived {
	readonly drawnL: number;
	readonly perPersonDayL: number | undefined;
	readonly personDays: number;
	/** each time that a tank came to its end, had one set out full and empty and served everything then */
	readonly served: readonly Served[];
	/** days until the first of them; absent where all held */
	readonly firstDays?: number;
	/** the share of each tank's room that is taken at the end, 0 … 1, by tank: which one is next */
	readonly takenAtEnd: readonly { readonly tank: string; readonly share: number }[];
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

/** At these hours of its span what nobody wrote down is put. */
const PARTS = 4;

/** Everything that was lived in a stretch, one after the other, as the log and its readings tell it. */
function livedIn(
	estimate: Estimate,
	review: Review
): { readonly lived: readonly Lived[]; readonly sewerAt: readonly number[] } {
	const { model, belief, entries } = estimate;
	const { fromMs, toMs, parts } = review;
	const lived: Lived[] = [];
	const sewerAt: number[] = [];
	const steps: { readonly ms: number; readonly regime: Regime }[] = [];
	let regime: Regime = { mains: false, sewer: false, measures: [] };
	for (const entry of entries) {
		const ms = instantMs(entry.at);
		if (entry.kind === 'hookup') {
			if (entry.sewer && !regime.sewer && ms >= fromMs) sewerAt.push(ms);
			regime = { ...regime, mains: entry.mains, sewer: entry.sewer };
		} else if (entry.kind === 'measure') {
			const others = regime.measures.filter((id) => id !== entry.measure);
			regime = { ...regime, measures: entry.on ? [...others, entry.measure] : others };
		}
		if (entry.kind === 'hookup' || entry.kind === 'measure') steps.push({ ms, regime });
		if (entry.kind !== 'use' || ms < fromMs) continue;
		const habit = model.habits.get(entry.habit);
		if (!habit) continue;
		const { perLitre, fixed } = model.flow(habit, regime).drawn;
		const believed = Math.max(0, belief.mean[model.habit.get(habit.id) ?? -1] ?? 0);
		const measured =
			entry.litres !== undefined && perLitre > 0 && entry.times > 0
				? Math.max(0, (entry.litres / entry.times - fixed) / perLitre)
				: believed;
		lived.push({
			ms,
			habit: habit.id,
			times: entry.times,
			eachL: measured,
			regime,
			persons: personsAt(model.crew, ms)
		});
	}
	// What nobody wrote down: each part of the stretch its own litres, divided among habits as over all of it.
	const unlogged = review.habits.filter(({ unloggedL }) => unloggedL > 0);
	const all = unlogged.reduce((sum, { unloggedL }) => sum + unloggedL, 0);
	for (const part of parts) {
		if (!(part.unloggedL > 0) || !(all > 0)) continue;
		for (let i = 0; i < PARTS; i++) {
			const ms = part.fromMs + ((i + 0.5) / PARTS) * (part.toMs - part.fromMs);
			const then = steps.findLast((step) => step.ms <= ms)?.regime ?? {
				mains: false,
				sewer: false,
				measures: []
			};
			for (const { id, unloggedL } of unlogged) {
				const habit = model.habits.get(id);
				if (!habit) continue;
				const eachL = Math.max(1e-3, belief.mean[model.habit.get(id) ?? -1] ?? 0);
				const drawn = litresOf(model.flow(habit, then).drawn, eachL);
				if (!(drawn > 0)) continue;
				const litres = (part.unloggedL * unloggedL) / all / PARTS;
				lived.push({
					ms,
					habit: id,
					times: litres / drawn,
					eachL,
					regime: then,
					persons: personsAt(model.crew, ms)
				});
			}
		}
	}
	return { lived: lived.filter(({ ms }) => ms <= toMs).sort((a, b) => a.ms - b.ms), sewerAt };
}

/** The pools of a rig that end a stay, with the level at which they do. */
function poolsOf(rig: Rig, model: Model) {
	return model.pools.flatMap(({ index, tanks, usableL, emptyL }) => {
		const [first] = tanks;
		if (!first || tanks.every((tank) => neverBinds(rig, tank))) return [];
		const falls = first.holds === 'fresh';
		const reserve = tanks.reduce((sum, { reserveL }) => sum + reserveL, 0);
		return [
			{
				index,
				id: first.id,
				falls,
				beginL: falls ? usableL : Math.min(emptyL, usableL),
				limitL: falls ? reserve : Math.max(0, usableL - reserve),
				onSewer: !falls && first.portable !== true
			}
		];
	});
}

/**
 * Lives a stretch again as it was written down and read, use by use, in a rig, with measures or with a crew that are
 * otherwise: setting out full and empty, and serving everything each time that a tank comes to its end. So that two ways can be
 * compared, the stretch as it was is lived by the same rule.
 *
 * @param review of the same estimate, told by its days
 */
export function relive(estimate: Estimate, review: Review, otherwise: Otherwise = {}): Relived {
	const { rig = estimate.model.rig, measures = [], personsBy = 0 } = otherwise;
	const { lived, sewerAt } = livedIn(estimate, review);
	const model = modelOf(rig, [], []);
	const pools = poolsOf(rig, model);
	const levels = new Map(pools.map(({ index, beginL }) => [index, beginL]));
	const served: Served[] = [];
	const sewers = [...sewerAt];
	let drawnL = 0;
	for (const { ms, habit: id, times, eachL, regime, persons } of lived) {
		for (let opens = sewers[0]; opens !== undefined && opens <= ms; opens = sewers[0]) {
			sewers.shift();
			for (const { index, onSewer, beginL } of pools)
				if (onSewer) levels.set(index, Math.min(levels.get(index) ?? 0, beginL));
		}
		const habit = rig.habits.find((one) => one.id === id);
		const outlet = rig.outlets.find((one) => one.id === habit?.outlet);
		if (!habit || !outlet) continue;
		const inForce = { ...regime, measures: [...new Set([...regime.measures, ...measures])] };
		// What was already rare by a measure then is not made rarer by it again.
		const rarer = rarityOf(rig, id, inForce.measures) / Math.max(1e-9, rarityOf(rig, id, regime.measures));
		const crowd =
			habit.often.per === 'day'
				? persons + personsBy > 0
					? 1
					: 0
				: Math.max(0, persons + personsBy) / Math.max(1, persons);
		const often = times * rarer * crowd;
		const flow = flowOf(rig, habit, inForce);
		const outside = rig.measures.some(
			(one) => one.habit === id && one.effect.kind === 'outside' && inForce.measures.includes(one.id)
		);
		if (!outside) drawnL += often * litresOf(flow.drawn, eachL);
		for (const [tank, amount] of flow.tanks) {
			const index = model.places.get(tank)?.pool.index;
			const before = index === undefined ? undefined : levels.get(index);
			if (index !== undefined && before !== undefined)
				levels.set(index, Math.max(0, before + often * litresOf(amount, eachL)));
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
		...(first ? { firstDays: (first.ms - review.fromMs) / DAY_MS } : {}),
		takenAtEnd: pools.map(({ index, id, beginL, limitL }) => ({
			tank: id,
			share: Math.min(
				1,
				Math.max(0, Math.abs((levels.get(index) ?? 0) - beginL) / Math.max(1e-9, Math.abs(limitL - beginL)))
			)
		}))
	};
}
