import type { PlanSeen } from '$core/plan';
import type { Ask } from '$lib/engine';
import { METRIC, type UnitChoice } from '$core/units';
import type { KeyValuePort } from '$lib/store';

export type Theme = 'day' | 'dusk' | 'night';

/** Until when one wants to stay, how sure, and what one will not do for it. */
export interface KeptGoal {
	readonly rig: string;
	/** an instant */
	readonly until: string;
	readonly certainty: number;
	/** measures that are not to be asked for */
	readonly without: readonly string[];
}

/** A habit that is being measured: a reload in the middle loses nothing. */
export interface Measuring {
	readonly rig: string;
	readonly habit: string;
	readonly meter: string;
	readonly times: number;
	/** what the meter showed, in its own units, and when */
	readonly before: number;
	readonly at: string;
}

/** The plan of the trip at hand as it was last seen, what has changed in it, and what is asked of it. */
export interface KeptPlan {
	readonly seen: PlanSeen & { readonly edited: string; readonly written: number };
	/** what has changed, until it is read */
	readonly note?: string;
	/** stops that were passed by, until it is said what was done there */
	readonly asks: readonly Ask[];
	/** ids of stops that were asked about: once is enough */
	readonly asked: readonly string[];
}

/** A meter that counts by itself and is listened to on this device. */
export interface ListeningTo {
	readonly meter: string;
	/** days for which its samples are kept here */
	readonly keepDays: number;
	/** a use that has at least this chance is logged by itself; none is, where it is absent */
	readonly sure?: number | undefined;
}

export interface Prefs {
	readonly units: UnitChoice;
	readonly theme: Theme;
	/** the rig that was open last */
	readonly rig?: string;
	/** until when one wants to stay, as last asked */
	readonly goal?: KeptGoal;
	/** a habit that is being measured by a meter: what the meter showed before */
	readonly measuring?: Measuring;
	/** the plan as it was last seen */
	readonly plan?: KeptPlan;
	/** people, gear, food: what else of the payload is aboard, kg, by rig */
	readonly otherKg?: Readonly<Record<string, number>>;
	/** the waste hose, metres, by rig; 0 where it is poured */
	readonly hoseM?: Readonly<Record<string, number>>;
	/** single letters are keys: yes where absent */
	readonly letterKeys?: boolean;
	/** what was proposed to be done next and is done or waved away, by rig */
	readonly waved?: Readonly<Record<string, readonly string[]>>;
	/** tiles of one's own server on the map, `https://…/{z}/{x}/{y}.png`; none where absent */
	readonly tiles?: string;
	/** how many times as wide forecasts are drawn, as their own record asks, by rig */
	readonly spread?: Readonly<Record<string, number>>;
	/** since when that record counts, ms, by rig */
	readonly recordSince?: Readonly<Record<string, number>>;
	/** steps of draining down and of the way back that are ticked, by rig */
	readonly layUp?: Readonly<Record<string, readonly string[]>>;
	/** a cold night that was typed, by rig: its low, °C, who is there, and until when it counts, ms */
	readonly coldNight?: Readonly<
		Record<string, { readonly minC: number; readonly lived: boolean; readonly untilMs: number }>
	>;
	/** a trip that is being written in lines: a reload loses nothing; of the trip that is changed, or a new one */
	readonly tripText?:
		| {
				readonly rig: string;
				readonly text: string;
				readonly from: string;
				readonly trip?: string;
				/** the version of that trip that it began from */
				readonly edited?: string | undefined;
		  }
		| undefined;
	/** meters that are listened to, by rig */
	readonly listening?: Readonly<Record<string, ListeningTo>>;
	/** name put to the entries of this device */
	readonly by?: string;
}

/** What is chosen anew, perhaps by what stands when its turn comes. */
export type PrefsChange = Partial<Prefs> | ((now: Prefs) => Partial<Prefs>);

export const DEFAULTS: Prefs = { units: METRIC, theme: 'day' };
/** Under which they are kept. */
export const KEY = 'prefs';

/** What a person chose on this device; it is not part of the logbook. Tabs share it, but for the rig that each looks at. */
export class Preferences {
	current = $state.raw<Prefs>(DEFAULTS);
	readonly #port: KeyValuePort;
	#queue: Promise<unknown> = Promise.resolve();

	constructor(port: KeyValuePort) {
		this.#port = port;
	}

	async load(): Promise<void> {
		this.current = { ...DEFAULTS, ...((await this.#port.get(KEY)) as Partial<Prefs> | undefined) };
	}

	/**
	 * Keeps a choice beside those of other tabs, then shows it: what is seen is there after a reload too. Where it cannot be kept it is
	 * shown all the same.
	 */
	set(change: PrefsChange): Promise<void> {
		return this.inTurn(async () => (await import('./choosing')).keepChoice(this, this.#port, change));
	}

	/** Does something with what is chosen, after what was asked for before. */
	inTurn<T>(does: () => Promise<T>): Promise<T> {
		const turn = this.#queue.then(does);
		this.#queue = turn.catch(() => undefined);
		return turn;
	}
}
