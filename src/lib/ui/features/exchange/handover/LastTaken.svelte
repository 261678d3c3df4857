<script lang="ts">
	import { listsOf, type Kept } from '$core/logbook';
	import { sayMade, sayMomentOf, sayShared } from '$core/words';
	import type { App } from '$lib/state';
	import { sharingBeside } from '$lib/state/sharing.svelte';
	import { onMount } from 'svelte';
	import { notifyDone } from '../../../parts/acts/notify';
	import FoundList from '../FoundList.svelte';

	/** What was imported last, as the one act that it was. */
	const { app }: { app: App } = $props();
	// svelte-ignore state_referenced_locally
	const sharing = sharingBeside(app);
	onMount(() => void sharing.loadLast());

	const last = $derived(sharing.last);
	const records = $derived(last?.act.steps.map(({ kind, after }) => ({ kind, value: after }) as Kept) ?? []);
	const fresh = $derived(
		last?.act.steps.flatMap(({ before }, i) => (before ? [] : (records[i] ?? []))) ?? []
	);
	const made = $derived(sayMade(listsOf(fresh), records.length - fresh.length));
	const context = $derived({
		rigs: app.records.rigs,
		trips: app.records.trips,
		nowMs: app.nowMs,
		timeZone: app.timeZone,
		units: app.prefs.current.units
	});
	let busy = $state(false);

	async function undo(): Promise<void> {
		if (!last) return;
		busy = true;
		const label = `Undone: what came from ${last.from || 'someone'}`;
		if (await sharing.undoLast(label)) notifyDone(app, label);
		busy = false;
	}
</script>

{#if last && sharing.lastStands}
	<div>
		<details>
			<summary
				>{last.from ? `From ${last.from}` : 'Imported'}, {sayMomentOf(last.atMs, app.nowMs, app.timeZone)}: {made}</summary
			>
			<FoundList label="What came last" rows={records} idOf={({ kind, value }) => `${kind}:${value.id}`}>
				{#snippet row(record)}
					<span
						>{sayShared(record, context)}{#if record.kind === 'entry' && record.value.void}<span class="soft"
								>, void</span
							>{/if}</span
					>
				{/snippet}
			</FoundList>
		</details>
		<button class="small" disabled={busy} onclick={() => void undo()}>Undo</button>
	</div>
{/if}

<style>
	div {
		display: flex;
		gap: var(--gap-2) var(--gap-3);
		align-items: start;
	}
	details {
		flex: 0 1 auto;
		min-width: 0;
	}
	summary {
		cursor: pointer;
		line-height: 1.9;
	}
</style>
