<script lang="ts">
	import type { Trip } from '$core/logbook';
	import { formatQuantity } from '$core/units';
	import { sayServices } from '$core/words';
	import type { App } from '$lib/state';
	import type { askedOfTrip } from './askedOfTrip.svelte';
	import { confirmVisit, visitsToConfirm } from '../../parts/acts/visits';
	import Visits from '../../parts/places/Visits.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import KeptPlace from '../../kit/page/KeptPlace.svelte';
	import { toast } from '../../kit/toast.svelte';

	interface Props {
		app: App;
		trip: Trip | undefined;
		asked: ReturnType<typeof askedOfTrip>['points'];
	}
	/** The points near the way ahead, and the ways to all of them, to the card and to the weather. */
	const { app, trip, asked }: Props = $props();
	const units = $derived(app.units);
	const { near } = $derived(asked);
	/** as many lines as there are, in nearly every trip */
	const USUAL_HEIGHT = '4lh';
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
<KeptPlace height={asked.waiting && !near ? USUAL_HEIGHT : undefined}>
	{#if asked.trouble}
		<p class="soft">What lies on the way couldn’t be looked up: {asked.trouble}.</p>
	{:else if near && near.length > 0}
		<ul>
			{#each near as { point, alongKm = 0 } (point.id)}<li>
					<a href="/trip/points?point={encodeURIComponent(point.id)}">{point.name}</a><span class="soft"
						>, in {formatQuantity(alongKm, 'distance', units)}: {sayServices(point.services)}</span
					>
				</li>{/each}
		</ul>
	{:else if asked.waiting && !near}
		<p class="soft">Looking along the way…</p>
	{/if}
</KeptPlace>
<p class="buttons">
	<a class="as-button" href="/trip/points">Points and map</a>
	{#if trip && trip.stops.length > 0}
		<a class="as-button" href="/trip/card?trip={encodeURIComponent(trip.id)}">Card to print</a>
		<button onclick={() => void askWeather()}>Weather for the stops ahead (simulated)</button>
	{/if}
</p>
