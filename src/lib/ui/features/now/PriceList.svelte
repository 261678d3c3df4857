<script lang="ts">
	import type { Price } from '$core/forecast';
	import { formatHours, formatLitres, type UnitChoice } from '$core/units';

	interface Props {
		prices: readonly Price[];
		units: UnitChoice;
		onlog: (price: Price) => void;
	}
	const { prices, units, onlog }: Props = $props();
</script>

<table>
	<caption>One more costs you</caption>
	<thead class="visually-hidden">
		<tr
			><th scope="col">Habit</th><th scope="col">Litres</th><th scope="col">Time left</th><th scope="col"
				>Log it</th
			></tr
		>
	</thead>
	<tbody>
		{#each prices as price (price.habit)}
			<tr>
				<th scope="row">{price.name}</th>
				<td class="number">{formatLitres(price.litres, units)}</td>
				<td class="number hours">{formatHours(price.hours)}</td>
				<td>
					<button onclick={() => onlog(price)} aria-label="Log one: {price.name}">+</button>
				</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	caption {
		text-align: left;
		font-weight: 650;
		color: var(--soft-ink);
		padding-bottom: var(--gap-2);
	}
	tr {
		border-top: var(--hairline);
	}
	tbody tr:last-child {
		border-bottom: var(--hairline);
	}
	th {
		font-weight: 450;
		overflow-wrap: anywhere;
	}
	.hours {
		font-weight: 650;
		padding: 0 var(--gap-3);
		white-space: nowrap;
	}
	td:last-child {
		width: 2.5rem;
		padding: 0.3rem 0;
	}
	button {
		display: grid;
		place-items: center;
		width: 2.25rem;
		padding: 0;
	}
	@media (pointer: coarse) {
		button {
			width: var(--touch);
		}
	}
</style>
