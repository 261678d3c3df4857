<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { notRetired, tripInUse, type Point, type Service, type Stop, type Trip } from '$core/logbook';
	import { kmTo, joined, twins, type LatLon } from '$core/places';
	import { formatQuantity } from '$core/units';
	import { listed as saidList } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import type { ChartContent } from '../../parts/map/chart';
	import { mapStops, routeStretchesOf } from '../../parts/map/content';
	import { signsOf } from '../../parts/map/signs';
	import PlaceMap from '../../parts/map/PlaceMap.svelte';
	import Legend from '../../parts/map/Legend.svelte';
	import Page from '../../kit/page/Page.svelte';
	import PageHead from '../../kit/page/PageHead.svelte';
	import Notice from '../../kit/page/Notice.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import { chosenFrom } from './choosing';
	import type { Snippet } from 'svelte';
	import FromDirectory from './FromDirectory.svelte';
	import { nearOf, type Nearness } from './nearness';
	import PointDetails from './PointDetails.svelte';
	import PointFilter from './PointFilter.svelte';
	import PointForm from './PointForm.svelte';
	import PointList from './PointList.svelte';
	import { confirmVisit, visitsToConfirm } from '../../parts/acts/visits';
	import Visits from '../../parts/places/Visits.svelte';

	interface Props {
		app: App;
		/** what is done with points that a directory knows */
		preview: Snippet<[found: readonly Point[], ondone: () => void]>;
		/** a new stop of a trip at a point */
		newStop: Snippet<[trip: Trip, at: Point, onclose: () => void]>;
	}
	/** The person's own directory of water and dump places, in a list and on a map. */
	const { app, preview, newStop }: Props = $props();

	let text = $state('');
	let kinds = $state.raw<readonly Service['kind'][]>([]);
	let drinking = $state(false);
	let asked = $state.raw<Nearness>();
	let pin = $state.raw<LatLon>();
	let form = $state.raw<{ readonly point: Partial<Point>; readonly isNew: boolean }>();
	let stopAt = $state.raw<Point>();
	let directory = $state(false);
	let goTo: (place: LatLon) => void = () => undefined;

	const units = $derived(app.prefs.current.units);
	const whole = $derived(app.tripInView);
	const trip = $derived(whole && tripInUse(whole));
	const points = $derived(notRetired(app.records.points));
	const chosen = $derived(page.url.searchParams.get('point') ?? undefined);
	/** until one asks for something else: what is near the way ahead, where there is something */
	const usual = $derived.by((): Nearness => {
		const way = nearOf({ kind: 'route' }, trip, app.nowMs);
		const some = way && chosenFrom(points, { text: '', kinds: [], drinking: false, near: way }).length > 0;
		return some ? { kind: 'route' } : { kind: 'anywhere' };
	});
	const near = $derived(asked ?? usual);
	const listed = $derived(chosenFrom(points, { text, kinds, drinking, near: nearOf(near, trip, app.nowMs) }));
	/** a map with more signs than these could be neither read nor moved */
	const MOST_SIGNS = 400;
	const onMap = $derived(listed.filter(({ point }, i) => i < MOST_SIGNS || point.id === chosen));
	const doubles = $derived(twins(points));
	const planned = latest(() => {
		void app.engine.written;
		return trip && trip.stops.length > 0 ? app.engine.ask('trip/planOfTrip', trip.id) : undefined;
	});
	const plan = $derived(planned.value?.trip === trip?.id ? planned.value?.plan : undefined);
	const stops = $derived(trip && app.liveRig ? mapStops(trip, plan, app.liveRig, app.nowMs) : []);
	const first = $derived(
		stops.filter(({ last, past }) => last.length > 0 && !past).sort((a, b) => a.order - b.order)[0]
	);
	const reach = $derived(trip && first ? kmTo(trip, first.id, app.nowMs) : undefined);

	const content = $derived<ChartContent>({
		signs: signsOf(
			stops,
			onMap.map(({ point }) => point),
			{ chosen, pin, nowMs: app.nowMs }
		),
		lines: trip
			? routeStretchesOf(trip, plan, app.nowMs).map(({ kind, places }) => ({
					className: `way-${kind}`,
					places
				}))
			: []
	});
	/** the map is fitted anew for another trip, or when one looks near something else */
	const fitFor = $derived(
		`${trip?.id} ${near.kind} ${near.kind === 'then' ? near.stop : ''} ${points.length > 0}`
	);

	function choose(id: string | undefined): void {
		const query = id === undefined ? '' : `?point=${encodeURIComponent(id)}`;
		void goto(`/trip/points${query}`, { replaceState: true, noScroll: true, keepFocus: true });
	}
	function onsign(sign: string): void {
		const [kind, id] = [sign.slice(0, sign.indexOf(':')), sign.slice(sign.indexOf(':') + 1)];
		if (kind === 'point') return choose(id);
		const point = kind === 'stop' ? trip?.stops.find((stop) => stop.id === id)?.point : undefined;
		if (point !== undefined) choose(point);
	}
	function setPin(place: LatLon): void {
		pin = place;
		if (near.kind === 'pin') asked = { kind: 'pin', place };
	}
	const fresh = (position: LatLon | undefined): Partial<Point> => ({
		id: uuid(),
		name: '',
		services: [],
		...(position ? { position: [...position] } : {})
	});
	function closed(kept?: Point): void {
		if (kept && form?.isNew) {
			notifyDone(app, `${kept.name} added`);
			pin = undefined;
			choose(kept.id);
		}
		form = undefined;
		if (page.url.searchParams.has('change')) choose(chosen);
	}
	/** One of two goes out of use; stops that were at it are at the other. */
	async function join(keep: Point, gone: Point): Promise<void> {
		const { commands } = app;
		const atGone = (stop: Stop): boolean => stop.point === gone.id;
		const done = await commands.do(
			[
				commands.editOf('point', keep.id, (newest) => joined(newest, gone)),
				commands.editOf('point', gone.id, (newest) => ({ ...newest, retired: true })),
				...app.records.trips
					.filter(({ stops: all }) => all.some(atGone))
					.map(({ id }) =>
						commands.editOf('trip', id, (newest) => ({
							...newest,
							stops: newest.stops.map((stop) => (atGone(stop) ? { ...stop, point: keep.id } : stop))
						}))
					)
			],
			`${gone.name} is ${keep.name}`
		);
		if (done) notifyDone(app, `${gone.name} is ${keep.name}`);
	}
	// An address may ask for the form of a point.
	$effect(() => {
		const wanted = page.url.searchParams.has('change') ? points.find(({ id }) => id === chosen) : undefined;
		if (wanted && !form) form = { point: wanted, isNew: false };
	});
	const noted = $derived(
		points.length === 0
			? 'No taps or dump points saved yet.'
			: `${points.length} ${points.length === 1 ? 'point' : 'points'} saved.`
	);
	/** a trip has a last chance, as a rule: it comes with the plan, where its place is kept */
	const headed = $derived((trip?.stops.length ?? 0) > 0);
	const title = $derived(
		reach !== undefined && first
			? `${formatQuantity(reach, 'distance', units)} to ${first.name}, the last chance for ${saidList(first.last)}.`
			: noted
	);
</script>

<Page up={{ href: '/trip', name: 'Trip' }}>
	<PageHead {title} lines={headed ? 2 : undefined}>
		{#snippet says()}{#if headed}<p class="soft">{title === noted ? '\u00a0' : noted}</p>{/if}{/snippet}
		{#snippet acts()}
			<button onclick={() => (form = { point: fresh(pin), isNew: true })}>Add a point</button>
			<button onclick={() => (directory = !directory)} aria-expanded={directory}>Look in a directory</button>
			<a class="as-button" href="/data#read">From a file</a>
		{/snippet}
	</PageHead>
	{#if directory}<FromDirectory {app} {trip} {preview} place={pin} onclose={() => (directory = false)} />{/if}
	{#each doubles.slice(0, 2) as [one, other] (one.id)}
		<Notice>
			<p class="sentence">
				<span>{one.name} and {other.name} may be the same place.</span>
				<button class="small" onclick={() => void join(one, other)}>It is {one.name}</button>
				<button class="small" onclick={() => void join(other, one)}>It is {other.name}</button>
			</p>
		</Notice>
	{/each}
	<div class="both">
		<div class="list">
			<PointFilter
				bind:text
				bind:kinds
				bind:drinking
				{near}
				onnear={(next) => (asked = next)}
				{trip}
				nowMs={app.nowMs}
			/>
			{#if listed.length === 0 && points.length > 0}<p class="soft">None of your points matches.</p>{/if}
			<PointList {listed} {units} {chosen} onchoose={choose}>
				{#snippet details(point)}
					<PointDetails
						{app}
						{point}
						onchange={() => (form = { point, isNew: false })}
						onshow={() => goTo(point.position)}
						onstop={whole && (() => (stopAt = point))}
					/>
				{/snippet}
			</PointList>
		</div>
		<div class="map">
			{#if pin}
				<p class="sentence small">
					<span>Pin set.</span>
					<button class="small" onclick={() => (form = { point: fresh(pin), isNew: true })}
						>Add a point there</button
					>
					<button class="small" onclick={() => pin && (asked = { kind: 'pin', place: pin })}
						>What is near it?</button
					>
					<button class="quiet small" onclick={() => (pin = undefined)}>Remove it</button>
				</p>
			{/if}
			<div class="frame">
				<PlaceMap
					{content}
					{fitFor}
					theme={app.prefs.current.theme}
					tiles={app.prefs.current.tiles}
					{onsign}
					onplace={setPin}
					onready={(found) => (goTo = found)}
				/>
			</div>
			{#if onMap.length < listed.length}<p class="soft small">
					{onMap.length} of {listed.length} are on the map: narrow your search, or look near a place.
				</p>{/if}
			<Legend />
		</div>
	</div>
	<Visits
		visits={visitsToConfirm(app).slice(0, 2)}
		nowMs={app.nowMs}
		timeZone={app.timeZone}
		onconfirm={(visit) => void confirmVisit(app, visit)}
	/>
</Page>

{#if form}
	<PointForm {app} point={form.point as Point} isNew={form.isNew} onclose={closed} />
{/if}
{#if stopAt && whole}
	{@render newStop(whole, stopAt, () => (stopAt = undefined))}
{/if}

<style>
	.both {
		display: grid;
		grid-template-columns: minmax(20rem, 1fr) minmax(0, 1.35fr);
		gap: var(--gap-4);
		align-items: start;
	}
	.list {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-2);
		min-width: 0;
	}
	.map {
		display: grid;
		gap: var(--gap-2);
		position: sticky;
		top: 0;
		min-width: 0;
	}
	.frame {
		height: min(56vh, 34rem);
	}
	@media (max-width: 800px) {
		.both {
			grid-template-columns: minmax(0, 1fr);
		}
		.map {
			order: -1;
			position: static;
		}
		.frame {
			height: 40vh;
		}
	}
</style>
