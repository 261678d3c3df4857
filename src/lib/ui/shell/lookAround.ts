import { errorMessage } from '$lib/errorMessage';
import type { App } from '$lib/state';

/** Makes the demo rigs, here and now, so that their trips are under way. */
export const makeDemo = (app: App) => app.engine.makeDemo(Date.now());

/**
 * Shows the demo rigs where nothing is kept yet, and puts them in the store; where that fails, it is said.
 *
 * @param making where they are being made already
 */
export async function lookAround(app: App, rig = 'demo-wren', making = makeDemo(app)): Promise<void> {
	try {
		const [made] = await Promise.all([making, app.choose({ rig })]);
		// They are seen before they are stored: nobody has written them, and what is logged from now on is stored after them.
		const stored = app.commands.put(made, 'Demo');
		app.records.show(made);
		await stored;
		app.commands.history.clear();
	} catch (error) {
		app.trouble = `The demo rigs couldn’t be opened: ${errorMessage(error)}. Reload the page when there is a signal.`;
	}
}
