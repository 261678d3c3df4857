import { isAhead, withAll, type Understood } from '$core/quickline';
import type { App } from '$lib/state';
import { v7 as uuid } from 'uuid';
import { logSaying } from '../../parts/acts/notify';

/** Writes what a line was understood as, as one act: first what it adds to the rig, then its entries. */
export function logLine(app: App, { drafts, adds, needs: before, says }: Understood): Promise<boolean> {
	const rig = app.rig?.id;
	// Two phones may say something of days ahead at once.
	const added = adds && isAhead(adds) ? { ...adds, id: uuid() } : adds;
	const needs =
		added && rig !== undefined
			? [
					app.commands.editOf('rig', rig, (newest) =>
						withAll(newest, { adds: added, ...(before ? { needs: before } : {}) })
					)
				]
			: [];
	return logSaying(app, drafts, says, needs);
}
