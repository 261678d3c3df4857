<script lang="ts">
	import type { FindingMend } from '$core/findings';
	import type { FoundWords } from '$core/now';
	import Notice from '../../kit/page/Notice.svelte';

	/** What the readings and the balance gave away, each with the tap that mends it. */
	const {
		findings,
		onmend
	}: { findings: readonly FoundWords[]; onmend: (mend: FindingMend, label: string) => void } = $props();
</script>

{#each findings as { words, mend }, i (i)}
	<Notice>
		<p>{words}</p>
		{#if mend}<p class="buttons">
				<button onclick={() => onmend(mend.does, mend.words)}>{mend.words}</button>
			</p>{/if}
	</Notice>
{/each}
