<script lang="ts">
	import { goto } from '$app/navigation';
	import type { Setup } from '$core/runs';
	import { errorMessage } from '$lib/errorMessage';
	import type { App } from '$lib/state';
	import type { RunBook } from '$lib/state/runBook.svelte';

	interface Props {
		app: App;
		book: RunBook;
		rig: string;
		/** what is asked for does not stand yet */
		disabled: boolean;
		/** the run as it is asked for; nothing where there is nothing to do */
		setup: () => Promise<Setup | undefined> | Setup | undefined;
		/** what the button says */
		does?: string;
	}
	/** Begins a run as it was asked for, and goes to it. */
	const { app, book, rig, disabled, setup, does = 'Begin' }: Props = $props();

	let trouble = $state<string>();
	let busy = $state(false);

	async function begin(): Promise<void> {
		busy = true;
		trouble = undefined;
		try {
			const found = await setup();
			if (found) await goto(`/run/${await book.begin(rig, found, app.nowIso())}`, { replaceState: true });
			else trouble = 'There is nothing to do.';
		} catch (error) {
			trouble = errorMessage(error);
		} finally {
			busy = false;
		}
	}
</script>

{#if trouble}<p class="mind" role="alert">{trouble}</p>{/if}
<button class="primary big" disabled={disabled || busy} onclick={() => void begin()}>{does}</button>
