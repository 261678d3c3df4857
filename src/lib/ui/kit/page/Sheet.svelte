<script lang="ts">
	import { Dialog } from 'bits-ui';
	import type { Snippet } from 'svelte';

	/** A panel over the page, with its title; Escape and a tap beside it close it. */
	const {
		title,
		onclose,
		children,
		wide = false
	}: { title: string; onclose: () => void; children: Snippet; wide?: boolean } = $props();
</script>

<Dialog.Root open onOpenChange={(open) => !open && onclose()}>
	<Dialog.Portal>
		<Dialog.Overlay>
			{#snippet child({ props })}<div {...props} class="overlay"></div>{/snippet}
		</Dialog.Overlay>
		<Dialog.Content>
			{#snippet child({ props })}
				<div {...props} class="panel" class:wide>
					<Dialog.Title>
						{#snippet child({ props: heading })}<h2 {...heading}>{title}</h2>{/snippet}
					</Dialog.Title>
					{@render children()}
				</div>
			{/snippet}
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>

<style>
	.overlay {
		position: fixed;
		inset: 0;
		background: color-mix(in srgb, var(--ink) 30%, transparent);
		z-index: 20;
	}
	.panel {
		position: fixed;
		z-index: 21;
		inset: 0 0 0 auto;
		width: min(30rem, 100vw);
		overflow-y: auto;
		background: var(--paper);
		border-left: 1px solid var(--ink);
		padding: var(--gap-4);
		display: grid;
		align-content: start;
		gap: var(--gap-3);
	}
	.panel.wide {
		width: min(44rem, 100vw);
	}
	@media (max-width: 640px) {
		.panel {
			padding: var(--gap-3);
		}
	}
</style>
