<script lang="ts">
	import type { Shape, Tank } from '$core/logbook';
	import { STEEPEST_DEG, type DrainCorner, type LeanAdvice } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { latest, type EngineClient } from '$lib/engine';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import SelectField from '../../../kit/fields/SelectField.svelte';

	interface Props {
		tank: Tank;
		shape: Exclude<Shape, { form: 'table' }>;
		engine: EngineClient;
		units: UnitChoice;
	}
	const { tank, shape, engine, units }: Props = $props();
	let end = $state<string>('aft');
	let side = $state<string>('port');
	let roll = $state<number | undefined>(0);
	let pitch = $state<number | undefined>(0);

	/** Leaning by more than this on blocks or on a slope is not asked of anyone. */
	const EASY_DEG = 2;
	/** For less than this nobody leans a rig, litres. */
	const WORTH_L = 0.1;
	const corner = $derived<DrainCorner>({
		end: end === 'fore' ? 'fore' : 'aft',
		side: side === 'port' ? 'port' : 'starboard'
	});
	const within = (deg: number | undefined): deg is number =>
		deg !== undefined && Math.abs(deg) <= STEEPEST_DEG;
	const possible = $derived(within(roll) && within(pitch));
	const left = latest(() =>
		within(roll) && within(pitch)
			? engine.ask('tank/undrained', shape, corner, { rollDeg: roll, pitchDeg: pitch })
			: undefined
	);
	const advice = latest(() => engine.ask('tank/bestLean', shape, corner, EASY_DEG));
	const waiting = $derived(left.waiting || advice.waiting);
	const trouble = $derived(left.trouble ?? advice.trouble);
	function wayOf({ rollDeg, pitchDeg }: LeanAdvice): string {
		const ways = [
			rollDeg > 0 ? 'starboard down' : rollDeg < 0 ? 'port down' : '',
			pitchDeg > 0 ? 'front up' : pitchDeg < 0 ? 'front down' : ''
		].filter(Boolean);
		return ways.length === 0 ? 'Level it' : `Tilt it ${EASY_DEG}° ${ways.join(' and ')}`;
	}
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
	<NumberField label="Tilt to starboard" bind:value={roll} suffix="°" hint="Below 0: to port." />
	<NumberField label="Front up" bind:value={pitch} suffix="°" hint="Below 0: front down." />
</div>
{#if !possible}<p class="mind">Tilt is at most {STEEPEST_DEG}° either way.</p>{/if}
{#if trouble}<p class="mind" role="alert">{trouble}</p>{/if}
<p aria-live="polite" class:soft={waiting}>
	{#if left.value !== undefined}
		<strong>{formatLitres(left.value, units)}</strong> stays in {tank.name} when drained like this.
	{/if}
	{#if advice.value}
		{@const { leftL } = advice.value}
		{#if left.value !== undefined && left.value - leftL < WORTH_L}No tilt leaves less.
		{:else}{wayOf(advice.value)}: then {formatLitres(leftL, units)} stay.{/if}
	{:else if advice.waiting}Flooding the tank, cell by cell…{/if}
</p>
