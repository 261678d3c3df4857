<script lang="ts">
	interface Props {
		label: string;
		value: string;
		hint?: string | undefined;
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
	<p id="{id}-hint" class="hint" class:mind={error}>{error ?? hint ?? ''}</p>
</div>
