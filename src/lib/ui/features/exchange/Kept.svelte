<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		kept: boolean;
		name: string;
		says: string;
		disabled?: boolean;
		onchange: (kept: boolean) => void;
		/** what stands before the name */
		sign?: Snippet;
	}
	/** One thing that was found, to be kept or left out. */
	const { kept, name, says, disabled = false, onchange, sign }: Props = $props();
</script>

<label class="check"
	><input
		type="checkbox"
		checked={kept}
		{disabled}
		onchange={(event) => onchange(event.currentTarget.checked)}
	/>
	{@render sign?.()}
	<span class="what" class:left={!kept}><strong>{name}</strong><span class="soft small">{says}</span></span
	></label
>

<style>
	label {
		flex: 1 1 14rem;
		min-width: 0;
	}
	.what {
		display: grid;
		line-height: 1.25;
		min-width: 0;
	}
	.left strong {
		font-weight: 400;
		color: var(--soft-ink);
	}
</style>
