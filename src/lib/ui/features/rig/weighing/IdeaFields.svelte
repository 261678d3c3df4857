<script lang="ts">
	import type { Rig, Tank } from '$core/logbook';
	import { litresInBay, type RigIdea } from '$core/plan';
	import { usableOf } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import SelectField from '../../../kit/fields/SelectField.svelte';

	interface Props {
		rig: Rig;
		tank: Tank;
		units: UnitChoice;
		ontank: (id: string) => void;
		/** nothing while what was said is of no volume */
		onidea: (idea: RigIdea | undefined) => void;
	}
	/** What is thought of: another amount, a second tank, a box in a bay. */
	const { rig, tank, units, ontank, onidea }: Props = $props();

	let what = $state<string>('capacity');
	let capacityL = $state<number | undefined>();
	let secondL = $state<number | undefined>(30);
	let lengthMm = $state<number | undefined>(600);
	let widthMm = $state<number | undefined>(300);
	let heightMm = $state<number | undefined>(250);
	let wallMm = $state<number | undefined>(6);
	let gapMm = $state<number | undefined>(5);

	const box = $derived.by(() => {
		const bay = { lengthMm: lengthMm ?? 0, widthMm: widthMm ?? 0, heightMm: heightMm ?? 0 };
		return litresInBay(bay, wallMm ?? 0, gapMm ?? 0);
	});
	const idea = $derived.by((): RigIdea | undefined => {
		if (what === 'capacity')
			return capacityL === undefined ? undefined : { kind: 'capacity', usableL: capacityL };
		const litres = what === 'second' ? secondL : 'litres' in box ? box.litres : undefined;
		return litres === undefined ? undefined : { kind: 'second', litres };
	});
	// The page asks the worker about it.
	$effect(() => onidea(idea));
</script>

<div class="fields">
	<SelectField
		label="What if"
		bind:value={what}
		options={[
			{ value: 'capacity', label: 'a tank held another amount' },
			{ value: 'second', label: 'there were a second tank' },
			{ value: 'bay', label: 'a box fitted that bay' }
		]}
	/>
	<SelectField
		label={what === 'capacity' ? 'Tank' : 'Beside'}
		value={tank.id}
		options={rig.tanks.map(({ id, name }) => ({ value: id, label: name }))}
		onchange={ontank}
	/>
	{#if what === 'capacity'}
		<NumberField
			label="Usable, instead of {formatLitres(usableOf(tank), units)}"
			bind:value={capacityL}
			of="volume"
			{units}
		/>
	{:else if what === 'second'}
		<NumberField label="It holds" bind:value={secondL} of="volume" {units} />
	{:else}
		<NumberField label="Bay, length" bind:value={lengthMm} of="length" {units} />
		<NumberField label="Bay, width" bind:value={widthMm} of="length" {units} />
		<NumberField label="Bay, height" bind:value={heightMm} of="length" {units} />
		<NumberField label="Wall" bind:value={wallMm} of="length" {units} />
		<NumberField label="Gap all round" bind:value={gapMm} of="length" {units} hint="To get it in." />
	{/if}
</div>
{#if what === 'bay' && 'problem' in box}<p class="mind" role="alert">{box.problem}</p>{/if}
