<script lang="ts">
	import type { EntryDraft } from '$core/logbook';
	import type { Ask } from '$lib/engine';
	import type { App } from '$lib/state';
	import Notice from '../../kit/page/Notice.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import { answered, noteRead } from './planNews';
	import { logService, runsFor } from './serviceDone';

	/** What the plan asks for here and now, what was passed by, and what has changed in it. */
	const { app }: { app: App } = $props();

	const rig = $derived(app.liveRig);
	const trip = $derived(app.tripAtHand);
	const due = $derived(app.engine.assessment?.due);
	const kept = $derived(app.prefs.current.plan);
	const mine = $derived(kept && kept.seen.trip === trip?.id ? kept : undefined);

	/** It was done, only not written down: so many entries, as of when one was there. */
	async function done(ask: Ask): Promise<void> {
		const stop = trip?.stops.find(({ id }) => id === ask.stop);
		const at = stop?.arrive ?? app.nowIso();
		const drafts = ask.tanks.flatMap((id): readonly EntryDraft[] => {
			const tank = rig?.tanks.find((one) => one.id === id);
			if (!tank) return [];
			const common = { at, ...(trip ? { trip: trip.id } : {}), source: 'hand' } as const;
			return tank.holds === 'fresh'
				? [{ kind: 'fill', tank: id, to: 'full', ...common }]
				: [{ kind: 'dump', tank: id, to: 'empty', ...common }];
		});
		const label = `Logged for ${stop?.name ?? 'the stop'}`;
		const entries = drafts.map((draft) => app.commands.entryFrom(draft));
		const written = await app.commands.put(
			entries.map((value) => ({ kind: 'entry', value })),
			label
		);
		if (written) notifyDone(app, label);
		await answered(app, ask);
	}
</script>

{#if rig && trip}
	{#if due}
		<Notice calm>
			<p class="sentence">
				{due.says}
				{#each runsFor(due.service.stop, [due.service]) as { name, href } (name)}<a class="as-button" {href}
						>{name}</a
					>{/each}
				<button onclick={() => void logService(app, trip, due.service, due.does)}>Done: log it</button>
			</p>
		</Notice>
	{/if}
	{#each mine?.asks ?? [] as ask (ask.stop)}
		<Notice>
			<p class="sentence">
				{ask.asks}
				<button onclick={() => void done(ask)}>Yes, log it</button>
				<button class="quiet" onclick={() => void answered(app, ask)}>No</button>
			</p>
		</Notice>
	{/each}
	{#if mine?.note}
		<Notice>
			<p class="sentence">
				{mine.note} <button class="quiet" onclick={() => void noteRead(app)}>OK</button>
			</p>
		</Notice>
	{/if}
{/if}
