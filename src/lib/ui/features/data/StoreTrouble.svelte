<script lang="ts">
	import type { App } from '$lib/state';
	import { download } from '../../kit/download';

	const { app }: { app: App } = $props();
</script>

<main>
	{#if app.phase === 'newer-store'}
		<h1>This logbook was written by a later version.</h1>
		<p>
			Nothing has been touched. Reload the page with a network to get that version, or save the raw content to
			a file first.
		</p>
		<button onclick={() => download('dipsometer-store.json', JSON.stringify(app.raw, undefined, '\t'))}
			>Save the raw content</button
		>
	{:else}
		<h1>The logbook in this browser can’t be read.</h1>
		<p role="alert">The browser said: {app.trouble}</p>
		<p>
			Nothing has been overwritten. Private windows and blocked site data are the usual causes; allow storage
			for this site and reload.
		</p>
	{/if}
	<button class="primary" onclick={() => location.reload()}>Reload</button>
</main>

<style>
	main {
		max-width: 40rem;
		padding: 3rem var(--gap-4);
		display: grid;
		gap: var(--gap-3);
		justify-items: start;
	}
</style>
