<script lang="ts">
	/** Stands where an answer will be. */
	const { trouble }: { trouble: string | undefined } = $props();
</script>

<p class="soft">{trouble ? 'The levels can’t be shown now.' : 'Working out the levels…'}</p>

<style>
	p {
		padding: var(--gap-4);
	}
</style>
