<script lang="ts">
	import type { Point, Rig, Trip } from '$core/logbook';
	import type { PlanMend, TripChange } from '$core/plan';
	import type { UnitChoice } from '$core/units';
	import { capital, NO_FIX, sayChange } from '$core/words';

	interface Props {
		rig: Rig;
		trip: Trip;
		points: readonly Point[];
		/** nothing while they are looked for */
		mends: readonly PlanMend[] | undefined;
		units: UnitChoice;
		ontry: (change: TripChange) => void;
	}
	/** What would make a trip hold that does not, each with its odds, to be tried. */
	const { rig, trip, points, mends, units, ontry }: Props = $props();
</script>

{#if !mends}<p class="soft" aria-live="polite">Looking for what would fix it…</p>
{:else if mends.length === 0}<p class="soft">
		{NO_FIX}
	</p>
{:else}
	<ul>
		{#each mends as { change, chance } (JSON.stringify(change))}
			<li>
				<span
					>{capital(sayChange(change, { rig, trip, points, units }))}:
					<span class="soft">then {Math.round(100 * chance)}% chance</span></span
				><button onclick={() => ontry(change)}>Try</button>
			</li>
		{/each}
	</ul>
{/if}

<style>
	ul {
		width: 100%;
	}
	li {
		display: flex;
		gap: var(--gap-3);
		align-items: center;
		justify-content: space-between;
		border-top: var(--hairline);
		max-width: 44rem;
	}
</style>
