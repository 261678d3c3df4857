<script lang="ts">
	/** Names with what is to be said of each, in hairlines. */
	const { facts }: { facts: readonly { readonly name: string; readonly says: string }[] } = $props();
</script>

<ul>
	{#each facts as { name, says } (name)}
		<li><strong>{name}</strong><span>{says}</span></li>
	{/each}
</ul>

<style>
	ul {
		width: 100%;
	}
	li {
		display: grid;
		grid-template-columns: min(30%, 14rem) minmax(0, 1fr);
		gap: var(--gap-2);
		border-top: var(--hairline);
		padding: 0.35rem 0;
	}
</style>
