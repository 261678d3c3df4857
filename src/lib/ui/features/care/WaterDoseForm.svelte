<script lang="ts">
	import { waterDose, type LeftInside } from '$core/care';
	import type { Rig } from '$core/logbook';
	import { formatFigure, formatLitres, type UnitChoice } from '$core/units';
	import { sayRefusal, TICK_TREATED, WATER_DOSE_CAUTION } from '$core/words';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';

	interface Props {
		rig: Rig;
		/** litres in each tank, by id */
		levels: ReadonlyMap<string, number>;
		units: UnitChoice;
	}
	/** How much drinking-water treatment for the water that is in a tank now, by its label. */
	const { rig, levels, units }: Props = $props();

	const fresh = $derived(rig.tanks.filter(({ holds }) => holds === 'fresh'));
	let tankId = $state('');
	const tank = $derived(fresh.find(({ id }) => id === tankId) ?? fresh[0]);
	let waterL = $derived<number | undefined>(tank && Math.round(levels.get(tank.id) ?? 0));
	let labelAmount = $state<number | undefined>();
	let labelL = $state<number | undefined>();
	let unit = $state('mL');
	let sold = $state('yes');
	let inside = $state<LeftInside>('nothing');
	const answer = $derived(
		labelAmount === undefined || labelL === undefined
			? undefined
			: waterDose({ labelAmount, labelL, waterL: waterL ?? 0, forDrinking: sold === 'yes', inside })
	);
</script>

<p class="mind">{WATER_DOSE_CAUTION}</p>
<div class="fields">
	<SelectField
		label="Tank"
		value={tank?.id ?? ''}
		options={fresh.map(({ id, name }) => ({ value: id, label: name }))}
		onchange={(id) => (tankId = id)}
	/>
	<NumberField label="Water in it now" of="volume" {units} bind:value={waterL} />
	<SelectField
		label="The product is"
		bind:value={sold}
		options={[
			{ value: 'yes', label: 'sold to treat drinking water' },
			{ value: 'no', label: 'something else' }
		]}
	/>
	<NumberField label="The label says" bind:value={labelAmount} />
	<SelectField
		label="of"
		bind:value={unit}
		options={['mL', 'drops', 'tablets', 'g'].map((value) => ({ value, label: value }))}
	/>
	<NumberField label="for" of="volume" {units} bind:value={labelL} />
	<SelectField
		label="Already in it"
		bind:value={inside}
		options={[
			{ value: 'nothing', label: 'nothing but water' },
			{ value: 'other', label: 'another product' }
		]}
	/>
</div>
<div aria-live="polite">
	{#if answer?.ok}
		<p>
			<strong>{formatFigure(answer.amount)} {unit}</strong> for {formatLitres(waterL ?? 0, units)}. Mix it in,
			run every tap a little, and wait as long as the label says.
		</p>
		<p class="soft">
			{TICK_TREATED}
		</p>
	{:else if answer}<p class="mind"><strong>No dose:</strong> {sayRefusal(answer.refused, units)}</p>
	{:else}<p class="soft">Enter what the label says.</p>{/if}
</div>
