import { version } from '$app/environment';
import { startEngine } from '$lib/engine';
import { browserNotes, browserPort, browserSecondCopy, browserTurns, recordStore } from '$lib/store';
import { App } from './app.svelte';
import { Preferences } from './prefs.svelte';
import { Presence } from './presence.svelte';

/** The application on this browser's own store and workers. */
export const appInBrowser = (): App =>
	new App({
		store: recordStore({
			records: browserPort('records'),
			meta: browserPort('meta'),
			aside: browserPort('aside'),
			rules: version,
			turns: browserTurns('dipsometer-store')
		}),
		copy: browserSecondCopy(),
		engine: startEngine(),
		prefs: new Preferences(browserPort('prefs')),
		beside: { port: browserPort('prefs'), turns: browserTurns('dipsometer-beside') },
		presence: new Presence(browserNotes('presence'), async () => navigator.storage?.persist?.())
	});
