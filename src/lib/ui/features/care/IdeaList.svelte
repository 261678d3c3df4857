<script lang="ts">
	import type { CareIdea } from '$core/care';

	interface Props {
		ideas: readonly CareIdea[];
		onadd: (idea: CareIdea) => void;
	}
	/** What could be looked after as well, as a start. */
	const { ideas, onadd }: Props = $props();
</script>

<ul>
	{#each ideas as idea (idea.key)}
		<li>
			<span class="what"
				><strong>{idea.name}</strong><span class="soft">{idea.how}</span>
				{#if idea.caution}<span class="mind">{idea.caution}</span>{/if}</span
			>
			<button aria-label="Add: {idea.name}" onclick={() => onadd(idea)}>Add</button>
		</li>
	{/each}
</ul>

<style>
	ul {
		width: 100%;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: var(--gap-3);
		align-items: center;
		border-top: var(--hairline);
		padding: var(--gap-2) 0;
	}
	.what {
		display: grid;
	}
</style>
