<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		/** where this page stands under, as a way back */
		up?: { readonly href: string; readonly name: string };
		/** read across the whole window, no wider than a text, or an act that has the window to itself */
		measure?: 'window' | 'text' | 'act';
		children: Snippet;
	}
	/** A view's content, one section under the other. */
	const { up, measure = 'window', children }: Props = $props();
</script>

<div class="page {measure}">
	{#if up}<p class="up"><a href={up.href}>{up.name}</a></p>{/if}
	{@render children()}
</div>

<style>
	.page {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-4);
		align-content: start;
		padding: 1.4rem var(--gap-4) var(--gap-4);
	}
	.text,
	.act {
		max-width: 64rem;
	}
	.act {
		width: 100%;
		margin: 0 auto;
	}
	.up {
		margin-bottom: calc(-1 * var(--gap-3));
	}
	@media (max-width: 800px) {
		.page {
			gap: var(--gap-3);
			padding: var(--gap-3);
		}
	}
	@media print {
		.page {
			padding: 0;
		}
		.up {
			display: none;
		}
	}
</style>
