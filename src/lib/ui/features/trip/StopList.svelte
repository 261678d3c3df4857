<script lang="ts">
	import { zonedTime } from '$core/time';
	import { instantMs, type Rig, type Stop, type Trip } from '$core/logbook';
	import {
		canBeShorter,
		HOOKUPS,
		hookupsListed,
		type Plan,
		type PlannedService,
		type TripChange
	} from '$core/plan';
	import { formatQuantity, type UnitChoice } from '$core/units';
	import {
		capital,
		clockText,
		dayText,
		doesAt,
		lastFor,
		sayHeeled,
		sayLegFrom,
		sayNights,
		sayOffered,
		sayReport,
		sayValveCaution,
		sayWeatherOf
	} from '$core/words';
	import { GripVertical } from 'lucide';
	import { dragHandle, dragHandleZone, type DndEvent } from 'svelte-dnd-action';
	import { tick } from 'svelte';

	import type { Report } from '$core/places';
	import Icon from '../../kit/Icon.svelte';
	import InTurn from '../../kit/page/InTurn.svelte';
	import Reports from '../../parts/places/Reports.svelte';
	import IfShut from './IfShut.svelte';
	import { runsFor } from './serviceDone';

	interface Props {
		rig: Rig;
		trip: Trip;
		stops: readonly Stop[];
		plan: Plan | undefined;
		nowMs: number;
		units: UnitChoice;
		onchange: (stop: Stop) => void;
		oninsert: (after: Stop) => void;
		ondo: (change: TripChange) => void;
		/** keeps what there is at a stop as a point of the directory */
		onkeep?: (stop: Stop) => void;
		/** what was found at a service of a stop */
		onreport: (stop: Stop, at: number, report: Report) => void;
	}
	/** The stops of a trip in their order, to be moved by drag and by keys: what there is, and what to do there. */
	const { rig, trip, stops, plan, nowMs, units, onchange, oninsert, ondo, onkeep, onreport }: Props =
		$props();

	const today = $derived(zonedTime(nowMs, trip.timeZone).day);
	const FLIP_MS = 120;
	const isPast = (stop: Stop): boolean => instantMs(stop.depart) <= nowMs;
	const isHere = (stop: Stop): boolean => instantMs(stop.arrive) <= nowMs && !isPast(stop);
	/** what has begun stays where it is */
	const fixed = $derived(stops.filter(({ arrive }) => instantMs(arrive) <= nowMs));
	const ahead = $derived(stops.filter(({ arrive }) => instantMs(arrive) > nowMs));
	/** what one can hook up to: it counts once it is chosen */
	const hookupsOf = (stop: Stop): readonly (typeof HOOKUPS)[number][] =>
		HOOKUPS.filter((kind) => stop.hookup?.[kind] === true || hookupsListed(stop).includes(kind));
	const toggled = (stop: Stop): NonNullable<Stop['hookup']> =>
		Object.fromEntries(hookupsOf(stop).map((kind) => [kind, !stop.hookup]));
	/** all rows stand: from then on they come at once, as they do and go while one is dragged */
	let stand = $state(false);
	/** as they lie while one is dragged; else as they are */
	let dragged = $state.raw<readonly Stop[]>();
	const shown = $derived(dragged ?? ahead);
	/** the plan as it was when one was taken hold of: no row grows or shrinks under the finger that drags */
	let held = $state.raw<Plan>();
	const toldPlan = $derived(dragged ? held : plan);
	const planned = $derived(toldPlan?.services ?? []);
	const servicesAt = (stop: Stop): readonly PlannedService[] =>
		planned.filter((service) => service.stop === stop.id);
	const dayOf = (stop: Stop): string => dayText(zonedTime(instantMs(stop.arrive), trip.timeZone).day);

	const placeOf = (id: string): number => trip.stops.findIndex((stop) => stop.id === id);
	function drags(items: readonly Stop[]): void {
		if (!dragged) held = plan;
		dragged = items;
	}
	function dropped(items: readonly Stop[], id: string): void {
		const [from, at] = [placeOf(id), items.findIndex((stop) => stop.id === id)];
		const to = placeOf(ahead[0]?.id ?? '') + at;
		dragged = undefined;
		if (from !== to) ondo({ kind: 'order', stop: id, to });
	}
	async function move(stop: Stop, by: number): Promise<void> {
		const at = ahead.findIndex(({ id }) => id === stop.id);
		if (at + by < 0 || at + by >= ahead.length) return;
		ondo({ kind: 'order', stop: stop.id, to: placeOf(stop.id) + by });
		await tick();
	}
	function onkeydown(event: KeyboardEvent, stop: Stop): void {
		const keys: Readonly<Record<string, () => void>> = {
			...(event.altKey
				? { ArrowUp: () => void move(stop, -1), ArrowDown: () => void move(stop, 1) }
				: {
						'+': () => ondo({ kind: 'nights', stop: stop.id, by: 1 }),
						'-': () => canBeShorter(stop, trip.timeZone) && ondo({ kind: 'nights', stop: stop.id, by: -1 })
					})
		};
		const act = keys[event.key];
		if (!act) return;
		event.preventDefault();
		event.stopPropagation();
		act();
	}
</script>

{#snippet row(stop: Stop, movable: boolean)}
	{@const acts = doesAt(rig, toldPlan, stop, units, trip.timeZone)}
	{@const last = lastFor(rig, toldPlan, stop.id)}
	{@const nights = sayNights(stop, trip.timeZone)}
	<span class="day">{dayOf(stop)}<span class="soft small">{clockText(stop.arrive, trip.timeZone)}</span></span
	>
	<div class="what">
		<span
			><strong>{stop.name}</strong>{#if nights}<span class="soft">, {nights}</span
				>{/if}{#if stop.legKm > 0}<span class="soft"
					>, {formatQuantity(stop.legKm, 'distance', units)}{sayLegFrom(stop)}</span
				>{/if}
			{#if isHere(stop)}<span class="tag">here</span>{/if}</span
		>
		{#if acts.length > 0}<span
				><strong class="do">{acts.join(', then again ')}</strong>
				{#each runsFor(stop.id, servicesAt(stop)) as { name, href } (name)}<a
						class="run small"
						{href}
						aria-label="{name} at {stop.name}">{name}</a
					>
				{/each}</span
			>
			{#if toldPlan}<IfShut {rig} {trip} plan={toldPlan} stop={stop.id} {nowMs} {units} />{/if}
		{/if}
		<span class="soft small"
			>{stop.services.length > 0 ? 'Here: ' : ''}{sayOffered(
				stop,
				rig.kind === 'boat'
			)}{#if stop.noDischarge}; nothing overboard{/if}{#if stop.weather}; {sayWeatherOf(
					stop,
					units
				)}{/if}{#if stop.hookup?.sewer}. {sayValveCaution(rig, true) ?? ''}{/if}{#if stop.heel}. {sayHeeled(
					rig,
					stop,
					units
				)}{/if}</span
		>
		{#if isHere(stop) && stop.services.length > 0}
			<Reports services={stop.services} {today} onreport={(at, report) => onreport(stop, at, report)} />
		{:else if !isPast(stop)}
			{#each stop.services as service, at (at)}
				{@const told = sayReport(service, today)}
				{#if told}<span class="soft small">{capital(told)}.</span>{/if}
			{/each}
		{/if}
		<span class="also">
			{#if !isPast(stop) && hookupsOf(stop).length > 0}<button
					class="why small"
					aria-label="{stop.hookup ? 'Don’t hook up' : 'Hook up'} at {stop.name}"
					onclick={() => ondo({ kind: 'hookup', stop: stop.id, hookup: toggled(stop) })}
					>{stop.hookup ? 'Don’t hook up' : 'Hook up'}</button
				>{/if}
			{#if onkeep && stop.services.length > 0 && stop.point === undefined}<button
					class="why small"
					aria-label="Keep {stop.name} as a point"
					onclick={() => onkeep(stop)}>Save as a point</button
				>{/if}
		</span>
		{#if last.length > 0}<span class="mind small last">last chance: {last.join(', ')}</span>{/if}
	</div>
	<span class="acts">
		{#if !isPast(stop)}
			<button
				class="quiet"
				disabled={!canBeShorter(stop, trip.timeZone)}
				aria-label="One night fewer at {stop.name}"
				onclick={() => ondo({ kind: 'nights', stop: stop.id, by: -1 })}>−</button
			><button
				class="quiet"
				aria-label="One night more at {stop.name}"
				onclick={() => ondo({ kind: 'nights', stop: stop.id, by: 1 })}>+</button
			>
			<button
				class="quiet small wide"
				aria-label="Add a stop after {stop.name}"
				onclick={() => oninsert(stop)}>Add after</button
			>
		{/if}
		<button
			class="quiet small"
			onclick={() => onchange(stop)}
			onkeydown={(event) => movable && onkeydown(event, stop)}
			aria-keyshortcuts={movable ? 'Alt+ArrowUp Alt+ArrowDown' : undefined}
			aria-label="Change {stop.name}">Change</button
		>
	</span>
{/snippet}

<div class="both">
	{#if fixed.length > 0}
		<ol class="stops" aria-label="Stops that have begun">
			{#each fixed as stop (stop.id)}
				<li class:past={isPast(stop)} class:here={isHere(stop)}>
					<InTurn atOnce={stand}><span class="grip"></span>{@render row(stop, false)}</InTurn>
				</li>
			{/each}
		</ol>
	{/if}
	{#if shown.length > 0}
		<ol
			class="stops"
			aria-label="Stops ahead"
			use:dragHandleZone={{ items: [...shown], flipDurationMs: FLIP_MS, dropTargetStyle: {} }}
			onconsider={(event: CustomEvent<DndEvent<Stop>>) => drags(event.detail.items)}
			onfinalize={(event: CustomEvent<DndEvent<Stop>>) => dropped(event.detail.items, event.detail.info.id)}
		>
			{#each shown as stop (stop.id)}
				<li>
					<InTurn atOnce={stand}>
						<span class="grip" use:dragHandle aria-label="Move {stop.name}"><Icon icon={GripVertical} /></span
						>{@render row(stop, true)}
					</InTurn>
				</li>
			{/each}
		</ol>
	{/if}
</div>
<InTurn>
	<p class="soft small keys" {@attach () => void (stand = true)}>
		Drag a stop by its handle. Or, on its Change button, Alt with the arrow keys moves it; + and − change its
		nights.
	</p>
</InTurn>

<style>
	.both {
		width: 100%;
	}
	.stops {
		width: 100%;
	}
	/* Not made yet. */
	li:empty {
		display: none;
	}
	li:not(:empty) {
		display: grid;
		grid-template-columns: 1.75rem 5.5rem minmax(0, 1fr) auto;
		gap: var(--gap-2);
		align-items: center;
		border-top: var(--hairline);
		min-height: var(--touch);
		background: var(--paper);
	}
	.day {
		display: grid;
		line-height: 1.25;
		white-space: nowrap;
		font-variant-numeric: tabular-nums;
	}
	.what {
		display: grid;
		line-height: 1.3;
		padding: 0.35rem 0;
		overflow-wrap: anywhere;
	}
	.also {
		display: flex;
		flex-wrap: wrap;
		gap: 0 var(--gap-3);
	}
	.run {
		margin-left: var(--gap-2);
		font-weight: 600;
	}
	.last {
		font-weight: 600;
	}
	.past {
		color: var(--soft-ink);
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
	.grip {
		display: grid;
		place-items: center;
		min-height: var(--touch);
		color: var(--soft-ink);
		touch-action: none;
	}
	.acts {
		display: flex;
		align-items: center;
	}
	.acts button {
		min-width: 2.25rem;
	}
	@media (max-width: 800px) {
		li:not(:empty) {
			grid-template-columns: 1.5rem 5.6rem minmax(0, 1fr);
			gap: 0 var(--gap-2);
		}
		.acts {
			grid-column: 3;
			margin-left: -0.6rem;
		}
		.acts button {
			min-width: var(--touch);
		}
		.keys {
			display: none;
		}
	}
</style>
