<script lang="ts">
	import type { FindingMend } from '$core/findings';
	import type { FoundWords } from '$core/now';
	import Notice from '../../kit/page/Notice.svelte';

	/** What the readings and the balance gave away, each with the taps that mend it. */
	const {
		findings,
		onmend
	}: { findings: readonly FoundWords[]; onmend: (mend: FindingMend, label: string) => void } = $props();
</script>

{#each findings as { words, mends }, i (i)}
	<Notice>
		<p>{words}</p>
		{#if mends.length > 0}<p class="buttons">
				{#each mends as { does, words: label } (label)}<button onclick={() => onmend(does, label)}
						>{label}</button
					>{/each}
			</p>{/if}
	</Notice>
{/each}
