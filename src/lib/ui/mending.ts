import type { Mend } from '$core/verdict';
import type { App } from '$lib/state';
import { toast } from './toast.svelte';

/** Does what mends a finding, and says so with a way back. */
export const mending =
	(app: App) =>
	async (mend: Mend, label: string): Promise<void> => {
		if (await app.mend(mend, label))
			toast(`Done: ${label.charAt(0).toLowerCase()}${label.slice(1)}`, {
				action: { label: 'Undo', onClick: () => void app.undo() }
			});
	};
