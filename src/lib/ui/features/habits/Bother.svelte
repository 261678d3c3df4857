<script lang="ts">
	/** The bother that someone gives a measure, 0 to 5, as dots. */
	const { effort = 1 }: { effort?: number | undefined } = $props();
	const MOST = 5;
	const SHOWN = 3;
	const dots = $derived(Math.max(SHOWN, Math.ceil(effort)));
</script>

<span role="img" aria-label="bother {effort} of {MOST}">
	{#each { length: dots }, i}<i class:on={i < effort}></i>{/each}
</span>

<style>
	span {
		display: inline-flex;
		gap: 3px;
		vertical-align: middle;
	}
	i {
		width: 9px;
		height: 9px;
		border-radius: 50%;
		border: 1.2px solid var(--ink);
	}
	.on {
		background: var(--ink);
	}
</style>
