<script lang="ts">
	import { crewAsked, type CrewAsked } from '$core/now';
	import { askSamePeople } from '$core/words';
	import type { App } from '$lib/state';
	import Notice from '../../kit/page/Notice.svelte';
	import { notifyDone } from '../../parts/acts/notify';

	/** Other people live otherwise: whether those who came are the same as before is asked, once. */
	const { app }: { app: App } = $props();

	const asked = $derived(
		app.liveRig &&
			crewAsked(
				{
					entries: app.rigEntries.filter((one) => !one.void),
					trips: app.records.trips,
					rig: app.liveRig
				},
				app.nowMs
			)
	);

	async function say({ kind, value }: CrewAsked['of'], anew: boolean): Promise<void> {
		const label = anew ? 'Other people aboard' : 'Same people aboard';
		const kept =
			kind === 'entry'
				? await app.commands.change('entry', value.id, (newest) => ({ ...newest, anew }), label)
				: await app.commands.change('trip', value.id, (newest) => ({ ...newest, anew }), label);
		if (kept) notifyDone(app, label);
	}
</script>

{#if asked}
	{@const { of, persons, before } = asked}
	<Notice>
		<p>{askSamePeople({ persons, before, trip: of.kind === 'trip' ? of.value.name : undefined })}</p>
		<p class="buttons">
			<button onclick={() => void say(of, false)}>Same people</button>
			<button onclick={() => void say(of, true)}>Other people</button>
		</p>
	</Notice>
{/if}
