<script lang="ts">
	import { instantMs, type Entry } from '$core/logbook';
	import { sayHappening, sayMomentOf } from '$core/words';
	import { entriesNew } from '$lib/exchange';
	import type { App } from '$lib/state';
	import { toast } from '../shell/toast.svelte';

	/** Entries that came in, line by line; those that are here as they are do not come again. */
	const { app, found, ondone }: { app: App; found: readonly Entry[]; ondone: () => void } = $props();
	const MOST = 60;
	let all = $state(false);
	let busy = $state(false);
	const fresh = $derived(entriesNew(found, app.records.entries));
	const says = (entry: Entry): string => {
		const rig = app.records.rigs.find(({ id }) => id === entry.rig);
		if (!rig) return entry.kind;
		const { timeZone, nowMs } = app;
		const context = { rig, units: app.prefs.current.units, nowMs, timeZone, points: app.records.points };
		const trip = app.records.trips.find(({ id }) => id === entry.trip);
		return `${sayHappening(entry, { ...context, trip })} ${sayMomentOf(instantMs(entry.at), nowMs, timeZone)}`;
	};
	async function keep(): Promise<void> {
		busy = true;
		const changes = fresh.map((value) => ({
			kind: 'entry' as const,
			value: { ...value, source: value.source ?? ('import' as const) }
		}));
		const done = await app.commands.takeIn(changes, 'Entries read in');
		busy = false;
		if (!done) return;
		toast(`${changes.length} entries read in.`);
		ondone();
	}
</script>

<ul aria-label="Entries found">
	{#each all ? fresh : fresh.slice(0, MOST) as entry (entry.id)}<li>{says(entry)}</li>{/each}
</ul>
{#if fresh.length > MOST && !all}<p>
		<button class="quiet" onclick={() => (all = true)}>Show all {fresh.length}</button>
	</p>{/if}
<p class="buttons">
	<button class="primary" disabled={busy || fresh.length === 0} onclick={() => void keep()}
		>{fresh.length === 0
			? 'Nothing new in it'
			: `Keep ${fresh.length} ${fresh.length === 1 ? 'entry' : 'entries'}`}</button
	>
	{#if fresh.length < found.length}<span class="soft small"
			>{found.length - fresh.length} are here as they are.</span
		>{/if}
</p>

<style>
	ul {
		width: 100%;
		max-height: 22rem;
		overflow-y: auto;
	}
	li {
		border-top: var(--hairline);
		padding: 0.3rem 0;
		overflow-wrap: anywhere;
	}
</style>
