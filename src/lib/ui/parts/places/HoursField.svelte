<script lang="ts">
	import { hoursFromWords, sayHours } from '$core/places';
	import TextField from '../../kit/fields/TextField.svelte';

	interface Props {
		/** in the open map's syntax */
		open: string | undefined;
		onchange: (open: string | undefined) => void;
		/** whether a text in that syntax can be read; it is asked where words were not understood */
		reads: (open: string) => PromiseLike<boolean | undefined> | undefined;
	}
	/** When a service is open, as people say it. */
	const { open, onchange, reads }: Props = $props();

	const EXAMPLE = 'Apr–Oct, 8–18, not on Sundays';
	// What is typed stays as it is typed while it is understood.
	// svelte-ignore state_referenced_locally
	let typed = $state(open === undefined ? '' : sayHours(open));
	let wrong = $state(false);
	let asked = 0;

	async function understand(text: string): Promise<void> {
		const own = ++asked;
		const plain = text.trim();
		const known = plain === '' ? undefined : (hoursFromWords(plain) ?? ((await reads(plain)) ? plain : ''));
		if (own !== asked) return;
		wrong = known === '';
		if (known !== '') onchange(known);
	}
	const hint = $derived(
		open === undefined ? `Leave blank if always open. For example: ${EXAMPLE}.` : `Open: ${sayHours(open)}.`
	);
</script>

<TextField
	label="Open"
	bind:value={typed}
	{hint}
	error={wrong ? `That is not clear, and is not saved. Try: ${EXAMPLE}.` : undefined}
	onchange={(text) => void understand(text)}
/>
