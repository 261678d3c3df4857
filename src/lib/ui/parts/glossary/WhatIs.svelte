<script lang="ts">
	import type { Word } from '$core/words';
	import { useShell } from '../acts/shellContext';

	/** Our own words that stand near by: a tap tells what one means. */
	const { words }: { words: readonly Word[] } = $props();
	const shell = useShell();
</script>

<p class="soft small">
	What is
	{#each words as word, i (word)}{i === 0 ? '' : i === words.length - 1 ? ' or ' : ', '}<button
			type="button"
			class="why small"
			onclick={() => shell.showWords(word)}>{word}</button
		>{/each}?
</p>

<style>
	p {
		max-width: 46rem;
	}
</style>
