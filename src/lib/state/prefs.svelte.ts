import { METRIC, type UnitChoice } from '$core/units';
import type { KeyValuePort } from '$lib/store';

export type Theme = 'day' | 'dusk' | 'night';

export interface Prefs {
	readonly units: UnitChoice;
	readonly theme: Theme;
	/** the rig that was open last */
	readonly rig?: string;
	/** name put to the entries of this device */
	readonly by?: string;
}

const DEFAULTS: Prefs = { units: METRIC, theme: 'day' };
const KEY = 'prefs';

/** What a person chose on this device; it is not part of the logbook. */
export class Preferences {
	current = $state.raw<Prefs>(DEFAULTS);
	readonly #port: KeyValuePort;

	constructor(port: KeyValuePort) {
		this.#port = port;
	}

	async load(): Promise<void> {
		const kept = await this.#port.get(KEY);
		if (typeof kept === 'object' && kept !== null) this.current = { ...DEFAULTS, ...kept };
	}

	async set(change: Partial<Prefs>): Promise<void> {
		this.current = { ...this.current, ...change };
		await this.#port.set(KEY, this.current);
	}
}
