import { errorMessage } from '$lib/errorMessage';
import type { App } from '$lib/state';
import { takeIn } from '$lib/engine';

/** The makers of the demo rigs: fetched when somebody wants to look around. */
export const demoMakers = () => import('$demo/index');

/** Puts the demo rigs in the store; made here and now, so that their trips are under way. Where that fails, it is said. */
export async function lookAround(app: App, rig = 'demo-wren'): Promise<void> {
	try {
		const [{ demoLogbook }] = await Promise.all([demoMakers(), app.choose({ rig })]);
		const logbook = demoLogbook(Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone);
		await app.commands.takeIn(takeIn(app.records.logbook(), logbook).changes, 'Demo');
		app.commands.history.clear();
	} catch (error) {
		app.trouble = `The demo rigs couldn’t be opened: ${errorMessage(error)}. Try again when there is a network.`;
	}
}
