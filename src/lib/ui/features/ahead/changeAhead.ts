import type { Ahead, Habit } from '$core/logbook';
import type { App } from '$lib/state';
import { notifyDone } from '../../parts/acts/notify';

/** Changes the days of the rig that are said to be unlike others, and says so. */
export async function changeAhead(
	app: App,
	change: (ahead: readonly Ahead[]) => readonly Ahead[],
	label: string,
	/** habits that these days are the first to have */
	added: readonly Habit[] = []
): Promise<void> {
	const rig = app.liveRig?.id;
	if (rig === undefined) return;
	const kept = await app.commands.change(
		'rig',
		rig,
		(newest) => ({
			...newest,
			habits: added.length > 0 ? [...newest.habits, ...added] : newest.habits,
			ahead: change(newest.ahead ?? [])
		}),
		label
	);
	if (kept) notifyDone(app, label);
}
