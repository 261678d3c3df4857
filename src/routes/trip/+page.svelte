<script lang="ts">
	import { instantMs, tripInUse, tripSpan, type Trip } from '$core/logbook';
	import { dayText, sayPlan } from '$core/words';
	import { useApp } from '$lib/state';
	import Notice from '$lib/ui/page/Notice.svelte';
	import Page from '$lib/ui/page/Page.svelte';
	import PageHead from '$lib/ui/page/PageHead.svelte';
	import Section from '$lib/ui/page/Section.svelte';
	import Spans from '$lib/ui/page/Spans.svelte';
	import StopForm from '$lib/ui/trip/StopForm.svelte';
	import StopTable from '$lib/ui/trip/StopTable.svelte';
	import TripForm from '$lib/ui/trip/TripForm.svelte';

	const app = useApp();
	let open = $state<'trip' | 'new trip' | 'new stop'>();
	let stopId = $state<string>();
	let pastShown = $state(false);

	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.liveRig);
	const trip = $derived(app.tripInView && tripInUse(app.tripInView));
	/** nobody knows today what will be aboard when a trip begins that is weeks away */
	const atHand = $derived(app.tripAtHand !== undefined);
	const plan = $derived(atHand ? app.engine.assessment?.plan : undefined);
	const words = $derived(rig && trip && plan && sayPlan(rig, trip, plan, app.nowMs, units));
	const past = $derived(trip?.stops.filter(({ depart }) => instantMs(depart) <= app.nowMs).length ?? 0);
	const shown = $derived(
		trip?.stops.filter(({ depart }) => pastShown || instantMs(depart) > app.nowMs) ?? []
	);
	const others = $derived(app.records.trips.filter((one) => one.rig === rig?.id && one.id !== trip?.id));
	const span = (one: Trip): string => `${dayText(one.from)} to ${dayText(one.to)}`;
	const dumps = $derived(
		trip?.stops.some(({ services }) => services.some(({ kind }) => kind === 'grey' || kind === 'black'))
	);
</script>

<Page>
	{#if rig && trip}
		{#if words}
			<PageHead>
				{#snippet title()}<Spans spans={words.headline} />{/snippet}
				{#snippet says()}<p class="detail soft"><Spans spans={words.detail} /></p>{/snippet}
			</PageHead>
		{:else if atHand}<PageHead title={trip.name} />
		{:else}<PageHead
				title={trip.name}
				says="Its plan begins three days before it does, when it shows what will be aboard."
			/>{/if}
		{#if plan?.services.some(({ water }) => water)}
			<p class="soft small">
				Drinking water only from a source that a sign or a person calls drinking water, through a
				drinking-water hose.
			</p>
		{/if}
		<Section title={trip.name}>
			<p class="buttons">
				<span class="soft">{span(trip)}, {trip.persons} aboard</span>
				<button onclick={() => (open = 'trip')}>Change trip</button>
				<button onclick={() => (open = 'new stop')}>Add stop</button>
				{#if past > 0}
					<button class="quiet" aria-expanded={pastShown} onclick={() => (pastShown = !pastShown)}
						>{pastShown ? 'Hide' : 'Show'} {past} earlier {past === 1 ? 'stop' : 'stops'}</button
					>
				{/if}
			</p>
			{#if trip.stops.length === 0}
				<Notice calm
					><p>
						No stop yet. Add where you stay and where you can fill or dump, and the next refill and dump point
						stand here.
					</p></Notice
				>
			{:else}
				<StopTable
					{rig}
					{trip}
					stops={shown}
					{plan}
					nowMs={app.nowMs}
					{units}
					onchange={(stop) => (stopId = stop.id)}
				/>
			{/if}
		</Section>
		{#if dumps}
			<p class="soft small">
				Black only at designated places, with gloves; grey on the ground or overboard only where local rules
				allow. They differ.
			</p>
		{/if}
	{:else}
		<PageHead
			title="No trip under way."
			says="Say where you go and what there is on the way, and Dipsometer finds the next refill and dump point."
		/>
	{/if}
	<p><button class:primary={!trip} onclick={() => (open = 'new trip')}>New trip</button></p>
	{#if others.length > 0}
		<Section title="Other trips of {app.rig?.name}" ruled>
			<ul>
				{#each others as one (one.id)}<li>
						{one.name}<span class="soft">, {span(one)}{tripSpan(one)[1] <= app.nowMs ? ', over' : ''}</span>
					</li>{/each}
			</ul>
		</Section>
	{/if}
</Page>

{#if rig && (open === 'trip' || open === 'new trip')}
	<TripForm
		{app}
		{rig}
		trip={open === 'trip' ? app.tripInView : undefined}
		onclose={() => (open = undefined)}
	/>
{/if}
{#if app.tripInView && (open === 'new stop' || stopId !== undefined)}
	<StopForm
		{app}
		trip={app.tripInView}
		stop={app.tripInView.stops.find(({ id }) => id === stopId)}
		onclose={() => ([open, stopId] = [undefined, undefined])}
	/>
{/if}
