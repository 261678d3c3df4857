<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		head: Snippet;
		/** what went wrong or is new, under the head */
		notices: Snippet | undefined;
		/** what stands beside the view, where it is not *Now* */
		beside: Snippet | undefined;
		foot: Snippet;
		children: Snippet;
	}
	/** Head, view and foot fill the window; the view alone scrolls. */
	const { head, notices, beside, foot, children }: Props = $props();
</script>

<div class="shell">
	{@render head()}
	{@render notices?.()}
	<div class="middle" class:beside>
		{@render beside?.()}
		<main>{@render children()}</main>
	</div>
	{@render foot()}
</div>

<style>
	.shell {
		display: grid;
		grid-template: auto auto minmax(0, 1fr) auto / minmax(0, 1fr);
		height: 100dvh;
	}
	.middle {
		grid-row: 3;
		min-height: 0;
		display: grid;
		grid-template-columns: minmax(0, 1fr);
	}
	.middle.beside {
		grid-template-columns: auto minmax(0, 1fr);
	}
	main {
		min-width: 0;
		min-height: 0;
		/* What is placed apart within it scrolls with it, and not the page under the quick line. */
		position: relative;
		overflow-y: auto;
	}
	@media (max-width: 800px) {
		.middle.beside {
			grid-template: auto minmax(0, 1fr) / minmax(0, 1fr);
		}
	}
	@media print {
		.shell,
		.middle,
		.middle.beside {
			display: block;
			height: auto;
		}
		main {
			overflow: visible;
		}
	}
</style>
