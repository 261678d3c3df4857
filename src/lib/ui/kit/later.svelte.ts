/**
 * What stands under an answer comes with it, or without it when it takes longer: nothing moves under a thumb. Longer than most
 * answers take on a cheap phone; that one is looked for is said meanwhile.
 */
export const PATIENCE_MS = 6000;

/**
 * What can wait until one has seen what one came for. For use while a component is set up.
 *
 * @param ms so long it waits
 * @param from counted from when this is so; from now on when absent
 */
export function later(ms: number, from: () => boolean = () => true): { readonly over: boolean } {
	let over = $state(false);
	// Counted from the first look on, however long that takes.
	const begun = $derived(from());
	$effect(() => {
		if (!begun) return;
		const waiting = setTimeout(() => (over = true), ms);
		return () => clearTimeout(waiting);
	});
	return {
		get over() {
			return over;
		}
	};
}
