<script lang="ts">
	import { zonedTime } from '$core/time';
	import { canonical, instantMs, type Stop } from '$core/logbook';
	import { clockText, dayText, sayServices } from '$core/words';
	import { mergedStop, tripOf, withStops } from '$lib/exchange';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import { notifyDone } from '../../parts/acts/notify';
	import FoundList from './FoundList.svelte';
	import Kept from './Kept.svelte';

	interface Props {
		app: App;
		found: readonly Stop[];
		/** what a new trip is called */
		name: string;
		ondone: () => void;
	}
	/** Stops that came in, line by line, and the trip that they are to be part of. */
	const { app, found, name, ondone }: Props = $props();
	let left = $state.raw<ReadonlySet<string>>(new Set());
	let busy = $state(false);
	const trips = $derived(app.records.trips.filter(({ rig }) => rig === app.rig?.id));
	// svelte-ignore state_referenced_locally
	let into = $state(app.tripInView?.id ?? '');
	const trip = $derived(trips.find(({ id }) => id === into));
	const timeZone = $derived(trip?.timeZone ?? app.timeZone);
	const known = $derived(new Map((trip?.stops ?? []).map((stop) => [stop.id, stop])));
	const kept = $derived(found.filter(({ id }) => !left.has(id)));
	const says = (stop: Stop): string => {
		const same = known.get(stop.id);
		if (same === undefined) return 'new';
		return canonical(same) === canonical(mergedStop(same, stop))
			? 'the same as here'
			: 'changes the one here';
	};
	const when = (stop: Stop): string => {
		const [from, to] = [stop.arrive, stop.depart].map(
			(at) => `${dayText(zonedTime(instantMs(at), timeZone).day)} ${clockText(at, timeZone)}`
		);
		return `${from} to ${to}${stop.services.length > 0 ? `; ${sayServices(stop.services)}` : ''}`;
	};
	async function keep(): Promise<void> {
		const rig = app.rig;
		if (!rig || kept.length === 0) return;
		busy = true;
		const points = new Set(app.records.points.map(({ id }) => id));
		// A point that is not here is not named: its services stand in the stop.
		const stops = kept.map(({ point, ...stop }): Stop =>
			point !== undefined && points.has(point) ? { ...stop, point } : stop
		);
		const said = `${stops.length} ${stops.length === 1 ? 'stop' : 'stops'} imported`;
		const { timeZone: home, commands } = app;
		const done = trip
			? await commands.change('trip', trip.id, (newest) => withStops(newest, stops), said)
			: await commands.put(
					[
						{
							kind: 'trip',
							value: tripOf(stops, { id: uuid(), rig: rig.id, name, timeZone: home, persons: rig.crew })
						}
					],
					said
				);
		busy = false;
		if (!done) return;
		notifyDone(app, said);
		ondone();
	}
</script>

<div class="field into">
	<label for="into-trip">Add the stops to</label>
	<select id="into-trip" bind:value={into}>
		{#each trips as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
		<option value="">a new trip, “{name}”</option>
	</select>
</div>
<FoundList label="Stops found" rows={found} idOf={({ id }) => id}>
	{#snippet row(stop)}
		<Kept
			kept={!left.has(stop.id)}
			name={stop.name}
			says={when(stop)}
			onchange={(kept) =>
				(left = new Set(kept ? [...left].filter((id) => id !== stop.id) : [...left, stop.id]))}
		/>
		<span class="small">{says(stop)}</span>
	{/snippet}
</FoundList>
<p class="buttons">
	<button class="primary" disabled={busy || kept.length === 0} onclick={() => void keep()}
		>Import {kept.length} of {found.length} {found.length === 1 ? 'stop' : 'stops'}</button
	>
</p>

<style>
	.into {
		max-width: 24rem;
	}
</style>
