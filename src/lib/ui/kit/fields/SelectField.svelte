<script lang="ts">
	interface Props {
		label: string;
		value: string;
		options: readonly { readonly value: string; readonly label: string }[];
		hint?: string | undefined;
		error?: string | undefined;
		onchange?: (value: string) => void;
	}
	let { label, value = $bindable(), options, hint, error, onchange }: Props = $props();
	const id = $props.id();
	/** A choice of more letters than this is cut off in half the width of a phone. */
	const SHORT = 14;
	const isLong = $derived(options.some((option) => option.label.length > SHORT));
</script>

<div class="field" class:long={isLong}>
	<label for={id}>{label}</label>
	<select
		{id}
		bind:value
		onchange={() => onchange?.(value)}
		aria-invalid={error !== undefined}
		aria-describedby="{id}-hint"
	>
		{#each options as option (option.value)}<option value={option.value}>{option.label}</option>{/each}
	</select>
	<p id="{id}-hint" class="hint" class:mind={error}>{error ?? hint ?? ''}</p>
</div>

<style>
	@media (max-width: 480px) {
		.long {
			grid-column: 1 / -1;
		}
	}
</style>
