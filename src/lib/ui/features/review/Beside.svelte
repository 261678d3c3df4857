<script lang="ts">
	import type { Rig, Trip } from '$core/logbook';
	import { formatDuration, formatLitres, type UnitChoice } from '$core/units';
	import { sayAgainst, sayForeseen } from '$core/words';
	import type { InShort, LookedBack } from '$lib/engine';
	import DataTable from '../../kit/page/DataTable.svelte';

	interface Props {
		rig: Rig;
		seen: LookedBack;
		/** the trip that is looked back on, when it is one */
		trip: string | undefined;
		trips: readonly Trip[];
		others: readonly InShort[];
		units: UnitChoice;
	}
	/** A stretch beside what was expected of it, and beside the other trips. */
	const { rig, seen, trip, trips, others, units }: Props = $props();

	const own = $derived(seen.review.perPersonDayL);
	const rest = $derived(others.filter(({ id }) => id !== trip));
	const nameOf = (id: string): string => trips.find((one) => one.id === id)?.name ?? id;
	/** what drew most in this stretch, to be held against other trips */
	const top = $derived(
		seen.habits.filter(({ id }) => rig.habits.some((habit) => habit.id === id)).slice(0, 3)
	);
	const of = (other: InShort, habit: string): number | undefined =>
		other.habits.find(({ id }) => id === habit)?.perPersonDayL;
</script>

{#each sayForeseen(seen.foreseen, own, units) as says (says)}<p>{says}</p>{/each}
{#if rest.length > 0}
	<DataTable
		caption="Other trips, litres a day each"
		columns={[
			{ name: 'Trip' },
			{ name: 'Days', number: true },
			{ name: 'All', number: true },
			{ name: 'This one is' },
			...top.map(({ name }) => ({ name, number: true }))
		]}
	>
		{#each rest as other (other.id)}
			<tr>
				<th scope="row"
					><a href="/ledger/review?trip={encodeURIComponent(other.id)}">{nameOf(other.id)}</a></th
				>
				<td class="number">{formatDuration(other.days)}</td>
				<td class="number"
					>{other.perPersonDayL === undefined ? '–' : formatLitres(other.perPersonDayL, units)}</td
				>
				<td
					>{own === undefined || other.perPersonDayL === undefined
						? ''
						: sayAgainst(own, other.perPersonDayL)}</td
				>
				{#each top as { id } (id)}
					<td class="number">{of(other, id) === undefined ? '–' : formatLitres(of(other, id) ?? 0, units)}</td
					>
				{/each}
			</tr>
		{/each}
	</DataTable>
{:else}<p class="soft">There is no other trip yet to compare it with.</p>{/if}
