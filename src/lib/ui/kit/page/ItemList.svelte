<script lang="ts" generics="T extends { readonly id: string; readonly name: string }">
	import type { Snippet } from 'svelte';

	interface Props {
		items: readonly T[];
		/** what is said beside the name */
		says: Snippet<[T]>;
		/** the name itself, when it is more than a text */
		named?: Snippet<[T]>;
		onchange: (item: T) => void;
	}
	/** Things with a name, a line about each, and a button to change it. */
	const { items, says, named, onchange }: Props = $props();
</script>

<ul>
	{#each items as item (item.id)}
		<li>
			<strong
				>{#if named}{@render named(item)}{:else}{item.name}{/if}</strong
			><span>{@render says(item)}</span><button
				class="quiet"
				onclick={() => onchange(item)}
				aria-label="Change {item.name}">Change</button
			>
		</li>
	{/each}
</ul>

<style>
	ul {
		width: 100%;
	}
	li {
		display: grid;
		grid-template-columns: minmax(7rem, 14rem) minmax(0, 1fr) auto;
		gap: var(--gap-2);
		align-items: center;
		border-top: var(--hairline);
		padding: 0.15rem 0;
		overflow-wrap: anywhere;
	}
	@media (max-width: 800px) {
		li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		li > span {
			grid-row: 2;
		}
	}
</style>
