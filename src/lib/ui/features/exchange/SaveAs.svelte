<script lang="ts">
	import { errorMessage } from '$lib/errorMessage';
	import type { App } from '$lib/state';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import { toast } from '../../kit/toast.svelte';

	/** Files that others can read: tables, maps, calendars. */
	const { app }: { app: App } = $props();
	// svelte-ignore state_referenced_locally
	let tripId = $state(app.tripInView?.id ?? '');
	let decimalComma = $state(false);
	const trips = $derived(app.records.trips.filter(({ rig }) => rig === app.rig?.id));
	const trip = $derived(trips.find(({ id }) => id === tripId));

	type Saving = Parameters<typeof import('./save').saveAs>;
	async function save(format: Saving[1], options: Saving[2]): Promise<void> {
		try {
			const { saveAs } = await import('./save');
			await saveAs(app, format, options);
			const nowhere = trip?.stops.filter(({ position, retired }) => !position && !retired).length ?? 0;
			if ((format === 'gpx' || format === 'geojson') && options.trip && nowhere > 0)
				toast(`${nowhere} ${nowhere === 1 ? 'stop has' : 'stops have'} no place yet, so they are left out.`);
		} catch (error) {
			toast(`It couldn’t be saved: ${errorMessage(error)}.`);
		}
	}
	const rig = $derived(app.rig);
</script>

<h3>Tables (CSV)</h3>
<p class="buttons">
	<button
		onclick={() => void save('csv', { name: `${rig?.name} entries`, list: 'entries', rig, decimalComma })}
		>Entries</button
	>
	<button onclick={() => void save('csv', { name: 'points', list: 'points', decimalComma })}>Points</button>
	<button onclick={() => void save('csv', { name: `${rig?.name} stops`, list: 'stops', rig, decimalComma })}
		>Stops</button
	>
	<label class="check"
		><input type="checkbox" bind:checked={decimalComma} /> decimal comma, semicolons between</label
	>
</p>
<h3>Points for maps</h3>
<p class="buttons">
	<button onclick={() => void save('gpx', { name: 'points' })}>Points as GPX</button>
	<button onclick={() => void save('geojson', { name: 'points' })}>Points as GeoJSON</button>
</p>
{#if trips.length > 0}
	<h3>A trip</h3>
	<div class="trip">
		<SelectField
			label="Which"
			bind:value={tripId}
			options={trips.map(({ id, name }) => ({ value: id, label: name }))}
		/>
	</div>
	<p class="buttons">
		<button disabled={!trip} onclick={() => trip && void save('ics', { name: trip.name, trip })}
			>Plan as a calendar, with alarms at last chances</button
		>
		<button disabled={!trip} onclick={() => trip && void save('gpx', { name: trip.name, trip })}
			>Route as GPX</button
		>
		<button disabled={!trip} onclick={() => trip && void save('geojson', { name: trip.name, trip })}
			>GeoJSON</button
		>
		{#if trip}<a class="as-button" href="/trip/card?trip={encodeURIComponent(trip.id)}">Card to print</a>{/if}
	</p>
{/if}
<p class="soft">
	The formats are explained on <a href="/data/format">the page about the formats</a>, with the logbook’s
	<a href="/api/schema" data-sveltekit-reload>JSON Schema</a>.
</p>

<style>
	h3 {
		margin-top: var(--gap-2);
	}
	.trip {
		max-width: 24rem;
	}
</style>
