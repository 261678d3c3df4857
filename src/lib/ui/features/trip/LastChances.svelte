<script lang="ts">
	import type { Rig, Trip } from '$core/logbook';
	import type { LastChance } from '$core/plan';
	import { sayLastChance } from '$core/words';

	interface Props {
		rig: Rig;
		trip: Trip;
		chances: readonly LastChance[];
		nowMs: number;
	}
	/** The last tap or drain for each tank, in a sentence each. */
	const { rig, trip, chances, nowMs }: Props = $props();
</script>

{#if chances.length > 0}
	<p class="small">
		{#each chances as chance (chance.tank)}<span class="mind">{sayLastChance(rig, trip, chance, nowMs)}</span>
		{/each}
	</p>
{/if}

<style>
	p {
		display: grid;
		gap: var(--gap-1);
	}
</style>
