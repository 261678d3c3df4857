<script lang="ts">
	import type { LucideProps } from '@lucide/svelte';
	import type { Component, Snippet } from 'svelte';

	interface Props {
		icon: Component<LucideProps>;
		/** draws it wherever it is wanted */
		children: Snippet<[icon: Snippet]>;
	}
	/** An icon that stands in many rows. The package takes as long for one as a row for all the rest: it is made once, and all rows show that. */
	const { icon: Icon, children }: Props = $props();
	const id = $props.id();
	const SIZE_PX = 18;
</script>

{#snippet shown()}
	<svg width={SIZE_PX} height={SIZE_PX} aria-hidden="true"><use href="#{id}" /></svg>
{/snippet}
<div hidden><Icon {id} size={SIZE_PX} aria-hidden="true" /></div>
{@render children(shown)}
