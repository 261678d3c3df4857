import type { ExternalToast } from 'svelte-sonner';

let wanted = $state(false);

/** Whether anything has been said yet: what shows it is loaded only then. */
export const toaster = {
	get wanted(): boolean {
		return wanted;
	}
};

/** Says in passing what was done, perhaps with a button that takes it back. */
export function toast(message: string, options?: ExternalToast): void {
	wanted = true;
	import('svelte-sonner').then(
		(sonner) => void sonner.toast(message, options),
		(error: unknown) => console.warn(`Couldn’t be shown: ${message}`, error)
	);
}
