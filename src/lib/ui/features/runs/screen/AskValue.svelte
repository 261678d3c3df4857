<script lang="ts">
	import type { UnitChoice } from '$core/units';
	import { parseNumber } from '$core/units';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import type { StepQuestion } from './choices';

	interface Props {
		asked: StepQuestion;
		units: UnitChoice;
		/** what the meter counts in */
		meterUnit: string;
		/** why the last value did not fit */
		fault: string | undefined;
		onvalue: (value: number | undefined) => void;
		oncancel: () => void;
	}
	/** The figure that was there in truth, typed with a wet thumb. */
	const { asked, units, meterUnit, fault, onvalue, oncancel }: Props = $props();
	let value = $state<number | undefined>();
	let form = $state<HTMLFormElement>();
	const ready = $derived(asked.optional || value !== undefined);
	$effect(() => {
		// The field is what one came for.
		form?.querySelector('input')?.focus();
	});
	/** A field that holds something else than a number is no empty field. */
	const typed = (): string => form?.querySelector('input')?.value.trim() ?? '';
	function submit(event: SubmitEvent): void {
		event.preventDefault();
		if (!ready || (typed() !== '' && value === undefined && parseNumber(typed()) === undefined)) return;
		onvalue(value);
	}
</script>

<form bind:this={form} onsubmit={submit}>
	{#if asked.of === 'figure'}
		<NumberField label={asked.label} bind:value suffix={meterUnit} optional={asked.optional} error={fault} />
	{:else}
		<NumberField label={asked.label} bind:value of="volume" {units} error={fault} />
	{/if}
	<button class="primary big" type="submit" disabled={!ready}>Save</button>
	<button class="big" type="button" onclick={oncancel}>Back</button>
</form>

<style>
	form {
		display: grid;
		gap: var(--gap-2);
	}
	form :global(input) {
		font-size: 1.6rem;
		min-height: 3.5rem;
	}
</style>
