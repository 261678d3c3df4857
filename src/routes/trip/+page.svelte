<script lang="ts">
	import { tripSpan } from '$core/assess';
	import { instantMs, zonedTime, type Stop, type Trip } from '$core/logbook';
	import { formatQuantity } from '$core/units';
	import { sayPlan, sayService } from '$core/verdict';
	import { useApp } from '$lib/state';
	import { dayText } from '$lib/ui/describe';
	import Notice from '$lib/ui/Notice.svelte';
	import Spans from '$lib/ui/Spans.svelte';
	import StopForm from '$lib/ui/StopForm.svelte';
	import TripForm from '$lib/ui/TripForm.svelte';

	const app = useApp();
	let editingTrip = $state(false);
	let newTrip = $state(false);
	let stopId = $state<string>();
	let newStop = $state(false);
	let pastShown = $state(false);

	const units = $derived(app.prefs.current.units);
	const trip = $derived(app.trip);
	const plan = $derived(app.assessment?.plan);
	const words = $derived(app.rig && trip && plan && sayPlan(app.rig, trip, plan, app.nowMs, units));
	const planned = $derived(new Map(plan?.services.map((service) => [service.stop, service])));
	const lastFor = (stop: Stop): readonly string[] =>
		(plan?.lastChance ?? [])
			.filter((chance) => chance.stop === stop.id)
			.map(({ tank }) => app.rig?.tanks.find(({ id }) => id === tank)?.name ?? tank);

	const SERVICE_WORDS = {
		water: 'water',
		grey: 'grey drain',
		black: 'black disposal',
		mains: 'mains water',
		sewer: 'sewer'
	} as const;
	const offered = (stop: Stop): string =>
		stop.services
			.map(
				(service) =>
					`${SERVICE_WORDS[service.kind]}${service.kind === 'water' && service.potable === false ? ' (not for drinking)' : ''}`
			)
			.join(', ') || 'nothing here';
	const nights = (stop: Stop, zone: string): string => {
		const n = Math.round(
			(Date.parse(zonedTime(instantMs(stop.depart), zone).day) -
				Date.parse(zonedTime(instantMs(stop.arrive), zone).day)) /
				86_400_000
		);
		return n > 0 ? `${n} ${n === 1 ? 'night' : 'nights'}` : '';
	};
	const isHere = (stop: Stop): boolean =>
		instantMs(stop.arrive) <= app.nowMs && app.nowMs < instantMs(stop.depart);
	const isPast = (stop: Stop): boolean => instantMs(stop.depart) <= app.nowMs;
	const pastCount = $derived(trip?.stops.filter(isPast).length ?? 0);
	const shownStops = $derived(trip?.stops.filter((stop) => pastShown || !isPast(stop)) ?? []);
	const others = $derived(app.trips.filter((one) => one.rig === app.rig?.id && one.id !== trip?.id));
	const span = (one: Trip): string => `${dayText(one.from)} to ${dayText(one.to)}`;
	const isOver = (one: Trip): boolean => tripSpan(one)[1] <= app.nowMs;
</script>

<div class="page">
	{#if trip}
		{#if words}
			<h1><Spans spans={words.headline} /></h1>
			<p class="detail soft"><Spans spans={words.detail} /></p>
		{:else}
			<h1>{trip.name}</h1>
		{/if}
		{#if plan && plan.services.some(({ water }) => water)}
			<p class="soft small">
				Drinking water only from a source that a sign or a person calls drinking water, through a
				drinking-water hose.
			</p>
		{/if}
		<div class="head">
			<h2>{trip.name}</h2>
			<span class="soft">{span(trip)}, {trip.persons} aboard</span>
			<button onclick={() => (editingTrip = true)}>Change trip</button>
			<button onclick={() => (newStop = true)}>Add stop</button>
			{#if pastCount > 0}
				<button class="quiet" aria-expanded={pastShown} onclick={() => (pastShown = !pastShown)}
					>{pastShown ? 'Hide' : 'Show'} {pastCount} earlier {pastCount === 1 ? 'stop' : 'stops'}</button
				>
			{/if}
		</div>
		{#if trip.stops.length === 0}
			<Notice calm
				><p>
					No stop yet. Add where you stay and where you can fill or dump, and the next refill and dump point
					stand here.
				</p></Notice
			>
		{:else}
			<table>
				<thead>
					<tr
						><th scope="col">Day</th><th scope="col">Stop</th><th scope="col" class="wide">There is</th><th
							scope="col">You do</th
						><th scope="col" class="number wide">Leg</th><th><span class="visually-hidden">Change</span></th
						></tr
					>
				</thead>
				<tbody>
					{#each shownStops as stop (stop.id)}
						{@const service = planned.get(stop.id)}
						{@const last = lastFor(stop)}
						<tr class:past={isPast(stop)} class:here={isHere(stop)}>
							<td class="day">{dayText(zonedTime(instantMs(stop.arrive), trip.timeZone).day)}</td>
							<th scope="row">
								{stop.name}{#if nights(stop, trip.timeZone)}<span class="soft"
										>, {nights(stop, trip.timeZone)}</span
									>{/if}
								{#if isHere(stop)}<span class="tag">here</span>{/if}
								<span class="narrow soft">{offered(stop)}</span>
							</th>
							<td class="soft wide">{offered(stop)}</td>
							<td>
								{#if service && app.rig}<strong>{sayService(app.rig, service, units)}</strong>{/if}
								{#if last.length > 0}<span class="last">last chance: {last.join(', ')}</span>{/if}
							</td>
							<td class="number soft wide">{formatQuantity(stop.legKm, 'distance', units)}</td>
							<td
								><button class="quiet" onclick={() => (stopId = stop.id)} aria-label="Change {stop.name}"
									>Change</button
								></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		{/if}
		{#if trip.stops.some(({ services }) => services.some(({ kind }) => kind === 'grey' || kind === 'black'))}
			<p class="soft small">
				Black only at designated places, with gloves; grey on the ground or overboard only where local rules
				allow. They differ.
			</p>
		{/if}
	{:else}
		<h1>No trip under way.</h1>
		<p class="detail soft">
			Say where you go and what there is on the way, and Dipsometer finds the next refill and dump point.
		</p>
	{/if}
	<p><button class:primary={!trip} onclick={() => (newTrip = true)}>New trip</button></p>
	{#if others.length > 0}
		<section>
			<h2>Other trips of {app.rig?.name}</h2>
			<ul>
				{#each others as one (one.id)}<li>
						{one.name}<span class="soft">, {span(one)}{isOver(one) ? ', over' : ''}</span>
					</li>{/each}
			</ul>
		</section>
	{/if}
</div>

{#if app.rig && (newTrip || editingTrip)}
	<TripForm
		{app}
		rig={app.rig}
		trip={newTrip ? undefined : trip}
		onclose={() => ([newTrip, editingTrip] = [false, false])}
	/>
{/if}
{#if trip && (newStop || stopId)}
	<StopForm
		{app}
		{trip}
		stop={trip.stops.find(({ id }) => id === stopId)}
		onclose={() => ([newStop, stopId] = [false, undefined])}
	/>
{/if}

<style>
	.page {
		padding: 1.4rem var(--gap-4) var(--gap-4);
		display: grid;
		gap: var(--gap-3);
		align-content: start;
	}
	.detail {
		font-size: var(--step-1);
	}
	.detail :global(strong) {
		color: var(--ink);
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2) var(--gap-3);
		align-items: baseline;
		margin-top: var(--gap-3);
	}
	.head h2 {
		font-size: var(--step-1);
	}
	th,
	td {
		padding: 0.55rem 0.8rem 0.55rem 0;
		border-top: var(--hairline);
		vertical-align: baseline;
	}
	thead th {
		border: 0;
		color: var(--soft-ink);
		font-size: var(--step--1);
	}
	tbody tr:last-child > * {
		border-bottom: var(--hairline);
	}
	.day {
		white-space: nowrap;
	}
	td button {
		min-height: 1.6rem;
		padding: 0 0.4rem;
	}
	.past {
		color: var(--soft-ink);
	}
	.past th {
		font-weight: 450;
	}
	.here {
		background: var(--shoal);
	}
	.tag {
		font-size: var(--step--1);
		border: 1px solid var(--ink);
		border-radius: var(--corner);
		padding: 0 0.35rem;
		margin-left: 0.4rem;
	}
	.last {
		display: block;
		color: var(--caution);
		font-weight: 600;
		font-size: var(--step--1);
	}
	.small {
		font-size: var(--step--1);
	}
	.narrow {
		display: none;
	}
	section {
		border-top: var(--hairline);
		padding-top: var(--gap-3);
	}
	section h2 {
		font-size: var(--step-1);
	}
	@media (max-width: 800px) {
		.page {
			padding: var(--gap-3);
		}
		.wide {
			display: none;
		}
		.narrow {
			display: block;
			font-weight: 400;
			font-size: var(--step--1);
		}
		th,
		td {
			padding-right: 0.5rem;
		}
	}
</style>
