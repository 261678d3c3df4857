<script lang="ts">
	import { capital, GLOSSARY, type Word } from '$core/words';
	import Sheet from '../../kit/page/Sheet.svelte';
	import Terms from '../../kit/page/Terms.svelte';

	/** What our own words mean: the one that was asked for first, then all of them. */
	const { word, onclose }: { word: Word | undefined; onclose: () => void } = $props();
	const terms = Object.entries(GLOSSARY)
		.map(([term, says]) => ({ term: capital(term), says }))
		.sort((a, b) => a.term.localeCompare(b.term));
</script>

<Sheet title={word === undefined ? 'What our words mean' : capital(word)} {onclose}>
	{#if word !== undefined}
		<p class="asked">{GLOSSARY[word]}</p>
		<h3>All our words</h3>
	{/if}
	<Terms {terms} narrow />
	<p><button onclick={onclose}>Close</button></p>
</Sheet>

<style>
	.asked {
		font-size: var(--step-1);
	}
</style>
