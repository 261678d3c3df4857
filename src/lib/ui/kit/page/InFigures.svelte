<script lang="ts">
	import { flushSync, type Snippet } from 'svelte';

	/** The figures of a chart as a table, behind it. */
	const { children }: { children: Snippet } = $props();
	/** what nobody has opened is not made */
	let opened = $state(false);
</script>

<svelte:window onbeforeprint={() => flushSync(() => (opened = true))} />

<details ontoggle={(event) => (opened ||= event.currentTarget.open)}>
	<summary>The same in figures</summary>
	{#if opened}{@render children()}{/if}
</details>

<style>
	details {
		width: 100%;
	}
	summary {
		min-height: var(--touch);
		padding-top: 0.6rem;
		cursor: pointer;
	}
</style>
