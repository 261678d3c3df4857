<script lang="ts">
	import { importText } from '$core/formats';
	import type { Point, Trip } from '$core/logbook';
	import { wayAhead, whereAt, type LatLon } from '$core/places';
	import { errorMessage } from '$lib/errorMessage';
	import { boxAround } from '$lib/standins/inventedPlaces';
	import { standInDirectory } from '$lib/standins/placeDirectory';
	import type { App } from '$lib/state';
	import type { Snippet } from 'svelte';
	import Notice from '../../kit/page/Notice.svelte';
	import Section from '../../kit/page/Section.svelte';

	interface Props {
		app: App;
		trip: Trip | undefined;
		/** where it is looked around, when one has set a pin */
		place: LatLon | undefined;
		/** what is done with what was found; calls back when it is done */
		preview: Snippet<[found: readonly Point[], ondone: () => void]>;
		onclose: () => void;
	}
	/** What a directory knows around the way ahead, or around a pin; nothing of it is kept unasked. */
	const { app, trip, place, preview, onclose }: Props = $props();
	const AROUND_KM = 25;
	let found = $state.raw<readonly Point[]>();
	let trouble = $state<string>();

	async function look(): Promise<void> {
		const ahead = trip ? wayAhead(trip, app.nowMs).places : [];
		const here = trip && whereAt(trip, app.nowMs);
		const around = place
			? [place]
			: ahead.length > 0
				? ahead
				: here
					? [here]
					: app.records.points.map((point) => point.position);
		const box = boxAround(around, AROUND_KM);
		[found, trouble] = [undefined, undefined];
		if (!box) {
			trouble = 'Set a pin on the map to say where to look';
			return;
		}
		try {
			found = importText('geojson', await standInDirectory.within(box)).points;
		} catch (error) {
			trouble = errorMessage(error);
		}
	}
	$effect(() => {
		void place;
		void look();
	});
</script>

<Section title="From the {standInDirectory.name}" ruled>
	{#snippet beside()}<button class="quiet small" onclick={onclose}>Close</button>{/snippet}
	<p class="soft">
		{place ? 'Around your pin' : 'Along the route ahead'}, {AROUND_KM} km on each side. This stand-in ships with
		the application and uses no network; a real directory would replace it.
	</p>
	{#if trouble}<Notice><p>{trouble}.</p></Notice>{/if}
	{#if found}
		{#if found.length === 0}<p>It lists nothing there.</p>
		{:else}{@render preview(found, onclose)}{/if}
	{/if}
</Section>
