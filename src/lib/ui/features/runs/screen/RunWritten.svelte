<script lang="ts">
	import type { Happening, Rig } from '$core/logbook';
	import { allEntriesOf, type Run } from '$core/runs';
	import { sayHappening } from '$core/words';
	import type { App } from '$lib/state';
	import { entryIdOf } from '$lib/state/runBook.svelte';

	/** What a run has written; each of it can be taken back. */
	const { app, rig, run }: { app: App; rig: Rig; run: Run } = $props();

	const written = $derived(
		allEntriesOf(rig, run).flatMap(({ key }) => {
			const entry = app.records.entries.find(({ id }) => id === entryIdOf(run, key));
			return entry ? [entry] : [];
		})
	);
	const says = (happening: Happening): string =>
		sayHappening(happening, {
			rig,
			units: app.prefs.current.units,
			nowMs: app.nowMs,
			timeZone: app.timeZone,
			trip: app.trip,
			points: app.records.points
		});
</script>

{#if written.length > 0}
	<section aria-label="Logged">
		<h2>Logged in the ledger</h2>
		<ul>
			{#each written as entry (entry.id)}
				<li class:gone={entry.void}>
					<span>{says(entry)}</span>
					<button
						class="small"
						onclick={() => void app.commands.setVoid([entry.id], !entry.void, says(entry))}
						>{entry.void ? 'Restore' : 'Void'}</button
					>
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	h2 {
		font-size: var(--step-0);
		color: var(--soft-ink);
		font-family: var(--text);
	}
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: var(--gap-2);
		padding: var(--gap-1) 0;
		border-top: var(--hairline);
	}
	.gone span {
		text-decoration: line-through;
		color: var(--soft-ink);
	}
	button {
		flex: none;
	}
</style>
