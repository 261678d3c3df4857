<script lang="ts">
	import { goto } from '$app/navigation';
	import type { App } from '$lib/state';
	import { sharingBeside } from '$lib/state/sharing.svelte';
	import { onMount } from 'svelte';
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
	onMount(() => void sharing.load());

	/** what was read or pasted; what stands in the address where nothing was */
	let read = $state('');
	// svelte-ignore state_referenced_locally
	let scanning = $state(scan);
	let pasted = $state('');
	const text = $derived(read || fragment);

	/** What has been looked at is in the address no more: going back does not ask again. */
	async function leave(query = ''): Promise<void> {
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
		<p>Imported.{done === '' ? '' : ` ${done} doesn’t know yet that you have it.`}</p>
		<p class="buttons">
			{#if done !== ''}
				<button class="primary" onclick={() => void goto(`/share?with=${encodeURIComponent(done)}`)}
					>Now show yours to {done}</button
				>
			{/if}
			<a class="as-button" href="/ledger">To the ledger</a>
			<a class="as-button" href="/">Now</a>
		</p>
	{:else}
		<p>
			Scan the code on the other phone, or paste the link you were sent. You see what comes before it is kept.
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
