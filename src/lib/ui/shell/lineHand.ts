import type { Effect } from '$core/now';
import type { Understood } from '$core/quickline';
import type { App } from '$lib/state';

/** What the quick line asks of the application once somebody turns to it. */
export { actsNamed } from './acts';
export { logLine } from '../features/quickline/grammar';

/** What a choice would do to the stay; nothing for what it only adds to the rig. */
export async function effectOf(app: App, { drafts, adds }: Understood): Promise<Effect | undefined> {
	if (adds && 'from' in adds) return app.engine.ask('now/effectOfDays', adds);
	if (adds) return undefined;
	return app.engine.ask(
		'now/effect',
		drafts.map((draft, i) => app.commands.entryFrom(draft, `preview-${i}`))
	);
}
