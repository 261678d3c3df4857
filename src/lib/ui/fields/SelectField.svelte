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
</script>

<div class="field">
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
