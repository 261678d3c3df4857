<script lang="ts">
	import { canonical, instantMs, zonedTime, type Stop, type Trip } from '$core/logbook';
	import { clockText, dayText, sayServices } from '$core/words';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import { sayDone } from '../shell/saying';
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
		return same === undefined
			? 'new'
			: canonical(same) === canonical(stop)
				? 'as it is here'
				: 'changes the one here';
	};
	const when = (stop: Stop): string => {
		const [from, to] = [stop.arrive, stop.depart].map(
			(at) => `${dayText(zonedTime(instantMs(at), timeZone).day)} ${clockText(at, timeZone)}`
		);
		return `${from} to ${to}${stop.services.length > 0 ? `; ${sayServices(stop.services)}` : ''}`;
	};
	const inOrder = (stops: readonly Stop[]): Stop[] =>
		[...stops].sort((a, b) => instantMs(a.arrive) - instantMs(b.arrive));
	/** A trip long enough for its stops. */
	function through(one: Trip, stops: readonly Stop[]): Trip {
		const days = stops
			.flatMap(({ arrive, depart }) =>
				[arrive, depart].map((at) => zonedTime(instantMs(at), one.timeZone).day)
			)
			.sort();
		const [first = one.from, last = one.to] = [days[0], days.at(-1)];
		return {
			...one,
			stops: inOrder(stops),
			from: first < one.from ? first : one.from,
			to: last > one.to ? last : one.to
		};
	}
	async function keep(): Promise<void> {
		const rig = app.rig;
		if (!rig || kept.length === 0) return;
		busy = true;
		const points = new Set(app.records.points.map(({ id }) => id));
		// A point that is not here is not named: its services stand in the stop.
		const stops = kept.map(({ point, ...stop }): Stop =>
			point !== undefined && points.has(point) ? { ...stop, point } : stop
		);
		const said = `${stops.length} ${stops.length === 1 ? 'stop' : 'stops'} kept`;
		const day = (at: string): string => zonedTime(instantMs(at), app.timeZone).day;
		const done = trip
			? await app.commands.change(
					'trip',
					trip.id,
					(newest) => {
						const coming = new Set(stops.map(({ id }) => id));
						return through(newest, [...newest.stops.filter(({ id }) => !coming.has(id)), ...stops]);
					},
					said
				)
			: await app.commands.put(
					[
						{
							kind: 'trip',
							value: through(
								{
									id: uuid(),
									rig: rig.id,
									name,
									timeZone: app.timeZone,
									from: day(stops[0]?.arrive ?? app.nowIso()),
									to: day(stops.at(-1)?.depart ?? app.nowIso()),
									persons: rig.crew,
									stops: []
								},
								stops
							)
						}
					],
					said
				);
		busy = false;
		if (!done) return;
		sayDone(app, said);
		ondone();
	}
</script>

<div class="field into">
	<label for="into-trip">Put the stops into</label>
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
		>Keep {kept.length} of {found.length} {found.length === 1 ? 'stop' : 'stops'}</button
	>
</p>

<style>
	.into {
		max-width: 24rem;
	}
</style>
