<script lang="ts">
	import { sayAgo, STAYS_HERE } from '$core/words';
	import type { App } from '$lib/state';
	import Notice from '../kit/page/Notice.svelte';
	import Aside from '../features/data/Aside.svelte';
	import ImportLogbook from '../features/exchange/ImportLogbook.svelte';
	import { opened } from '../../state/opened.svelte';
	import OwnRig from '../features/data/OwnRig.svelte';
	import { lookAround } from './lookAround';

	/** What a newcomer is asked; and what is said to an owner whose logbook is gone. */
	const { app }: { app: App } = $props();

	let way = $state<'choose' | 'own' | 'size' | 'file'>('choose');
	// A file that the device opened with the application is what one came for.
	$effect(() => {
		if (opened.file) way = 'file';
	});
	let ready = $state(false);
	let busy = $state(false);
	/** known of a logbook that was here, before anything new is noted */
	// svelte-ignore state_referenced_locally
	const gone = app.presence.current;

	async function look(rig?: string): Promise<void> {
		busy = true;
		await lookAround(app, rig);
		busy = false;
	}
</script>

<main>
	<h1>What is in the tanks, how long it lasts, where to fill and dump next.</h1>
	{#if app.trouble ?? app.commands.trouble}<Notice
			><p role="alert">{app.trouble ?? app.commands.trouble}</p></Notice
		>{/if}
	{#if gone && gone.entries > 0}
		<Notice>
			<p role="alert">
				A logbook with {gone.entries} entries was in this browser, last on {sayAgo(
					gone.atMs,
					app.nowMs,
					app.timeZone
				)}, and it is gone, with its second copy. Browsers clear their data when space is short or site data
				is deleted. Open your newest file{gone.savedMs === undefined
					? ''
					: `: it was saved on ${sayAgo(gone.savedMs, app.nowMs, app.timeZone)}`}.
			</p>
		</Notice>
	{/if}
	{#if app.records.aside.length > 0}
		<Notice><Aside aside={app.records.aside} /></Notice>
	{/if}

	{#if way === 'choose'}
		<div class="ways">
			<section>
				<h2>Look around</h2>
				<p>Two made-up rigs, each on a trip under way.</p>
				<p class="buttons">
					<button class="primary" disabled={busy} onclick={() => void look()}>Wren, a camper</button>
					<button disabled={busy} onclick={() => void look('demo-sandling')}>Sandling, a boat</button>
				</p>
			</section>
			<section>
				<h2>My own rig</h2>
				<p>Its kind, its tanks, who is aboard and what is in it now. It takes two minutes.</p>
				<p class="buttons">
					<button class="primary" onclick={() => (way = 'own')}>Begin</button>
					<button onclick={() => (ready = true)}>From a ready rig</button>
				</p>
				<p>
					None yet? <button class="why" onclick={() => (way = 'size')}>What would we need?</button>
				</p>
			</section>
			<section>
				<h2>I have a logbook</h2>
				<p>Open a file saved on another device, or scan the code on another person’s phone.</p>
				<p class="buttons">
					<button onclick={() => (way = 'file')}>Open a file</button>
					<a class="as-button" href="/take?scan">Scan a code</a>
				</p>
			</section>
		</div>
	{:else if way === 'own'}
		<OwnRig {app} onback={() => (way = 'choose')} />
	{:else if way === 'size'}
		{#await import('../features/data/WhatSize.svelte') then { default: WhatSize }}<WhatSize
				{app}
				onback={() => (way = 'choose')}
			/>{/await}
	{:else}
		<ImportLogbook {app} />
		<p class="buttons"><button onclick={() => (way = 'choose')}>Back</button></p>
	{/if}
	<p class="soft small">
		{STAYS_HERE}
	</p>
</main>
{#if ready}
	{#await import('../features/rig/NewRig.svelte') then { default: NewRig }}<NewRig
			{app}
			onclose={() => (ready = false)}
		/>{/await}
{/if}

<style>
	main {
		max-width: 62rem;
		margin: 0 auto;
		padding: clamp(1.2rem, 5vh, 4rem) var(--gap-4);
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-4);
	}
	h1 {
		max-width: 38rem;
	}
	.ways {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
		gap: var(--gap-4);
		border-top: var(--hairline);
		padding-top: var(--gap-4);
	}
	section {
		display: grid;
		gap: var(--gap-2);
		align-content: start;
	}
	@media (max-width: 640px) {
		main {
			padding: var(--gap-4) var(--gap-3);
		}
	}
</style>
