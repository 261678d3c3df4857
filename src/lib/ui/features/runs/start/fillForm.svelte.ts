import type { Meter, Rig } from '$core/logbook';
import {
	lastShown,
	passedSince,
	plannedFills,
	type FillTarget,
	type FillWish,
	type PlannedFill
} from '$core/runs';
import { isCarried } from '$core/rig';
import type { App } from '$lib/state';
import { placesFor, stopAtHand, waterAt } from './sources';

export type HowMuch = 'full' | 'litres' | 'mass' | 'until' | 'plan';
export type Drinkable = 'yes' | 'no' | 'unsaid';

/** What the address asks for. */
export interface FillWanted {
	readonly tank: string | null;
	/** the stop of a trip that it is planned for; where one is, when absent */
	readonly stop: string | null;
	readonly planned: boolean;
}

/** What a person says before a fill, as it is being said. */
export class FillForm {
	readonly #app: App;
	readonly #rig: Rig;
	readonly #stop: string | null;
	/** ticked by the person; until then what the plan fills, which may come a moment later, or the emptiest */
	#ticked = $state.raw<readonly string[] | undefined>();
	readonly #first: readonly string[];
	/** chosen by the person; until then what the address asks for, which may come a moment later */
	#chosen = $state<HowMuch | undefined>();
	readonly #planned: boolean;
	readonly #byPlan: boolean;
	litres = $state<number | undefined>();
	kg = $state<number | undefined>();
	untilMs = $state(0);
	certainty = $state(0.9);
	place = $state('');
	drinkable = $state<Drinkable>('unsaid');
	pressure = $state(false);
	reads = $state<number | undefined>();
	into = $state<'tank' | 'elsewhere'>('elsewhere');
	flowLpm = $state<number | undefined>();

	constructor(app: App, rig: Rig, wanted: FillWanted) {
		this.#stop = wanted.stop;
		this.#planned = wanted.planned;
		this.#app = app;
		this.#rig = rig;
		const fresh = rig.tanks.filter(({ holds }) => holds === 'fresh');
		const first =
			fresh.find(({ id }) => id === wanted.tank) ??
			fresh
				.filter((tank) => !isCarried(rig, tank))
				.sort((a, b) => this.#share(a.id) - this.#share(b.id))[0] ??
			fresh[0];
		this.#first = first ? [first.id] : [];
		this.#byPlan = wanted.planned && wanted.tank === null;
		const here = this.here;
		if (here?.point !== undefined && this.places.some(({ id }) => id === here.point)) this.place = here.point;
		this.takePlace(this.place);
		this.reads = this.lastShows;
	}

	/** What a plan fills is chosen beforehand: the tank, and the jugs that there is room in. */
	get tanks(): readonly string[] {
		if (this.#ticked) return this.#ticked;
		return this.#byPlan && this.fills.length > 0 ? this.fills.map(({ tank }) => tank) : this.#first;
	}

	#share(tank: string): number {
		const level = this.#app.engine.assessment?.levels.tanks.find(({ id }) => id === tank);
		return level ? level.litres / Math.max(1, level.usableL) : 0;
	}

	get how(): HowMuch {
		return this.#chosen ?? (this.#planned && this.planL !== undefined ? 'plan' : 'full');
	}
	set how(how: HowMuch) {
		this.#chosen = how;
	}

	get here() {
		return stopAtHand(this.#app, this.#stop);
	}
	get places() {
		return placesFor(this.#app.records.points, ['water', 'mains'], this.here);
	}
	get #plannedWater() {
		const { plan, due } = this.#app.engine.assessment ?? {};
		const service =
			this.#stop === null ? due?.service : plan?.services.find(({ stop }) => stop === this.#stop);
		return service?.water;
	}
	/** What is planned where one is, litres in all fresh tanks together. */
	get planL(): number | undefined {
		return this.#plannedWater?.litres;
	}
	/** What of that goes into which tank, as they stand now. */
	get fills(): readonly PlannedFill[] {
		const levels = this.#app.engine.assessment?.levels.tanks ?? [];
		const water = this.#plannedWater;
		return water ? plannedFills(this.#rig, water, new Map(levels.map(({ id, litres }) => [id, litres]))) : [];
	}
	/** How much of what is planned goes into a tank. */
	plannedInto(tank: string): FillTarget {
		const fill = this.fills.find((one) => one.tank === tank);
		return fill && 'litres' in fill ? { kind: 'litres', litres: fill.litres } : { kind: 'full' };
	}
	/** The meters on the hose into the first tank. */
	get meter(): Meter | undefined {
		return this.#rig.instruments.find(
			(one): one is Meter => one.kind === 'meter' && one.place === 'fill' && one.tank === this.tanks[0]
		);
	}
	get lastShows(): number | undefined {
		return this.meter && lastShown(this.meter, this.#entries);
	}
	get #entries() {
		return this.#app.rigEntries.filter((entry) => !entry.void);
	}
	/** What passed the meter since it was last read; nothing to ask where that is nothing. */
	get passed() {
		return this.meter && this.reads !== undefined
			? passedSince(this.#rig, this.#entries, this.meter.id, this.reads)
			: undefined;
	}

	/** A place is chosen: what is known of its water is taken over. */
	takePlace(id: string): void {
		this.place = id;
		const known = waterAt(
			this.places.find((one) => one.id === id),
			id === '' ? undefined : this.here
		);
		this.drinkable = known?.potable === undefined ? 'unsaid' : known.potable ? 'yes' : 'no';
		this.pressure = known?.kind === 'mains';
		this.flowLpm = known?.flowLpm;
	}

	toggle(tank: string, on: boolean): void {
		const before = this.tanks[0];
		this.#ticked = on ? [...this.tanks, tank] : this.tanks.filter((id) => id !== tank);
		if (this.tanks[0] !== before) this.reads = this.lastShows;
	}

	/** How much goes into the first tank; nothing while that is not said. */
	get target(): FillTarget | undefined {
		switch (this.how) {
			case 'full':
				return { kind: 'full' };
			case 'litres':
				return positive(this.litres);
			case 'mass':
				// A litre weighs a kilogram.
				return positive(this.kg);
			case 'plan':
				return this.tanks[0] === undefined ? undefined : this.plannedInto(this.tanks[0]);
			case 'until':
				return this.untilMs > this.#app.nowMs
					? { kind: 'until', untilMs: this.untilMs, certainty: this.certainty }
					: undefined;
		}
	}

	/** All of it; nothing while something is missing. */
	get wish(): FillWish | undefined {
		const { target, meter } = this;
		if (!target || this.tanks.length === 0) return undefined;
		return {
			// What comes after the first by the same hose is filled to the brim: a jug, a can, a bag.
			tanks: this.tanks.map((tank, i) => ({
				tank,
				target: i === 0 ? target : this.how === 'plan' ? this.plannedInto(tank) : { kind: 'full' }
			})),
			source: {
				...(this.place === '' ? {} : { point: this.place }),
				...(this.drinkable === 'unsaid' ? {} : { potable: this.drinkable === 'yes' }),
				...(this.pressure ? { pressure: true } : {})
			},
			...(meter && this.reads !== undefined
				? { meter: { id: meter.id, reads: this.reads, into: this.into } }
				: {}),
			...(this.flowLpm !== undefined && this.flowLpm > 0 ? { flowLpm: this.flowLpm } : {})
		};
	}
}

const positive = (litres: number | undefined): FillTarget | undefined =>
	litres !== undefined && litres > 0 ? { kind: 'litres', litres } : undefined;
