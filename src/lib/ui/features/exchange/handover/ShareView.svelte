<script lang="ts">
	import { goto } from '$app/navigation';
	import type { App } from '$lib/state';
	import { sharingBeside } from '$lib/state/sharing.svelte';
	import { onMount } from 'svelte';
	import Page from '../../../kit/page/Page.svelte';
	import PageHead from '../../../kit/page/PageHead.svelte';
	import Giving from './Giving.svelte';
	import OwnName from './OwnName.svelte';
	import WithWhom from './WithWhom.svelte';

	/** Shares with somebody who keeps the same log what they have not got. */
	const { app, to }: { app: App; to: string | undefined } = $props();
	// svelte-ignore state_referenced_locally
	const sharing = sharingBeside(app);
	let ready = $state(false);
	onMount(() => void sharing.load().finally(() => (ready = true)));
	const by = $derived(app.prefs.current.by);
	const choose = (name: string): Promise<void> => goto(`/share?with=${encodeURIComponent(name)}`);
</script>

<Page measure="act" up={{ href: '/data', name: 'Data' }}>
	<PageHead
		title={to === undefined ? 'Share with someone' : `Share with ${to}`}
		says={to === undefined ? 'They get what they haven’t got, phone to phone, without a network.' : undefined}
	/>
	{#if ready}
		{#if to === undefined}
			<WithWhom {app} {sharing} onchoose={(name) => void choose(name)} />
		{:else if by === undefined}
			<OwnName {app} {to} />
		{:else}
			{#key `${to} ${by}`}<Giving {app} {sharing} {to} {by} />{/key}
		{/if}
	{/if}
</Page>
