<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		title: string;
		/** a line over it, where sections are many and short */
		ruled?: boolean;
		/** what stands at the end of the title's line */
		beside?: Snippet;
		children: Snippet;
	}
	const { title, ruled = false, beside, children }: Props = $props();
	const id = $props.id();
</script>

<section class:ruled aria-labelledby={id}>
	{#if beside}<div class="titled">
			<h2 {id}>{title}</h2>
			{@render beside()}
		</div>{:else}<h2 {id}>{title}</h2>{/if}
	{@render children()}
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-2);
		justify-items: start;
		min-width: 0;
	}
	.ruled {
		border-top: var(--hairline);
		padding-top: var(--gap-3);
	}
	h2 {
		font-size: var(--step-1);
	}
	.titled {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2) var(--gap-4);
		align-items: center;
		justify-content: space-between;
		width: 100%;
	}
</style>
