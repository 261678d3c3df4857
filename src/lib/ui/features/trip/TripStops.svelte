<script lang="ts">
	import { instantMs, type Rig, type Stop, type Trip } from '$core/logbook';
	import type { Report } from '$core/places';
	import type { Plan, TripChange } from '$core/plan';
	import type { UnitChoice } from '$core/units';
	import { DUMP_CAUTION, sayDays } from '$core/words';
	import type { Snippet } from 'svelte';
	import InTurn from '../../kit/page/InTurn.svelte';
	import Notice from '../../kit/page/Notice.svelte';
	import Section from '../../kit/page/Section.svelte';
	import StopList from './StopList.svelte';

	interface Props {
		rig: Rig;
		trip: Trip;
		plan: Plan | undefined;
		over: boolean;
		nowMs: number;
		units: UnitChoice;
		/** a change that is tried, where one is */
		tried: Snippet | undefined;
		onedit: () => void;
		/** adds a stop, after another one or at the end */
		onadd: (after?: Stop) => void;
		ontry: () => void;
		oncopy: () => void;
		/** copies the trip in lines, as one would write it */
		ontext: () => void;
		/** stays where one is; nothing where that cannot be */
		onstay: (() => void) | undefined;
		onchange: (stop: Stop) => void;
		ondo: (change: TripChange) => void;
		onkeep: (stop: Stop) => void;
		onreport: (stop: Stop, at: number, report: Report) => void;
	}
	/** The stops of a trip, and what can be done to it. */
	const {
		rig,
		trip,
		plan,
		over,
		nowMs,
		units,
		tried,
		onedit,
		onadd,
		ontry,
		oncopy,
		ontext,
		onstay,
		onchange,
		ondo,
		onkeep,
		onreport
	}: Props = $props();

	let pastShown = $state(false);
	const gone = $derived(trip.stops.filter(({ depart }) => instantMs(depart) <= nowMs).length);
	const shown = $derived(trip.stops.filter(({ depart }) => pastShown || over || instantMs(depart) > nowMs));
	const dumps = $derived(
		trip.stops.some(({ services }) => services.some(({ kind }) => kind === 'grey' || kind === 'black'))
	);
</script>

<Section title={trip.name}>
	<p class="buttons">
		<span class="soft">{sayDays(trip)}, {trip.persons} aboard</span>
		<button onclick={onedit}>Change trip</button>
		<a class="as-button" href="/trip/lines?trip={encodeURIComponent(trip.id)}">Edit as lines</a>
		<button onclick={() => onadd()}>Add stop</button>
		{#if trip.stops.length > 0 && !over}<button onclick={ontry}>What if…</button>{/if}
		<button class="quiet" onclick={oncopy}>Copy</button>
		{#if trip.stops.length > 0}<button class="quiet" onclick={ontext}>Copy as text</button>{/if}
		{#if gone > 0 && !over}
			<button class="quiet" aria-expanded={pastShown} onclick={() => (pastShown = !pastShown)}
				>{pastShown ? 'Hide' : 'Show'} {gone} earlier {gone === 1 ? 'stop' : 'stops'}</button
			>
		{/if}
	</p>
	{@render tried?.()}
	{#if trip.stops.length === 0}
		<Notice calm
			><p>
				No stops yet. Add where you stay and where you can fill or dump; your next refill and dump point then
				appear here.
			</p></Notice
		>
		{#if onstay}<p class="buttons"><button onclick={onstay}>We stay here: how long?</button></p>{/if}
	{:else}
		<InTurn
			><StopList
				{rig}
				{trip}
				stops={shown}
				{plan}
				{nowMs}
				{units}
				{onchange}
				oninsert={onadd}
				{ondo}
				{onkeep}
				{onreport}
			/></InTurn
		>
	{/if}
</Section>
{#if dumps}
	<InTurn><p class="soft small">{DUMP_CAUTION}</p></InTurn>
{/if}
