<script lang="ts">
	import { NO_UNDO } from '$core/words';
	import type { App } from '$lib/state';
	import { forgetChoices } from '$lib/state/choosing';
	import { recordBeside } from '$lib/state/recordBook.svelte';
	import { listeningBeside } from '$lib/state/listening.svelte';
	import { sharingBeside } from '$lib/state/sharing.svelte';
	import { runsBeside } from '$lib/state/runBook.svelte';
	import { downloadLogbook } from '../../parts/acts/saveLogbook';

	/** Takes everything out of this browser, once it has been saved. */
	const { app }: { app: App } = $props();
	let saved = $state(false);
	let sure = $state(false);

	/** What is kept beside the logbook goes with it. */
	async function wipe(): Promise<void> {
		await app.wipe();
		const book = runsBeside(app);
		await book.clear();
		await recordBeside(app).clear();
		await sharingBeside(app).clear();
		await listeningBeside(app).clear();
		await forgetChoices(app.prefs, app.beside.port);
		book.close();
	}
</script>

<p>{NO_UNDO}</p>
<p class="buttons">
	<button
		onclick={() => {
			downloadLogbook(app);
			saved = true;
		}}>1. Save a copy</button
	>
	<label class="check"
		><input type="checkbox" bind:checked={sure} disabled={!saved} /> 2. I have the copy</label
	>
	<button class="danger" disabled={!saved || !sure} onclick={() => void wipe()}>3. Wipe this browser</button>
</p>

<style>
	.danger:enabled {
		border-color: var(--caution);
		color: var(--caution);
	}
</style>
