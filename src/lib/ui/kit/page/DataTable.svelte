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
	/** Figures in columns, in hairlines. On a phone more than three columns become a list, each row with its figures under it. */
	const { columns, caption, children }: Props = $props();
	const MOST = 3;
	/** the heads as words that a row of the list puts before its figures */
	const heads = $derived(columns.map(({ name }, i) => `--head-${i + 1}: ${JSON.stringify(name)}`).join('; '));
</script>

<div class="scroll">
	<table class="data" class:listed={columns.length > MOST} style={heads}>
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
	@media (max-width: 640px) {
		.listed thead {
			position: absolute;
			width: 1px;
			height: 1px;
			overflow: hidden;
			clip-path: inset(50%);
		}
		.listed :global(:is(tbody, tr, th, td)) {
			display: block;
		}
		.listed :global(tr) {
			border-top: var(--hairline);
			padding: var(--gap-2) 0;
		}
		.listed :global(:is(tbody th, td)) {
			border: 0;
			padding: 0.1rem 0;
		}
		.listed :global(td) {
			display: block;
			text-align: right;
		}
		.listed :global(td:empty) {
			display: none;
		}
		.listed :global(td::before) {
			float: left;
			color: var(--soft-ink);
			padding-right: var(--gap-3);
		}
		.listed :global(td:nth-child(1)::before) {
			content: var(--head-1);
		}
		.listed :global(td:nth-child(2)::before) {
			content: var(--head-2);
		}
		.listed :global(td:nth-child(3)::before) {
			content: var(--head-3);
		}
		.listed :global(td:nth-child(4)::before) {
			content: var(--head-4);
		}
		.listed :global(td:nth-child(5)::before) {
			content: var(--head-5);
		}
		.listed :global(td:nth-child(6)::before) {
			content: var(--head-6);
		}
		.listed :global(td:nth-child(7)::before) {
			content: var(--head-7);
		}
		.listed :global(td:nth-child(8)::before) {
			content: var(--head-8);
		}
	}
	caption {
		text-align: left;
		font-weight: 650;
		padding-bottom: var(--gap-2);
	}
</style>
