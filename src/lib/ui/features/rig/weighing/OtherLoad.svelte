<script lang="ts">
	import { formatQuantity, type UnitChoice } from '$core/units';
	import NumberField from '../../../kit/fields/NumberField.svelte';

	interface Props {
		payloadKg: number;
		/** people, food and gear, kg */
		otherKg: number | undefined;
		units: UnitChoice;
		onchange: (kg: number | undefined) => void;
	}
	/** Asks what else of the payload is aboard. */
	const { payloadKg, otherKg, units, onchange }: Props = $props();
</script>

<div>
	<NumberField
		label="What else is aboard, of the {formatQuantity(payloadKg, 'mass', units)} payload"
		value={otherKg}
		{onchange}
		of="mass"
		{units}
		optional
		hint="People, food, gear: everything the weight plate counts."
	/>
</div>

<style>
	div {
		max-width: 22rem;
	}
</style>
