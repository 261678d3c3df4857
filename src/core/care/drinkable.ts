import type { Estimate } from '../estimate/index.js';
import { instantMs, type CareTask, type Entry, type Point, type Rig } from '../logbook/index.js';
import { potableOf } from './potable.js';

/** Whether one may drink a water, from the best to the worst. */
export const DRINKS = ['drinking', 'treated', 'unsure', 'washing'] as const;
export type Drink = (typeof DRINKS)[number];

/** What made a water what it is. */
export type DrinkReason =
	/** nothing is written of what went in */
	| { readonly kind: 'nothing-known' }
	| { readonly kind: 'filled'; readonly entry: string }
	| { readonly kind: 'poured'; readonly entry: string; readonly from: string }
	/** the dose stands in it, and nothing was filled since */
	| { readonly kind: 'sanitised'; readonly entry: string }
	| { readonly kind: 'disinfected'; readonly entry: string };

/** Whether one may drink what is in a fresh tank, since when, and why. */
export interface WaterState {
	readonly tank: string;
	readonly drink: Drink;
	/** absent while nothing is known */
	readonly sinceMs?: number;
	readonly why: DrinkReason;
}

const NOTHING: Omit<WaterState, 'tank'> = { drink: 'unsure', why: { kind: 'nothing-known' } };

const isWorse = (one: Drink, other: Drink): boolean => DRINKS.indexOf(one) > DRINKS.indexOf(other);

/** What a task does to water, where it says so or is of the catalogue. */
const doesOf = ({ does, idea }: CareTask): CareTask['does'] =>
	does ?? (idea === 'sanitise' ? 'sanitise' : undefined);

/** The tank that a task is about: the one it names, the one its litres pass, or the only one that is not carried. */
function tankOf(rig: Rig, { tank, through }: CareTask): string | undefined {
	const fresh = rig.tanks.filter(({ holds, retired }) => holds === 'fresh' && !retired);
	const passed = rig.instruments.find(({ id }) => id === through)?.tank ?? through;
	const builtIn = fresh.filter(({ feeds, portable }) => feeds === undefined && !portable);
	const named = tank ?? fresh.find(({ id }) => id === passed)?.id;
	return named ?? (builtIn.length === 1 ? builtIn[0]?.id : fresh.length === 1 ? fresh[0]?.id : undefined);
}

/** Waters by the pools that they stand in. */
class Waters {
	readonly #held = new Map<number, Omit<WaterState, 'tank'>>();
	readonly #estimate: Estimate;
	readonly #points: readonly Point[];

	constructor(estimate: Estimate, points: readonly Point[]) {
		[this.#estimate, this.#points] = [estimate, points];
	}

	#pool(tank: string): number {
		return this.#estimate.model.places.get(tank)?.pool.index ?? -1;
	}

	of(tank: string): Omit<WaterState, 'tank'> {
		return this.#held.get(this.#pool(tank)) ?? NOTHING;
	}

	/** What comes into a tank: the worst that is in it counts, but for a dose that is rinsed out by it. */
	#come(tank: string, drink: Drink, sinceMs: number, why: DrinkReason): void {
		const before = this.#held.get(this.#pool(tank));
		if (!before || before.why.kind === 'sanitised' || isWorse(drink, before.drink))
			this.#held.set(this.#pool(tank), { drink, sinceMs, why });
	}

	#care({ id, at, task }: Extract<Entry, { kind: 'care' }>): void {
		const { rig } = this.#estimate.model;
		const done = rig.care.find((one) => one.id === task);
		const tank = done && tankOf(rig, done);
		if (!done || tank === undefined) return;
		const does = doesOf(done);
		const sinceMs = instantMs(at);
		if (does === 'sanitise')
			this.#held.set(this.#pool(tank), { drink: 'washing', sinceMs, why: { kind: 'sanitised', entry: id } });
		else if (does === 'disinfect' && this.of(tank).why.kind !== 'sanitised')
			this.#held.set(this.#pool(tank), {
				drink: 'treated',
				sinceMs,
				why: { kind: 'disinfected', entry: id }
			});
	}

	take(entry: Entry): void {
		const { rig } = this.#estimate.model;
		const sinceMs = instantMs(entry.at);
		if (entry.kind === 'fill') {
			const source = rig.sources?.find(({ id }) => id === entry.from);
			const said = potableOf({ ...entry, potable: entry.potable ?? source?.potable }, this.#points);
			const drink = ({ yes: 'drinking', no: 'washing', unknown: 'unsure' } as const)[said];
			this.#come(entry.tank, drink, sinceMs, { kind: 'filled', entry: entry.id });
		} else if (entry.kind === 'transfer') {
			const why: DrinkReason = { kind: 'poured', entry: entry.id, from: entry.fromTank };
			this.#come(entry.toTank, this.of(entry.fromTank).drink, sinceMs, why);
		} else if (entry.kind === 'care') this.#care(entry);
	}
}

/**
 * Whether one may drink what is in each fresh tank. Contamination is not dilution: the worst that went in counts, whatever its
 * share, and running dry and filling anew clears nothing; only sanitising does, for what is filled after it. Water that is poured
 * over brings its state along; a dose for drinking water makes what is in a tank treated.
 *
 * @param points where fills name them and do not say themselves: whether their taps are drinking water
 */
export function waterStates(estimate: Estimate, points: readonly Point[] = []): readonly WaterState[] {
	const waters = new Waters(estimate, points);
	for (const entry of estimate.entries) waters.take(entry);
	return estimate.model.rig.tanks
		.filter(({ holds, retired }) => holds === 'fresh' && !retired)
		.map(({ id }) => ({ tank: id, ...waters.of(id) }));
}
