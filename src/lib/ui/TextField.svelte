<script lang="ts">
	interface Props {
		label: string;
		value: string;
		hint?: string;
		type?: 'text' | 'date' | 'datetime-local' | 'time';
		maxlength?: number;
		error?: string | undefined;
		onchange?: (value: string) => void;
	}
	let { label, value = $bindable(), hint, type = 'text', maxlength = 200, error, onchange }: Props = $props();
	const id = $props.id();
</script>

<div class="field">
	<label for={id}>{label}</label>
	<input
		{id}
		{type}
		{maxlength}
		bind:value
		oninput={() => onchange?.(value)}
		autocomplete="off"
		aria-invalid={error !== undefined}
		aria-describedby="{id}-hint"
	/>
	<p id="{id}-hint" class="hint" class:error>{error ?? hint ?? ''}</p>
</div>

<style>
	.field {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 0.15rem;
		min-width: 0;
	}
	label {
		font-weight: 600;
		font-size: var(--step--1);
	}
	input {
		width: 100%;
	}
	.hint {
		font-size: var(--step--1);
		color: var(--soft-ink);
	}
	.hint:empty {
		display: none;
	}
	.hint.error {
		color: var(--caution);
	}
</style>
