<script lang="ts">
	import type { Snippet } from 'svelte';

	/** What stands in a column's head; `wide` ones give way on a phone. */
	interface Column {
		readonly name: string;
		readonly number?: boolean;
		readonly wide?: boolean;
		/** read out, not shown */
		readonly quiet?: boolean;
	}
	interface Props {
		columns: readonly Column[];
		caption?: string;
		/** the rows */
		children: Snippet;
	}
	/** Figures in columns, in hairlines; it scrolls sideways by itself where it must. */
	const { columns, caption, children }: Props = $props();
</script>

<div class="scroll">
	<table class="data">
		{#if caption}<caption>{caption}</caption>{/if}
		<thead>
			<tr>
				{#each columns as { name, number, wide, quiet }, i (i)}
					<th scope="col" class:number class:wide><span class:visually-hidden={quiet}>{name}</span></th>
				{/each}
			</tr>
		</thead>
		<tbody>{@render children()}</tbody>
	</table>
</div>

<style>
	.scroll {
		width: 100%;
		overflow-x: auto;
	}
	caption {
		text-align: left;
		font-weight: 650;
		padding-bottom: var(--gap-2);
	}
</style>
