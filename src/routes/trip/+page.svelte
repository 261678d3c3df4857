<script lang="ts">
	import { DAY_MS, zonedIso, zonedTime } from '$core/time';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { instantMs, tripInUse, tripSpan, type Stop, type Trip } from '$core/logbook';
	import type { PlanMend, TripChange } from '$core/plan';
	import { capital, dayText, sayChange, sayLastChance, sayPlan } from '$core/words';
	import { latest } from '$lib/engine';
	import { onMount } from 'svelte';
	import { v7 as uuid } from 'uuid';
	import { useApp } from '$lib/state';
	import Columns from '$lib/ui/kit/page/Columns.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import Spans from '$lib/ui/kit/page/Spans.svelte';
	import { notifyDone } from '$lib/ui/parts/acts/notify';
	import LoadBefore from '$lib/ui/features/trip/LoadBefore.svelte';
	import PlanNews from '$lib/ui/features/trip/PlanNews.svelte';
	import PointsAhead from '$lib/ui/features/trip/PointsAhead.svelte';
	import Ribbon from '$lib/ui/features/trip/ribbon/Ribbon.svelte';
	import Schools from '$lib/ui/features/trip/Schools.svelte';
	import StopForm from '$lib/ui/features/trip/StopForm.svelte';
	import StopList from '$lib/ui/features/trip/StopList.svelte';
	import { copyOfTrip, keepChange, keepPoint } from '$lib/ui/features/trip/tripActs';
	import TripForm from '$lib/ui/features/trip/TripForm.svelte';
	import WhatIf from '$lib/ui/features/trip/WhatIf.svelte';

	const app = useApp();
	let open = $state<'trip' | 'new trip' | 'new stop' | 'what if'>();
	let stopId = $state<string>();
	let insertAfter = $state.raw<Stop | undefined>();
	/** a stop that is to be kept as a point once it is said where it is */
	let toPlace = $state.raw<Stop>();
	let tried = $state.raw<TripChange | undefined>();
	let pastShown = $state(false);

	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.liveRig);
	const own = $derived(app.records.trips.filter((one) => one.rig === rig?.id));
	/** any trip can be looked at by its address; else the one under way or next */
	const whole = $derived(own.find(({ id }) => id === page.url.searchParams.get('trip')) ?? app.tripInView);
	const trip = $derived(whole && tripInUse(whole));
	const atHand = $derived(trip !== undefined && trip.id === app.tripAtHand?.id);
	const over = $derived(trip !== undefined && tripSpan(trip)[1] <= app.nowMs);
	const planned = latest(() => {
		void app.engine.assessment;
		return trip && trip.stops.length > 0 && !over ? app.engine.ask('trip/planOfTrip', trip.id) : undefined;
	});
	const current = $derived(planned.value?.trip === trip?.id ? planned.value : undefined);
	const plan = $derived(current?.plan);
	const ways = latest(() => {
		void app.engine.assessment;
		return trip && trip.stops.length > 0 && !over ? app.engine.ask('trip/waysOfTrip', trip.id) : undefined;
	});
	const others = $derived(ways.value?.trip === trip?.id ? ways.value : undefined);
	const past = latest(() => {
		void app.engine.written;
		const firstMs = trip?.stops[0] ? instantMs(trip.stops[0].arrive) : app.nowMs;
		return firstMs < app.nowMs ? app.engine.ask('tank/smoothedPast', firstMs) : undefined;
	});
	const words = $derived(
		rig &&
			trip &&
			plan &&
			current &&
			sayPlan(rig, trip, plan, current.settingOut ? current.fromMs : app.nowMs, units)
	);
	const gone = $derived(trip?.stops.filter(({ depart }) => instantMs(depart) <= app.nowMs).length ?? 0);
	const shown = $derived(
		trip?.stops.filter(({ depart }) => pastShown || over || instantMs(depart) > app.nowMs) ?? []
	);
	const span = (one: Trip): string => `${dayText(one.from)} to ${dayText(one.to)}`;
	const dumps = $derived(
		trip?.stops.some(({ services }) => services.some(({ kind }) => kind === 'grey' || kind === 'black'))
	);
	const mendWords = ({ change }: PlanMend): string =>
		rig && trip ? capital(sayChange(change, { rig, trip, points: app.records.points, units })) : '';

	onMount(() => {
		if (page.url.hash === '#new') open = 'new trip';
	});

	function tryIt(change: TripChange | undefined): void {
		tried = change;
		open = 'what if';
	}
	async function copy(): Promise<void> {
		if (!trip) return;
		const next = copyOfTrip(trip, zonedTime(app.nowMs, trip.timeZone).day);
		if (!(await app.commands.put([{ kind: 'trip', value: next }], `${next.name}: copied`))) return;
		notifyDone(app, `${next.name}: copied`);
		await goto(`/trip?trip=${encodeURIComponent(next.id)}`);
	}

	/** How long one can stay where one is: a stop that lasts as long as the tanks do, at the odds that plans are made for. */
	async function stayHere(): Promise<void> {
		const days = app.engine.assessment?.forecast.autonomyDays.p10;
		if (!whole || days === undefined) return;
		const leaveMs = app.nowMs + Math.max(1, Math.floor(days)) * DAY_MS;
		const stop: Stop = {
			id: uuid(),
			name: 'Here',
			arrive: zonedIso(app.nowMs, whole.timeZone),
			depart: zonedIso(leaveMs, whole.timeZone),
			legKm: 0,
			services: []
		};
		const lastDay = zonedTime(leaveMs, whole.timeZone).day;
		await app.commands.change(
			'trip',
			whole.id,
			(newest) => ({
				...newest,
				stops: [...newest.stops, stop],
				to: lastDay > newest.to ? lastDay : newest.to
			}),
			'We stay here'
		);
	}
</script>

<Page>
	{#if rig && trip}
		{#if words}
			<PageHead>
				{#snippet title()}<Spans spans={words.headline} />{/snippet}
				{#snippet says()}<p class="detail soft"><Spans spans={words.detail} /></p>{/snippet}
			</PageHead>
		{:else if over}<PageHead title={trip.name} says="This trip is over." />
		{:else}<PageHead title={trip.name} />{/if}
		{#if current?.settingOut}
			<p class="soft">
				Planned as if you set out on {dayText(zonedTime(current.fromMs, trip.timeZone).day)} with full water and
				empty waste tanks, living as you do now.
			</p>
		{/if}
		{#if atHand}<PlanNews {app} />{/if}
		{#if planned.trouble}<Notice><p>The plan could not be made: {planned.trouble}.</p></Notice>{/if}
		{#if current && plan}
			<Ribbon
				{rig}
				{trip}
				planned={current}
				past={past.value ?? []}
				nowMs={app.nowMs}
				{units}
				theme={app.prefs.current.theme}
			/>
		{/if}
		{#if plan && plan.lastChance.length > 0}
			<p class="small chances">
				{#each plan.lastChance as chance (chance.tank)}<span class="mind"
						>{rig.tanks.find(({ id }) => id === chance.tank)?.name}: {sayLastChance(
							rig,
							trip,
							chance,
							app.nowMs
						)}</span
					>
				{/each}
			</p>
		{/if}
		{#if plan && !plan.feasible}
			<Section title="What would mend it">
				{#if others}
					{#if others.mends.length > 0}
						<ul class="mends">
							{#each others.mends as mend (JSON.stringify(mend.change))}
								<li>
									<span
										>{mendWords(mend)}:
										<span class="soft">then {Math.round(100 * mend.chance)} chances in a hundred</span></span
									><button onclick={() => tryIt(mend.change)}>Try</button>
								</li>
							{/each}
						</ul>
					{:else}<p class="soft">
							No measure, load by hand, known point, shorter stay or other order does it. Carry water or
							waste, or stay less long.
						</p>{/if}
				{:else}<p class="soft" aria-live="polite">Looking for what would mend it…</p>{/if}
			</Section>
		{/if}
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
				{#if trip.stops.length > 0 && !over}<button onclick={() => tryIt(undefined)}>What if…</button>{/if}
				<button class="quiet" onclick={() => void copy()}>Copy</button>
				{#if gone > 0 && !over}
					<button class="quiet" aria-expanded={pastShown} onclick={() => (pastShown = !pastShown)}
						>{pastShown ? 'Hide' : 'Show'} {gone} earlier {gone === 1 ? 'stop' : 'stops'}</button
					>
				{/if}
			</p>
			{#if open === 'what if'}
				<div class="what-if">
					{#key tried}<WhatIf {app} {rig} {trip} given={tried} onclose={() => (open = undefined)} />{/key}
				</div>
			{/if}
			{#if trip.stops.length === 0}
				<Notice calm
					><p>
						No stop yet. Add where you stay and where you can fill or dump, and the next refill and dump point
						stand here.
					</p></Notice
				>
				{#if atHand && app.engine.assessment}
					<p class="buttons"><button onclick={() => void stayHere()}>We stay here: how long?</button></p>
				{/if}
			{:else}
				<StopList
					{rig}
					{trip}
					stops={shown}
					{plan}
					nowMs={app.nowMs}
					{units}
					onchange={(stop) => (stopId = stop.id)}
					oninsert={(after) => ([insertAfter, open] = [after, 'new stop'])}
					ondo={(change) => void keepChange(app, trip, change)}
					onkeep={(stop) => (stop.position ? void keepPoint(app, trip, stop) : (toPlace = stop))}
				/>
			{/if}
		</Section>
		{#if dumps}
			<p class="soft small">
				Black only at designated places, with gloves; grey on the ground or overboard only where local rules
				allow. They differ.
			</p>
		{/if}
		{#if plan && !over && rig.containers.length > 0}
			{#await import('$lib/ui/features/runs/StaysByHand.svelte') then { default: StaysByHand }}
				<StaysByHand {app} trip={trip.id} />
			{/await}
		{/if}
		{#if others && plan}
			<Columns>
				{#if others.load}
					<Section title="How much to load before you leave" ruled>
						<LoadBefore {rig} {trip} load={others.load} {units} />
					</Section>
				{/if}
				<Section title="Ways to fill and dump, on this trip" ruled>
					<Schools
						{trip}
						schools={others.schools}
						{units}
						onchoose={(school) => void keepChange(app, trip, { kind: 'school', school })}
					/>
					<p class="soft small">
						Costs are fees, and minutes, detours and carried water at your prices: <button
							class="why small"
							onclick={() => (open = 'trip')}>change them</button
						>.
					</p>
				</Section>
			</Columns>
		{/if}
	{:else}
		<PageHead
			title="No trip under way."
			says="Say where you go and what there is on the way, and Dipsometer finds the next refill and dump point."
		/>
	{/if}
	{#if rig}
		<Section title="Water and dump points" ruled>
			<PointsAhead {app} {trip} />
		</Section>
	{/if}
	<p><button class:primary={!trip} onclick={() => (open = 'new trip')}>New trip</button></p>
	{#if own.length > (trip ? 1 : 0)}
		<Section title="Other trips of {app.rig?.name}" ruled>
			<ul>
				{#each own.filter(({ id }) => id !== trip?.id) as one (one.id)}<li>
						<a href="/trip?trip={encodeURIComponent(one.id)}">{one.name}</a><span class="soft"
							>, {span(one)}{tripSpan(one)[1] <= app.nowMs ? ', over' : ''}</span
						>
					</li>{/each}
			</ul>
		</Section>
	{/if}
</Page>

{#if rig && (open === 'trip' || open === 'new trip')}
	<TripForm {app} {rig} trip={open === 'trip' ? whole : undefined} onclose={() => (open = undefined)} />
{/if}
{#if whole && (open === 'new stop' || stopId !== undefined)}
	<StopForm
		{app}
		trip={whole}
		stop={whole.stops.find(({ id }) => id === stopId)}
		after={insertAfter}
		onclose={() => ([open, stopId, insertAfter] = [undefined, undefined, undefined])}
	/>
{/if}

{#if toPlace && whole}
	{@const stop = toPlace}
	{#await import('$lib/ui/features/places/PointForm.svelte') then { default: PointForm }}
		<PointForm
			{app}
			isNew
			point={{ id: uuid(), name: stop.name, services: stop.services }}
			onclose={(kept) => {
				toPlace = undefined;
				if (kept) void keepPoint(app, whole, { ...stop, position: kept.position }, kept);
			}}
		/>
	{/await}
{/if}

<style>
	.mends {
		list-style: none;
		padding: 0;
		width: 100%;
	}
	.mends li {
		display: flex;
		gap: var(--gap-3);
		align-items: center;
		justify-content: space-between;
		border-top: var(--hairline);
		max-width: 44rem;
	}
	.chances {
		display: grid;
		gap: var(--gap-1);
	}
	.what-if {
		display: grid;
		gap: var(--gap-2);
		width: 100%;
		max-width: 44rem;
		border: 1px solid var(--line);
		border-radius: var(--corner);
		padding: var(--gap-3);
	}
</style>
