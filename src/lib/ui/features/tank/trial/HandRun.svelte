<script lang="ts">
	import type { Meter, Rod, Tank } from '$core/logbook';
	import { litresAt, rodSpan } from '$core/rig';
	import { formatLitres, unitsOfMeter, type UnitChoice } from '$core/units';
	import { sayOutOfReach, sayOverRated } from '$core/words';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import TextField from '../../../kit/fields/TextField.svelte';
	import { counted } from './trialSteps';

	interface Props {
		tank: Tank;
		kind: 'run-dry' | 'back-up';
		/** what counts the water; by jugs where there is none */
		meter: Meter | undefined;
		rod: Rod | undefined;
		units: UnitChoice;
		/** what was drawn or run in, and the litres below the suction where they were dipped */
		onkeep: (found: { readonly litres: number; readonly note?: string }, deadL?: number) => void;
		oncancel: () => void;
	}
	/** A trial in three steps: make ready, run until the end, look at what it came to. */
	const { tank, kind, meter, rod, units, onkeep, oncancel }: Props = $props();

	const STEPS = {
		'run-dry': [
			'Fill to the overflow, and let the air out of the taps.',
			'Run a tap until the pump sucks air.'
		],
		'back-up': [
			'Drain the tank, close the valve, rig level.',
			'Run water in until it backs up. Stop at once.'
		]
	} as const;
	const LAST_STEP = 2;

	let step = $state(0);
	let from = $state<number | undefined>();
	let to = $state<number | undefined>();
	let jugsL = $state<number | undefined>();
	let leftMm = $state<number | undefined>();
	let note = $state('');

	const canDip = $derived(
		kind === 'run-dry' && tank.shape !== undefined && rodSpan(tank.shape) !== undefined
	);
	const run = $derived(counted(meter, from, to));
	const litres = $derived(meter ? (run?.kind === 'litres' ? run.litres : undefined) : jugsL);
	const ready = $derived(litres !== undefined && litres > 0);
	const deadL = $derived(
		canDip && leftMm !== undefined && leftMm >= 0 && tank.shape
			? litresAt(tank.shape, leftMm, {}, rod?.at)
			: undefined
	);
	const stopped = $derived((step === 0 && meter && from === undefined) || (step === 1 && !ready));
	const unitText = $derived(meter ? unitsOfMeter(meter.unitL) : '');

	function keep(): void {
		if (litres === undefined) return;
		onkeep({ litres, ...(note.trim() === '' ? {} : { note: note.trim() }) }, deadL);
	}
</script>

<p class="step">{STEPS[kind][Math.min(step, 1)]}</p>
{#if step === 0}
	{#if meter}
		<NumberField
			label="{meter.name} shows now"
			bind:value={from}
			suffix={unitText}
			hint={meter.counts === 'down'
				? `It counts down${meter.setTo === undefined ? '' : `, from ${meter.setTo} when it was set`}: the figure before.`
				: ''}
		/>
	{/if}
{:else if step === 1 && meter}
	<NumberField label="{meter.name} shows now" bind:value={to} suffix={unitText} />
	{#if run}
		<p aria-live="polite" class:mind={run.kind === 'backwards'}>
			{#if run.kind === 'litres'}From {from} to {to}, counting {meter.counts}:
				<strong>{formatLitres(run.litres, units)}</strong>
				{tank.holds === 'fresh' ? 'drawn' : 'run in'}.{:else}That is {formatLitres(run.litres, units)} the wrong
				way for a meter that counts {meter.counts}. Are the two figures swapped, was it set in between, or is
				its direction wrong in Rig?{/if}
		</p>
	{/if}
{:else if step === 1}
	<NumberField
		label={tank.holds === 'fresh' ? 'Drawn, all the jugs together' : 'Run in, all the jugs together'}
		bind:value={jugsL}
		of="volume"
		{units}
	/>
{:else if litres !== undefined}
	{#if canDip}
		<NumberField
			label="Wet length of the dipstick now"
			bind:value={leftMm}
			of="length"
			{units}
			optional
			hint="Water the pump can’t reach."
		/>
		{#if deadL !== undefined}<p aria-live="polite">
				{sayOutOfReach(deadL, litres, units)}
			</p>{/if}
	{/if}
	<p>
		<strong>{formatLitres(litres, units)}</strong>{litres > 1.15 * tank.nominalL
			? `. ${sayOverRated(tank.nominalL, units)}`
			: ''}
	</p>
	<TextField label="Note" bind:value={note} />
{/if}
<p class="buttons">
	{#if step < LAST_STEP}
		<button class="primary" disabled={stopped} onclick={() => (step += 1)}>Next</button>
	{:else}
		<button class="primary" disabled={!ready} onclick={keep}>Save this trial</button>
	{/if}
	{#if step > 0}<button onclick={() => (step -= 1)}>Back</button>{/if}
	<button onclick={oncancel}>Cancel</button>
</p>

<style>
	.step {
		font-weight: 650;
		font-size: var(--step-1);
	}
</style>
