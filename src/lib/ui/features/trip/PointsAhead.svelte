<script lang="ts">
	import { notRetired, type Trip } from '$core/logbook';
	import { nearWay, wayAhead } from '$core/places';
	import { formatQuantity } from '$core/units';
	import { sayServices } from '$core/words';
	import type { App } from '$lib/state';
	import { confirmVisit, visitsToConfirm } from '../../parts/acts/visits';
	import Visits from '../../parts/places/Visits.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import InTurn from '../../kit/page/InTurn.svelte';
	import { toast } from '../../kit/toast.svelte';

	/** The points near the way ahead, and the ways to all of them, to the card and to the weather. */
	const { app, trip }: { app: App; trip: Trip | undefined } = $props();
	const MOST = 4;
	const NEAR_KM = 10;
	const units = $derived(app.prefs.current.units);
	const ahead = $derived(
		trip ? nearWay(notRetired(app.records.points), wayAhead(trip, app.nowMs), NEAR_KM).slice(0, MOST) : []
	);
	/** Weather of every stop ahead that has a place; what was typed stays. */
	async function askWeather(): Promise<void> {
		if (!trip) return;
		const { weatherAhead } = await import('./weatherAhead');
		const { said, changed } = await weatherAhead(app, trip);
		if (changed) notifyDone(app, said);
		else toast(said);
	}
</script>

<Visits
	visits={visitsToConfirm(app).slice(0, 1)}
	nowMs={app.nowMs}
	timeZone={app.timeZone}
	onconfirm={(visit) => void confirmVisit(app, visit)}
/>
<InTurn>
	{#if ahead.length > 0}
		<ul>
			{#each ahead as { point, alongKm = 0 } (point.id)}<li>
					<a href="/trip/points?point={encodeURIComponent(point.id)}">{point.name}</a><span class="soft"
						>, in {formatQuantity(alongKm, 'distance', units)}: {sayServices(point.services)}</span
					>
				</li>{/each}
		</ul>
	{/if}
</InTurn>
<p class="buttons">
	<a class="as-button" href="/trip/points">Points and map</a>
	{#if trip && trip.stops.length > 0}
		<a class="as-button" href="/trip/card?trip={encodeURIComponent(trip.id)}">Card to print</a>
		<button onclick={() => void askWeather()}>Weather for the stops ahead (simulated)</button>
	{/if}
</p>
