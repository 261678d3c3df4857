import type { CareTask } from '$core/logbook';
import type { App } from '$lib/state';
import { logSaying } from '../../parts/acts/notify';

/** Writes down that a task was done, now. */
export const doneSaying = (app: App, { id, name }: Pick<CareTask, 'id' | 'name'>): Promise<boolean> =>
	logSaying(app, [{ kind: 'care', task: id, source: 'hand', ...app.nowOnTrip() }], `Done: ${name}`);
