<script lang="ts">
	import type { Rig } from '$core/logbook';
	import type { Impact } from '$core/rig';
	import type { UnitChoice } from '$core/units';
	import { ENTRIES_STAY, sayImpact } from '$core/words';
	import Notice from '../../../kit/page/Notice.svelte';

	interface Props {
		rig: Rig;
		impacts: readonly Impact[];
		units: UnitChoice;
		oninsist: () => void;
		/** thinks better of it; absent where closing the form does */
		onleave?: () => void;
	}
	/** What a change of the rig would make impossible of what was written down, and the way to do it all the same. */
	const { rig, impacts, units, oninsist, onleave }: Props = $props();
</script>

<Notice>
	<div role="alert">
		<p>With this change, some logged entries would no longer be possible:</p>
		{#each impacts as impact, i (i)}<p>{sayImpact(rig, impact, units)}</p>{/each}
		<p>{ENTRIES_STAY}</p>
	</div>
	<p class="buttons">
		<button onclick={oninsist}>Change it anyway</button>
		{#if onleave}<button onclick={onleave}>Cancel</button>{/if}
	</p>
</Notice>
