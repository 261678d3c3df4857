<script lang="ts">
	interface Props {
		label: string;
		value: string;
		options: readonly { readonly value: string; readonly label: string }[];
		onchange?: (value: string) => void;
	}
	let { label, value = $bindable(), options, onchange }: Props = $props();
	const id = $props.id();
</script>

<div class="field">
	<label for={id}>{label}</label>
	<select {id} bind:value onchange={() => onchange?.(value)}>
		{#each options as option (option.value)}<option value={option.value}>{option.label}</option>{/each}
	</select>
</div>

<style>
	.field {
		display: grid;
		gap: 0.15rem;
		min-width: 0;
	}
	label {
		font-weight: 600;
		font-size: var(--step--1);
	}
	select {
		width: 100%;
	}
</style>
