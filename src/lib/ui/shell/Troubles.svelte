<script lang="ts">
	import { sayAgo } from '$core/words';
	import type { App } from '$lib/state';
	import { downloadLogbook } from '../parts/acts/saveLogbook';
	import Notice from '../kit/page/Notice.svelte';

	/** What is amiss with the application itself, and what can be done about it. */
	const { app, newBuild }: { app: App; newBuild: boolean } = $props();

	const unsaved = $derived(app.commands.unsaved.length > 0);
	const { troubles } = $derived(app);
	const { engine } = $derived(app);
</script>

<div class="troubles">
	{#each troubles as text, i (i)}
		<Notice>
			<p role="alert">{text}</p>
			<p class="buttons">
				<button onclick={() => downloadLogbook(app)}>Save everything to a file</button>
				{#if unsaved}<button onclick={() => void app.commands.retry()}>Try again</button>{/if}
			</p>
		</Notice>
	{/each}
	{#if app.restored !== undefined}
		<Notice>
			<p role="alert">
				This browser had lost the logbook. It was restored from its second copy, with {app.restored} entries. Check
				that the last ones are there, and save a file.
			</p>
			<p class="buttons">
				<button onclick={() => downloadLogbook(app)}>Save everything to a file</button>
				<button onclick={() => (app.restored = undefined)}>It is all there</button>
			</p>
		</Notice>
	{/if}
	{#if engine.trouble}<Notice
			><p role="alert">The figures couldn’t be worked out: {engine.trouble}.</p></Notice
		>{/if}
	{#if engine.progress !== undefined}<Notice calm
			><p class="buttons">
				<label>Going through the log <progress value={engine.progress} max="1"></progress></label>
				<button onclick={() => void engine.stop()}>Stop</button>
				{#if engine.sinceMs !== undefined}<span
						>So far from what was logged since {sayAgo(engine.sinceMs, app.nowMs, app.timeZone)}; it may still
						change.</span
					>{/if}
			</p></Notice
		>{/if}
	{#if engine.stopped}<Notice
			><p>
				{engine.sinceMs === undefined
					? 'Stopped: the figures are older than the log.'
					: `Stopped: the figures use only what was logged since ${sayAgo(engine.sinceMs, app.nowMs, app.timeZone)}.`}
				<button onclick={() => void engine.refresh()}>Continue</button>
			</p></Notice
		>{/if}
	{#if newBuild}<Notice calm><p>A new version is ready; it starts when you leave this view.</p></Notice>{/if}
</div>

<style>
	.troubles {
		grid-row: 2;
		padding: var(--gap-3) var(--gap-4);
		display: grid;
		gap: var(--gap-3);
		border-bottom: var(--hairline);
		max-height: 40dvh;
		overflow-y: auto;
	}
</style>
