<script lang="ts">
	import { sayAgo } from '$core/words';
	import type { App } from '$lib/state';
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
	The logbook lives here and works without a network.
	{app.records.copyTrouble
		? `There is no second copy: ${app.records.copyTrouble}.`
		: 'A second copy is written with every entry.'}
</p>
{#if app.presence.isFileOld(app.nowMs)}
	<Notice
		><p>
			{here?.savedMs === undefined
				? `It has not been saved to a file yet, with ${since} entries in it.`
				: `Its newest file is from ${sayAgo(here.savedMs, app.nowMs, app.timeZone)}, with ${since} entries since.`}
			A file survives a lost phone.
		</p></Notice
	>
{:else}
	<p class="soft">
		{here?.savedMs === undefined
			? 'It has not been saved to a file yet.'
			: `Its newest file is from ${sayAgo(here.savedMs, app.nowMs, app.timeZone)}.`}
	</p>
{/if}
{#if persisted}
	<p class="soft">The browser has promised to keep it.</p>
{:else}
	<p>
		A browser short of space may clear it unless it promises not to.
		<button onclick={() => void keepForGood()}>Ask the browser to keep it</button>
		{#if asked && !persisted}<span class="soft">It did not promise. Save a file now and then.</span>{/if}
	</p>
{/if}
