<script lang="ts">
	import type { Rig } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import Notice from '../../../kit/page/Notice.svelte';
	import Impacts from './Impacts.svelte';
	import type { Proposals } from './proposals.svelte';

	/** What stands against a change that was asked for. */
	const { proposals, rig, units }: { proposals: Proposals; rig: Rig; units: UnitChoice } = $props();
	const held = $derived(proposals.held);
</script>

{#if held && held.problems.length > 0}
	<Notice>
		<div role="alert">
			{#each held.problems as { path, expected, got }, i (i)}<p>
					{path.replace('$.', '')}: expected {expected}, got {got}.
				</p>{/each}
		</div>
		<button onclick={() => proposals.leave()}>Cancel</button>
	</Notice>
{:else if held}
	<Impacts
		{rig}
		impacts={held.impacts}
		{units}
		oninsist={() => void proposals.insist(rig.id)}
		onleave={() => proposals.leave()}
	/>
{/if}
