<script lang="ts">
	import { instantMs, zonedTime, type Rig, type Stop, type Trip } from '$core/logbook';
	import type { Plan } from '$core/plan';
	import { formatQuantity, type UnitChoice } from '$core/units';
	import { dayText, sayNights, sayOffered, sayService } from '$core/words';
	import DataTable from '../page/DataTable.svelte';

	interface Props {
		rig: Rig;
		trip: Trip;
		stops: readonly Stop[];
		plan: Plan | undefined;
		nowMs: number;
		units: UnitChoice;
		onchange: (stop: Stop) => void;
	}
	/** The stops of a trip in their order: what there is, and what to do there. */
	const { rig, trip, stops, plan, nowMs, units, onchange }: Props = $props();

	const planned = $derived(new Map(plan?.services.map((service) => [service.stop, service])));
	const lastFor = (stop: Stop): readonly string[] =>
		(plan?.lastChance ?? [])
			.filter((chance) => chance.stop === stop.id)
			.map(({ tank }) => rig.tanks.find(({ id }) => id === tank)?.name ?? tank);
	const isPast = (stop: Stop): boolean => instantMs(stop.depart) <= nowMs;
	const isHere = (stop: Stop): boolean => instantMs(stop.arrive) <= nowMs && !isPast(stop);
</script>

<DataTable
	columns={[
		{ name: 'Day' },
		{ name: 'Stop' },
		{ name: 'There is', wide: true },
		{ name: 'You do' },
		{ name: 'Leg', number: true, wide: true },
		{ name: 'Change', quiet: true }
	]}
>
	{#each stops as stop (stop.id)}
		{@const service = planned.get(stop.id)}
		{@const last = lastFor(stop)}
		{@const nights = sayNights(stop, trip.timeZone)}
		<tr class:past={isPast(stop)} class:here={isHere(stop)}>
			<td class="day">{dayText(zonedTime(instantMs(stop.arrive), trip.timeZone).day)}</td>
			<th scope="row">
				{stop.name}{#if nights}<span class="soft">, {nights}</span>{/if}
				{#if isHere(stop)}<span class="tag">here</span>{/if}
				<span class="narrow soft small">{sayOffered(stop)}</span>
			</th>
			<td class="soft wide">{sayOffered(stop)}</td>
			<td>
				{#if service}<strong>{sayService(rig, service, units)}</strong>{/if}
				{#if last.length > 0}<span class="last mind small">last chance: {last.join(', ')}</span>{/if}
			</td>
			<td class="number soft wide">{formatQuantity(stop.legKm, 'distance', units)}</td>
			<td
				><button class="quiet small" onclick={() => onchange(stop)} aria-label="Change {stop.name}"
					>Change</button
				></td
			>
		</tr>
	{/each}
</DataTable>

<style>
	td,
	th {
		vertical-align: baseline;
	}
	tr:last-child > * {
		border-bottom: var(--hairline);
	}
	.day {
		white-space: nowrap;
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
		font-weight: 600;
	}
	.narrow {
		font-weight: 400;
	}
	@media (max-width: 800px) {
		.narrow {
			display: block;
		}
	}
</style>
