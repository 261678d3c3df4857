import type { FindingMend } from '$core/findings';
import type { EntryDraft } from '$core/logbook';
import type { App } from '$lib/state';
import type { Edit } from '$lib/store';
import { toast } from '../../kit/toast.svelte';

/** Says in passing what was done, with a button that takes it back. */
export const notifyDone = (app: App, message: string): void =>
	toast(message, { action: { label: 'Undo', onClick: () => void undoSaying(app) } });

/** Takes back the last thing done, and says so. */
export async function undoSaying(app: App): Promise<void> {
	const act = await app.commands.undo();
	// What could not be taken back still stands there, and why is said above.
	if (!act && app.commands.history.done.length > 0) return;
	toast(
		act ? `Undone: ${act.label}` : 'Nothing to undo.',
		act ? { action: { label: 'Redo', onClick: () => void redoSaying(app) } } : {}
	);
}

/** Does again what was taken back, and says so. */
export async function redoSaying(app: App): Promise<void> {
	const act = await app.commands.redo();
	if (!act && app.commands.history.undone.length > 0) return;
	toast(act ? `Redone: ${act.label}` : 'Nothing to redo.');
}

/** Logs entries as one act, in their order, and says so; what they need in the rig is put there in the same act. */
export async function logSaying(
	app: App,
	drafts: readonly EntryDraft[],
	says: string,
	needs: readonly Edit[] = []
): Promise<boolean> {
	const changes = drafts.map((draft) => ({ kind: 'entry', value: app.commands.entryFrom(draft) }) as const);
	const kept = await app.commands.put(changes, says, needs);
	if (kept) notifyDone(app, says);
	return kept;
}

/** Does what mends a finding, and says so. */
export async function mendSaying(app: App, mend: FindingMend, label: string): Promise<void> {
	if (await app.commands.mend(mend, label))
		notifyDone(app, `Done: ${label.charAt(0).toLowerCase()}${label.slice(1)}`);
}
