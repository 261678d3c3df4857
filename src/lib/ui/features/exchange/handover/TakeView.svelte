<script lang="ts">
	import { goto } from '$app/navigation';
	import { MINUTE_MS } from '$core/time';
	import type { App } from '$lib/state';
	import { sharingBeside } from '$lib/state/sharing.svelte';
	import { onDestroy } from 'svelte';
	import Page from '../../../kit/page/Page.svelte';
	import PageHead from '../../../kit/page/PageHead.svelte';
	import Taking from './Taking.svelte';

	interface Props {
		app: App;
		/** what stands behind the `#` of the address */
		fragment: string;
		/** the camera is wanted at once */
		scan: boolean;
		/** from whom something was just imported; empty where that is not said */
		from: string | null;
	}
	/** Imports what somebody shared: from the address, the camera, or a pasted link. */
	const { app, fragment, scan, from: done }: Props = $props();
	// svelte-ignore state_referenced_locally
	const sharing = sharingBeside(app);
	/** what was shown so lately was shown for this exchange, ms */
	const JUST_NOW_MS = 15 * MINUTE_MS;
	/** it was the second half of an exchange: both have the same */
	let isEven = $state(false);
	$effect(() => {
		const name = done;
		void sharing.load().then(async () => {
			const shownMs = name ? (sharing.partner(name)?.offeredMs ?? 0) : 0;
			isEven = Boolean(name) && app.nowMs - shownMs < JUST_NOW_MS && (await sharing.hasAll(name ?? ''));
		});
	});

	/** what was read or pasted; what stands in the address where nothing was */
	let read = $state('');
	// svelte-ignore state_referenced_locally
	let scanning = $state(scan);
	let pasted = $state('');
	const text = $derived(read || fragment);

	let gone = false;
	onDestroy(() => (gone = true));
	/** What has been looked at is in the address no more: going back does not ask again. */
	async function leave(query = ''): Promise<void> {
		// Who has gone elsewhere meanwhile stays there.
		if (gone) return;
		[read, pasted] = ['', ''];
		await goto(`/take${query}`, { replaceState: true, keepFocus: true });
	}
</script>

<Page measure="act" up={{ href: app.rig ? '/data' : '/', name: app.rig ? 'Data' : 'Start' }}>
	<PageHead title="Import from someone" />
	{#if text !== ''}
		{#key text}
			<Taking
				{app}
				{text}
				oncancel={() => void leave()}
				ondone={(from) => void leave(`?from=${encodeURIComponent(from ?? '')}`)}
			/>
		{/key}
	{:else if scanning}
		{#await import('./Camera.svelte') then { default: Camera }}
			<Camera onread={(said) => ([read, scanning] = [said, false])} oncancel={() => (scanning = false)} />
		{/await}
	{:else if done !== null}
		<p>
			{#if isEven}Imported. You and {done} have the same now.
			{:else}Imported.{done === '' ? '' : ` ${done} doesn’t know yet that you have it.`}{/if}
		</p>
		<p class="buttons">
			{#if done !== ''}
				<button class:primary={!isEven} onclick={() => void goto(`/share?with=${encodeURIComponent(done)}`)}
					>Now show yours to {done}</button
				>
			{/if}
			<a class="as-button" href="/ledger">To the ledger</a>
			<a class="as-button" href="/">Now</a>
		</p>
	{:else}
		<p>
			Scan the code on the other phone, or paste the link you were sent. You see what comes before it is
			saved.
		</p>
		<p class="buttons"><button class="primary" onclick={() => (scanning = true)}>Scan a code</button></p>
		<form
			onsubmit={(event) => {
				event.preventDefault();
				read = pasted;
			}}
		>
			<label class="field"
				><span>Link</span><textarea
					rows="3"
					bind:value={pasted}
					autocomplete="off"
					spellcheck="false"
					placeholder="{location.origin}/take#v1.…"></textarea></label
			>
			<button disabled={pasted.trim() === ''}>Open</button>
		</form>
		<p class="soft small">A file? <a href="/data#read">Import it under Data</a></p>
	{/if}
</Page>

<style>
	form {
		display: grid;
		gap: var(--gap-2);
		justify-items: start;
		width: min(100%, 34rem);
	}
	.field,
	textarea {
		width: 100%;
	}
</style>
