<script lang="ts">
	import type { Trip } from '$core/logbook';
	import { withWay } from '$core/places';
	import { formatQuantity } from '$core/units';
	import type { FoundWay } from '$lib/exchange';
	import type { App } from '$lib/state';
	import DataTable from '../../kit/page/DataTable.svelte';
	import { notifyDone } from '../../parts/acts/notify';

	/** A way that came in: the legs of the trip along it beside those it has; taken over when one says so. */
	const { app, way, trip, ondone }: { app: App; way: FoundWay; trip: Trip | undefined; ondone: () => void } =
		$props();
	const units = $derived(app.prefs.current.units);
	const km = (length: number): string => formatQuantity(length, 'distance', units);
	const legs = $derived(
		way.legs.flatMap((leg) => {
			const stop = trip?.stops.find(({ id }) => id === leg.stop);
			return stop ? [{ ...leg, name: stop.name, beforeKm: stop.legKm }] : [];
		})
	);
	const OFF_KM = 1;
	async function take(): Promise<void> {
		if (!trip) return;
		const said = `${trip.name}: legs from the imported route`;
		if (await app.commands.change('trip', trip.id, (newest) => withWay(newest, way.track, way.legs), said)) {
			notifyDone(app, said);
			ondone();
		}
	}
</script>

<p>
	A route of {km(way.lengthKm)}, via {way.places} places.
	{#if !trip}There is no trip for it: make one first.
	{:else if legs.length === 0}No stop on {trip.name} is on it: give the stops a place, or add them from the map.
		The route alone can be imported.{/if}
</p>
{#if trip && legs.length > 0}
	<DataTable
		caption="The legs of {trip.name} along it"
		columns={[
			{ name: 'Stop', quiet: true },
			{ name: 'Leg now', number: true },
			{ name: 'along the route', number: true },
			{ name: 'Where' }
		]}
	>
		{#each legs as leg (leg.stop)}
			<tr>
				<th scope="row">{leg.name}</th>
				<td class="number">{km(leg.beforeKm)}</td>
				<td class="number">{km(leg.legKm)}</td>
				<td class="soft"
					>{leg.put
						? 'added to the route'
						: leg.offKm >= OFF_KM
							? `${km(leg.offKm)} off the route`
							: 'on the route'}</td
				>
			</tr>
		{/each}
	</DataTable>
{/if}
{#if trip}
	<p><button class="primary" onclick={() => void take()}>Use it for {trip.name}</button></p>
{/if}
