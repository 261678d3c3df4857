<script lang="ts">
	import { MAY_BE_CLEARED, sayKeptHere, sayNewestFile } from '$core/words';
	import type { App } from '$lib/state';
	import { isFileOld } from '$lib/state/fileAge';
	import { onMount } from 'svelte';
	import Notice from '../../kit/page/Notice.svelte';

	/** How safe the logbook is in this browser: whether it is kept, where its second copy is, how old the newest file. */
	const { app }: { app: App } = $props();
	let persisted = $state<boolean>();
	let asked = $state(false);

	onMount(() => {
		void navigator.storage?.persisted?.().then((kept) => (persisted = kept));
	});
	async function keepForGood(): Promise<void> {
		persisted = await navigator.storage?.persist?.();
		asked = true;
	}
	const here = $derived(app.presence.current);
	const since = $derived((here?.entries ?? 0) - (here?.savedEntries ?? 0));
</script>

<p>
	{sayKeptHere(app.records.copyTrouble)}
</p>
{#if isFileOld(app.presence.current, app.nowMs)}
	<Notice
		><p>
			{sayNewestFile(here?.savedMs, since, app.nowMs, app.timeZone)}
		</p></Notice
	>
{:else}
	<p class="soft">
		{sayNewestFile(here?.savedMs, undefined, app.nowMs, app.timeZone)}
	</p>
{/if}
{#if persisted}
	<p class="soft">The browser has promised to keep it.</p>
{:else}
	<p>
		{MAY_BE_CLEARED}
		<button onclick={() => void keepForGood()}>Ask the browser to keep it</button>
		{#if asked && !persisted}<span class="soft">It did not promise. Save a file now and then.</span>{/if}
	</p>
{/if}
