import { browserPort, recordStore } from '$lib/store';
import { startEngine } from '$lib/workers/engine';
import { App } from './app.svelte';
import { Preferences } from './prefs.svelte';

/** The application on this browser's own store and worker. */
export const appInBrowser = (): App =>
	new App(
		recordStore({ records: browserPort('records'), meta: browserPort('meta'), aside: browserPort('aside') }),
		startEngine(),
		new Preferences(browserPort('prefs'))
	);
