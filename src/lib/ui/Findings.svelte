<script lang="ts">
	import type { FoundWords } from '$core/assess';
	import type { Mend } from '$core/verdict';
	import Notice from './Notice.svelte';

	/** What the readings and the balance gave away, each with the tap that mends it. */
	const {
		findings,
		onmend
	}: { findings: readonly FoundWords[]; onmend: (mend: Mend, label: string) => void } = $props();
</script>

{#each findings as { words, mend }, i (i)}
	<Notice>
		<p>{words}</p>
		{#if mend}<button onclick={() => onmend(mend.does, mend.words)}>{mend.words}</button>{/if}
	</Notice>
{/each}

<style>
	button {
		margin-top: var(--gap-2);
	}
</style>
