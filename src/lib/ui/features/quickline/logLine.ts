import { withAddition, type Understood } from '$core/quickline';
import type { App } from '$lib/state';
import { logSaying } from '../../parts/acts/notify';

/** Writes what a line was understood as, as one act: first what it adds to the rig, then its entries. */
export function logLine(app: App, { drafts, adds, says }: Understood): Promise<boolean> {
	const rig = app.rig?.id;
	const needs =
		adds && rig !== undefined
			? [app.commands.editOf('rig', rig, (newest) => withAddition(newest, adds))]
			: [];
	return logSaying(app, drafts, says, needs);
}
