import type { KeyValuePort } from '$lib/store';
import { dequal } from 'dequal';
import { DEFAULTS, KEY, type Preferences, type Prefs, type PrefsChange } from './prefs.svelte';

/** Told to other tabs: something was chosen. */
export const CHOSEN = 'dipsometer-chosen';

function tellOthers(): void {
	const others = new BroadcastChannel(CHOSEN);
	others.postMessage(null);
	others.close();
}

/**
 * What is kept, by whatever tab, in place of what this one knows: each looks at a rig of its own, and what has stayed the same stays
 * the same object, so that nobody asks anew for it.
 */
function keptBeside(now: Prefs, kept: Prefs): Prefs {
	const next = { ...kept, ...(kept.rig !== undefined && now.rig !== undefined && { rig: now.rig }) };
	if (dequal(next, now)) return now;
	const same = Object.entries(now).filter(([key, value]) => dequal(value, next[key as keyof Prefs]));
	return { ...next, ...Object.fromEntries(same) };
}

/** Of these something was chosen that could not be kept: what is kept is older. */
const ahead = new WeakSet<Preferences>();

async function newest(prefs: Preferences, port: KeyValuePort): Promise<Prefs> {
	const kept = ahead.has(prefs) ? undefined : await port.get(KEY);
	return typeof kept === 'object' && kept !== null
		? keptBeside(prefs.current, { ...DEFAULTS, ...kept })
		: prefs.current;
}

/** Takes over what another tab has chosen. @returns whether that is something else than before */
export const followChoices = (prefs: Preferences, port: KeyValuePort): Promise<boolean> =>
	prefs.inTurn(async () => {
		const before = prefs.current;
		prefs.current = await newest(prefs, port);
		return prefs.current !== before;
	});

/** In its turn: keeps a choice beside those of other tabs, then shows it; where it cannot be kept it is shown all the same. */
export async function keepChoice(prefs: Preferences, port: KeyValuePort, change: PrefsChange): Promise<void> {
	const changed = (now: Prefs): Prefs => ({
		...now,
		...(typeof change === 'function' ? change(now) : change)
	});
	let next = changed(prefs.current);
	try {
		next = changed(await newest(prefs, port));
		ahead.add(prefs);
		await port.set(KEY, next);
		ahead.delete(prefs);
		tellOthers();
	} finally {
		prefs.current = next;
	}
}

/** Lets go of all that is of a logbook or of who keeps it, in every tab; how things look here stays. */
export const forgetChoices = (prefs: Preferences, port: KeyValuePort): Promise<void> =>
	prefs.inTurn(async () => {
		const { units, theme, letterKeys, tiles } = prefs.current;
		const look = {
			units,
			theme,
			...(letterKeys === undefined ? {} : { letterKeys }),
			...(tiles && { tiles })
		};
		await port.set(KEY, look);
		ahead.delete(prefs);
		prefs.current = look;
		tellOthers();
	});
