<script lang="ts">
	import Sheet from '../page/Sheet.svelte';
	import { SHORTCUTS } from './shortcuts';

	const { onclose }: { onclose: () => void } = $props();
</script>

<Sheet title="Keys" {onclose}>
	<dl>
		{#each SHORTCUTS as { keys, does } (keys)}
			<dt>
				{#each keys.split(' ') as key (key)}<kbd>{key}</kbd>
				{/each}
			</dt>
			<dd>{does}</dd>
		{/each}
	</dl>
	<button onclick={onclose}>Close</button>
</Sheet>

<style>
	dl {
		display: grid;
		grid-template-columns: max-content 1fr;
		gap: var(--gap-2) var(--gap-4);
	}
	kbd {
		font: inherit;
		font-weight: 600;
		border: 1px solid var(--line);
		border-radius: var(--corner);
		padding: 0 0.4rem;
	}
	button {
		justify-self: start;
	}
</style>
