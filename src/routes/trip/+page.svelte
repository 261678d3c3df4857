<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { tripInUse, tripSpan, type Stop } from '$core/logbook';
	import type { TripChange } from '$core/plan';
	import { isCarried } from '$core/rig';
	import { DRINKING_CAUTION, sayDoubtfulTaps, sayOverload } from '$core/words';
	import { onMount } from 'svelte';
	import { v7 as uuid } from 'uuid';
	import { useApp } from '$lib/state';
	import { later, PATIENCE_MS } from '$lib/ui/kit/later.svelte';
	import KeptPlace from '$lib/ui/kit/page/KeptPlace.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import InTurn from '$lib/ui/kit/page/InTurn.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import { askedOfTrip } from '$lib/ui/features/trip/askedOfTrip.svelte';
	import Fallback from '$lib/ui/features/trip/Fallback.svelte';
	import LastChances from '$lib/ui/features/trip/LastChances.svelte';
	import Mends from '$lib/ui/features/trip/Mends.svelte';
	import OtherTrips from '$lib/ui/features/trip/OtherTrips.svelte';
	import OtherWays from '$lib/ui/features/trip/OtherWays.svelte';
	import type { OpenOfTrip } from '$lib/ui/features/trip/openOfTrip';
	import PlanNews from '$lib/ui/features/trip/PlanNews.svelte';
	import PointsAhead from '$lib/ui/features/trip/PointsAhead.svelte';
	import Ribbon from '$lib/ui/features/trip/Ribbon.svelte';
	import { ribbonHeight } from '$lib/ui/parts/charts/ribbon/ribbonLayout';
	import {
		copyText,
		keepChange,
		keepCopy,
		keepPoint,
		reportFound,
		stayHere
	} from '$lib/ui/features/trip/tripActs';
	import TripHead from '$lib/ui/features/trip/TripHead.svelte';
	import TripStops from '$lib/ui/features/trip/TripStops.svelte';
	import TripDialogs from '$lib/ui/features/trip/TripDialogs.svelte';
	import WhatIf from '$lib/ui/features/trip/WhatIf.svelte';

	const app = useApp();
	let open = $state.raw<OpenOfTrip>();
	const close = (): void => (open = undefined);
	/** a stop that is to be kept as a point once it is said where it is */
	let toPlace = $state.raw<Stop>();

	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.liveRig);
	const own = $derived(app.records.trips.filter((one) => one.rig === rig?.id));
	/** any trip can be looked at by its address; else the one under way or next */
	const whole = $derived(own.find(({ id }) => id === page.url.searchParams.get('trip')) ?? app.tripInView);
	const trip = $derived(whole && tripInUse(whole));
	const atHand = $derived(trip !== undefined && trip.id === app.tripAtHand?.id);
	const over = $derived(trip !== undefined && tripSpan(trip)[1] <= app.nowMs);
	const asked = askedOfTrip(app, () => trip);
	const { planned, plan, ways, mends, past } = $derived(asked);
	const patience = later(PATIENCE_MS);
	const waits = $derived(asked.waits && !patience.over);
	/** what is said under the ribbon, px */
	const UNDER_RIBBON_PX = 108;
	const ribbonPx = $derived(
		ribbonHeight(rig?.tanks.filter((tank) => !isCarried(rig, tank)).length ?? 0) + UNDER_RIBBON_PX
	);

	onMount(() => {
		if (page.url.hash === '#new') void goto('/trip/lines', { replaceState: true });
	});

	const tryIt = (given?: TripChange): void => void (open = { form: 'what if', given });
	async function copy(): Promise<void> {
		const id = trip && (await keepCopy(app, trip));
		if (id !== undefined) await goto(`/trip?trip=${encodeURIComponent(id)}`);
	}
</script>

<Page>
	{#if rig && trip}
		<TripHead
			{rig}
			{trip}
			{plan}
			settingOutMs={planned?.settingOut ? planned.fromMs : undefined}
			waits={asked.waits}
			{over}
			nowMs={app.nowMs}
			{units}
			mend={mends?.[0]}
			points={app.records.points}
		/>
		{#if atHand}<PlanNews {app} />{/if}
		{#if asked.trouble}<Notice><p>The plan couldn’t be made: {asked.trouble}.</p></Notice>{/if}
		{#if (plan || asked.waits) && !waits}
			<KeptPlace height="{ribbonPx}px">
				<InTurn>
					{#if planned && past}
						<Ribbon
							{rig}
							{trip}
							{planned}
							{past}
							nowMs={app.nowMs}
							{units}
							theme={app.prefs.current.theme}
							onday={atHand ? (day) => void goto(`#ahead-${day}`, { noScroll: true }) : undefined}
						/>
					{/if}
				</InTurn>
			</KeptPlace>
		{/if}
		{#if !waits}
			<LastChances {rig} {trip} chances={plan?.lastChance ?? []} nowMs={app.nowMs} />
			{#if plan && !plan.feasible}
				<Section title="What would fix it">
					<KeptPlace height={mends ? undefined : '8.5rem'}>
						<Mends {rig} {trip} points={app.records.points} {mends} {units} ontry={tryIt} />
					</KeptPlace>
				</Section>
			{/if}
			{#if plan?.services.some(({ water }) => water)}
				{@const doubtful = sayDoubtfulTaps(trip, plan)}
				{@const overload = sayOverload(trip, plan, units)}
				{#if overload}<Notice><p>{overload}</p></Notice>{/if}
				{#if doubtful}<p class="mind">{doubtful}</p>{/if}
				<p class="soft small">{DRINKING_CAUTION}</p>
			{/if}
			{#snippet whatIf()}
				{#if open?.form === 'what if'}
					{#key open.given}<WhatIf {app} {rig} {trip} given={open.given} onclose={close} />{/key}
				{/if}
			{/snippet}
			<InTurn>
				<TripStops
					{rig}
					{trip}
					{plan}
					{over}
					nowMs={app.nowMs}
					{units}
					tried={open?.form === 'what if' ? whatIf : undefined}
					onedit={() => (open = { form: 'trip' })}
					onadd={(after) => (open = { form: 'new stop', after })}
					ontry={() => tryIt()}
					oncopy={() => void copy()}
					ontext={() => void copyText(app, trip)}
					onstay={atHand && app.engine.assessment ? () => void stayHere(app, whole ?? trip) : undefined}
					onchange={(stop) => (open = { form: 'stop', stop: stop.id })}
					onreport={(stop, at, report) => void reportFound(app, trip, stop, at, report)}
					ondo={(change) => void keepChange(app, trip, change)}
					onkeep={(stop) => (stop.position ? void keepPoint(app, trip, stop) : (toPlace = stop))}
				/>
			</InTurn>
			<InTurn>
				{#if atHand}
					{#await import('$lib/ui/features/ahead/AheadDays.svelte') then { default: AheadDays }}
						<AheadDays {app} />
					{/await}
				{/if}
			</InTurn>
			<InTurn>
				{#if plan && !over && rig.containers.length > 0}
					{#await import('$lib/ui/features/runs/StaysByHand.svelte') then { default: StaysByHand }}
						<StaysByHand {app} trip={trip.id} />
					{/await}
				{/if}
			</InTurn>
			<InTurn>
				{#if plan && !over}
					<Section title="If one is shut" ruled>
						<Fallback
							on={trip.policy?.fallback === true}
							price={ways?.fallback}
							onchange={(on) => void keepChange(app, trip, { kind: 'fallback', on })}
						/>
					</Section>
				{/if}
			</InTurn>
			<InTurn>
				{#if ways && plan}
					<OtherWays
						{rig}
						{trip}
						{ways}
						{units}
						onchoose={(school) => void keepChange(app, trip, { kind: 'school', school })}
						onprices={() => (open = { form: 'trip' })}
					/>
				{/if}
			</InTurn>
		{/if}
	{:else}
		<PageHead
			title="No trip under way."
			says="Enter where you are going and what is on the route, and Dipsometer finds the next refill and dump point."
		/>
	{/if}
	{#if !waits}
		<InTurn>
			{#if rig}
				<Section title="Taps and dump points" ruled>
					<PointsAhead {app} {trip} asked={asked.points} />
				</Section>
			{/if}
		</InTurn>
		<InTurn>
			<p><a class="as-button" class:primary={!trip} href="/trip/lines">New trip</a></p>
			<OtherTrips
				rig={app.rig?.name ?? ''}
				trips={own.filter(({ id }) => id !== trip?.id)}
				nowMs={app.nowMs}
			/>
		</InTurn>
	{/if}
</Page>

{#if rig}<TripDialogs {app} trip={whole} {open} onclose={close} />{/if}
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
