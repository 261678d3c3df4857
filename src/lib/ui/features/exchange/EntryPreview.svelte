<script lang="ts">
	import { instantMs, type Entry } from '$core/logbook';
	import { sayHappening, sayMomentOf } from '$core/words';
	import { entriesNew } from '$lib/exchange';
	import type { App } from '$lib/state';
	import { toast } from '../../kit/toast.svelte';
	import FoundList from './FoundList.svelte';

	/** Entries that came in, line by line; those that are here as they are do not come again. */
	const { app, found, ondone }: { app: App; found: readonly Entry[]; ondone: () => void } = $props();
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
		const done = await app.commands.takeIn(changes, 'Entries imported');
		busy = false;
		if (!done) return;
		toast(`${changes.length} entries imported.`);
		ondone();
	}
</script>

<FoundList label="Entries found" rows={fresh} idOf={({ id }) => id}>
	{#snippet row(entry)}{says(entry)}{/snippet}
</FoundList>
<p class="buttons">
	<button class="primary" disabled={busy || fresh.length === 0} onclick={() => void keep()}
		>{fresh.length === 0
			? 'Nothing new in it'
			: `Import ${fresh.length} ${fresh.length === 1 ? 'entry' : 'entries'}`}</button
	>
	{#if fresh.length < found.length}<span class="soft small"
			>{found.length - fresh.length} are here already.</span
		>{/if}
</p>
