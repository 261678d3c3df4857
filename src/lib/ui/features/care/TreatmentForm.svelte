<script lang="ts">
	import { treatmentDose, type LeftInside } from '$core/care';
	import type { Rig } from '$core/logbook';
	import { usableOf } from '$core/rig';
	import { wetL } from '$core/runs';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { formatMl, sayRefusal, smallUnit, TREATMENT_CAUTION } from '$core/words';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';

	/** How much treatment for black after a dump, by its label. */
	const { rig, units }: { rig: Rig; units: UnitChoice } = $props();

	const black = $derived(rig.tanks.filter(({ holds }) => holds === 'black'));
	let tankId = $state('');
	const tank = $derived(black.find(({ id }) => id === tankId) ?? black[0]);
	/** as the label says it, in the unit of small volumes */
	let small = $state<number | undefined>();
	const unit = $derived(smallUnit(units));
	let labelL = $state<number | undefined>();
	let inside = $state<LeftInside>('nothing');
	/** what goes back in after a dump */
	const waterL = $derived(tank ? wetL(tank) : 1);
	const answer = $derived(
		small === undefined || labelL === undefined || !tank
			? undefined
			: treatmentDose({ labelMl: small * unit.ml, labelL, tankL: usableOf(tank), waterL, inside })
	);
</script>

<p class="mind">
	{TREATMENT_CAUTION}
</p>
<div class="fields">
	<SelectField
		label="Tank"
		value={tank?.id ?? ''}
		options={black.map(({ id, name }) => ({ value: id, label: name }))}
		onchange={(id) => (tankId = id)}
	/>
	<NumberField label="The label says" suffix={unit.name} bind:value={small} />
	<NumberField label="for" of="volume" {units} bind:value={labelL} />
	<SelectField
		label="Already in it"
		bind:value={inside}
		options={[
			{ value: 'nothing', label: 'nothing: just dumped' },
			{ value: 'other', label: 'another treatment, or bleach' }
		]}
	/>
</div>
<div aria-live="polite">
	{#if answer?.ok}
		<p>
			<strong>{formatMl(answer.ml, units)}</strong> with {formatLitres(answer.waterL, units)} of water, after the
			dump.
		</p>
	{:else if answer}<p class="mind"><strong>No dose:</strong> {sayRefusal(answer.refused, units)}</p>
	{:else}<p class="soft">Enter what the label says.</p>{/if}
</div>
