<script lang="ts">
	import type { Shape, Tank } from '$core/logbook';
	import { bestLean, STEEPEST_DEG, undrainedL, type DrainCorner } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import NumberField from '../../fields/NumberField.svelte';
	import SelectField from '../../fields/SelectField.svelte';

	const { tank, shape, units }: { tank: Tank; shape: Exclude<Shape, { form: 'table' }>; units: UnitChoice } =
		$props();
	let end = $state<string>('aft');
	let side = $state<string>('port');
	let roll = $state<number | undefined>(0);
	let pitch = $state<number | undefined>(0);

	/** Leaning by more than this on blocks or on a slope is not asked of anyone. */
	const EASY_DEG = 2;
	const corner = $derived<DrainCorner>({
		end: end === 'fore' ? 'fore' : 'aft',
		side: side === 'port' ? 'port' : 'starboard'
	});
	const within = (deg: number | undefined): deg is number =>
		deg !== undefined && Math.abs(deg) <= STEEPEST_DEG;
	const left = $derived(
		within(roll) && within(pitch) ? undrainedL(shape, corner, { rollDeg: roll, pitchDeg: pitch }) : undefined
	);
	const advice = $derived(bestLean(shape, corner, EASY_DEG));
	const ways = $derived(
		[
			advice.rollDeg > 0 ? 'starboard down' : advice.rollDeg < 0 ? 'port down' : '',
			advice.pitchDeg > 0 ? 'front up' : advice.pitchDeg < 0 ? 'front down' : ''
		].filter(Boolean)
	);
</script>

<div class="fields">
	<SelectField
		label="The drain is"
		bind:value={end}
		options={[
			{ value: 'aft', label: 'at the back' },
			{ value: 'fore', label: 'in front' }
		]}
	/>
	<SelectField
		label="on the"
		bind:value={side}
		options={[
			{ value: 'port', label: 'port (left) side' },
			{ value: 'starboard', label: 'starboard (right) side' }
		]}
	/>
	<NumberField label="Leans to starboard" bind:value={roll} suffix="°" hint="Less than 0: to port." />
	<NumberField label="Front up" bind:value={pitch} suffix="°" hint="Less than 0: front down." />
</div>
<p aria-live="polite">
	{#if left === undefined}<span class="mind">A lean is at most 45° either way.</span>{:else}
		<strong>{formatLitres(left, units)}</strong> stay in {tank.name} when it is drained so.
	{/if}
	{ways.length === 0
		? `Level is as good as any lean: ${formatLitres(advice.leftL, units)} stay.`
		: `Lean it ${EASY_DEG}° ${ways.join(' and ')}: then ${formatLitres(advice.leftL, units)} stay.`}
</p>
