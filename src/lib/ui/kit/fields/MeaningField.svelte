<script lang="ts">
	import { percentOf, shareOf, type OtherNumber } from './fields';
	import NumberField from './NumberField.svelte';
	import SelectField from './SelectField.svelte';

	interface Props {
		label: string;
		value: number | undefined;
		options: readonly { readonly value: number; readonly label: string }[];
		/** when another number may be meant: what it is called */
		other?: OtherNumber | undefined;
		hint?: string | undefined;
		onchange: (value: number | undefined) => void;
	}
	/** A number chosen by what it means. */
	const { label, value, options, other, hint, onchange }: Props = $props();

	const OTHER = 'other';
	/** Figures are the same when they differ by less than a person could mean. */
	const SAME = 1e-6;
	const found = $derived(
		options.findIndex((one) => value !== undefined && Math.abs(one.value - value) < SAME)
	);
	/** a number of one's own is asked for, also while it happens to be one of those that have a name */
	let own = $state(false);
	const choice = $derived(
		own || (found === -1 && value !== undefined) ? OTHER : found === -1 ? '' : String(found)
	);

	function choose(next: string): void {
		own = next === OTHER;
		if (!own) onchange(options[Number(next)]?.value);
	}
</script>

<SelectField
	{label}
	{hint}
	value={choice}
	options={[
		...options.map((one, i) => ({ value: String(i), label: one.label })),
		...(other || choice === OTHER ? [{ value: OTHER, label: 'other' }] : [])
	]}
	onchange={choose}
/>
{#if choice === OTHER}
	<NumberField
		label={other?.label ?? label}
		value={other?.percent ? percentOf(value) : value}
		suffix={other?.suffix}
		onchange={(next) => onchange(other?.percent ? shareOf(next) : next)}
	/>
{/if}
