<script lang="ts">
	interface Props {
		terms: readonly {
			readonly term: string;
			readonly says: string;
			/** it may be absent: a question mark says so */
			readonly optional?: boolean;
		}[];
		/** in a panel: the terms take less room */
		narrow?: boolean;
	}
	/** Terms and what they mean, in hairlines. */
	const { terms, narrow = false }: Props = $props();
</script>

<dl class:panel={narrow}>
	{#each terms as { term, says, optional } (term)}
		<div>
			<dt>
				{term}{#if optional}<span class="soft">?</span>{/if}
			</dt>
			<dd class="soft">{says}</dd>
		</div>
	{/each}
</dl>

<style>
	dl {
		width: 100%;
	}
	div {
		display: grid;
		grid-template-columns: minmax(9rem, 16rem) minmax(0, 1fr);
		gap: var(--gap-3);
		border-top: var(--hairline);
		padding: 0.2rem 0;
		overflow-wrap: anywhere;
	}
	.panel div {
		grid-template-columns: 7rem minmax(0, 1fr);
	}
</style>
