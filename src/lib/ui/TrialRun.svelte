<script lang="ts">
	import { zonedIso, type Rig, type Tank, type Trial } from '$core/logbook';
	import { litresAt, rodSpan } from '$core/rig';
	import { formatLitres, formatQuantity, parseNumber, type UnitChoice } from '$core/units';
	import { v7 as uuid } from 'uuid';
	import NumberField from './NumberField.svelte';
	import SelectField from './SelectField.svelte';
	import TextField from './TextField.svelte';
	import { counted, instrumentsFor, isLevelled, isMeter, TRIAL_SAYS, type TrialKind } from './trialSteps';

	interface Props {
		rig: Rig;
		tank: Tank;
		kind: TrialKind;
		units: UnitChoice;
		timeZone: string;
		/** the trial, and the litres that stay below the suction when they were found */
		ondone: (trial: Trial, deadL?: number) => void;
		oncancel: () => void;
	}
	const { rig, tank, kind, units, timeZone, ondone, oncancel }: Props = $props();

	// svelte-ignore state_referenced_locally
	const offered = instrumentsFor(kind, tank, rig.instruments);
	const byHand = $derived(kind === 'run-dry' || kind === 'back-up');
	let instrumentId = $state(offered[0]?.id ?? '');
	const instrument = $derived(offered.find(({ id }) => id === instrumentId));
	const meter = $derived(isMeter(instrument) ? instrument : undefined);
	let step = $state(0);
	let from = $state<number | undefined>();
	let to = $state<number | undefined>();
	let byHandL = $state<number | undefined>();
	let leftMm = $state<number | undefined>();
	let pourL = $state<number | undefined>();
	let shows = $state('');
	let showsMm = $state<number | undefined>();
	let readings = $state.raw<readonly { readonly litres: number; readonly reads: number }[]>([]);
	let note = $state('');

	const rod = $derived(rig.instruments.find((one) => one.kind === 'rod' && one.tank === tank.id));
	const canDip = $derived(
		kind === 'run-dry' && tank.shape !== undefined && rodSpan(tank.shape) !== undefined
	);
	const run = $derived(counted(meter, from, to));
	const litres = $derived(meter ? (run?.kind === 'litres' ? run.litres : undefined) : byHandL);
	const deadL = $derived(
		canDip && leftMm !== undefined && leftMm >= 0 && tank.shape
			? litresAt(tank.shape, leftMm, {}, rod?.kind === 'rod' ? rod.at : undefined)
			: undefined
	);
	const poured = $derived(readings.at(-1)?.litres ?? 0);
	const LAST = { 'run-dry': 2, 'back-up': 2, stepwise: 1, bucket: 1 } as const;
	const words = $derived(
		{
			'run-dry': [
				'Fill to the overflow, and let the air out of the taps.',
				'Run a tap until the pump sucks air.'
			],
			'back-up': [
				'Drain the tank, close the valve, rig level.',
				'Run water into it until it backs up. Stop at once.'
			],
			stepwise: ['Begin with an empty tank, rig level.', ''],
			bucket: ['Hold a bucket you know under the meter’s outlet.', '']
		}[kind][Math.min(step, 1)]
	);
	const unitText = $derived(
		meter && Math.abs(meter.unitL - 1) > 1e-9 ? `units of ${Number(meter.unitL.toFixed(3))} L` : 'L'
	);
	/** What a bucket's number comes to so far. */
	const reads = $derived(isLevelled(instrument) && instrument.kind === 'rod' ? showsMm : parseNumber(shows));
	const ready = $derived(
		byHand ? litres !== undefined && litres > 0 : readings.length >= (kind === 'stepwise' ? 2 : 1)
	);

	function addPour(): void {
		if (pourL === undefined || !(pourL >= 0)) return;
		if (kind === 'bucket') {
			if (run?.kind !== 'litres' || !meter || run.litres <= 0) return;
			readings = [...readings, { litres: pourL, reads: run.litres / (meter.unitL * (meter.scale ?? 1)) }];
			[from, to] = [to, undefined];
			return;
		}
		if (reads === undefined) return;
		readings = [...readings, { litres: poured + pourL, reads }];
		[shows, showsMm] = ['', undefined];
	}

	function finish(): void {
		const at = zonedIso(Date.now(), timeZone);
		ondone(
			{
				id: uuid(),
				at,
				kind,
				used: true,
				...(byHand && litres !== undefined ? { litres } : {}),
				...(byHand ? {} : { readings: [...readings] }),
				...(instrument ? { instrument: instrument.id } : {}),
				...(note.trim() === '' ? {} : { note: note.trim() })
			},
			deadL
		);
	}
</script>

<p class="soft">{TRIAL_SAYS[kind]}</p>
{#if byHand || offered.length > 1}
	<SelectField
		label={byHand ? 'Counted by' : 'Looking at'}
		bind:value={instrumentId}
		options={[
			...offered.map(({ id, name }) => ({ value: id, label: name })),
			...(byHand ? [{ value: '', label: 'by hand, jug by jug' }] : [])
		]}
	/>
{/if}
{#if !byHand && offered.length === 0}
	<p class="mind">
		{kind === 'bucket' ? 'This tank has no meter yet.' : 'This tank has neither rod nor gauge yet.'} Add one under
		Instruments first.
	</p>
{:else}
	<p class="step">{words}</p>
	{#if byHand}
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
		{:else if step === 1}
			{#if meter}
				<NumberField label="{meter.name} shows now" bind:value={to} suffix={unitText} />
				{#if run}<p aria-live="polite" class:mind={run.kind === 'backwards'}>
						{#if run.kind === 'litres'}From {from} to {to}, counting {meter.counts}:
							<strong>{formatLitres(run.litres, units)}</strong>
							{tank.holds === 'fresh' ? 'drawn' : 'run in'}.{:else}That is {formatLitres(run.litres, units)} the
							wrong way for a meter that counts {meter.counts}. Are the two figures swapped, was it set in
							between, or is its direction wrong in Rig?{/if}
					</p>{/if}
			{:else}
				<NumberField
					label={tank.holds === 'fresh' ? 'Drawn, all the jugs together' : 'Run in, all the jugs together'}
					bind:value={byHandL}
					of="volume"
					{units}
				/>
			{/if}
		{:else}
			{#if canDip}
				<NumberField
					label="What the rod is wet to now"
					bind:value={leftMm}
					of="length"
					{units}
					optional
					hint="What lies below the pump’s suction, and is of no use."
				/>
				{#if deadL !== undefined}<p aria-live="polite">
						{formatLitres(deadL, units)} stay below the suction{litres === undefined
							? ''
							: `; ${formatLitres(deadL + litres, units)} in all`}.
					</p>{/if}
			{/if}
			<p>
				<strong>{litres === undefined ? '' : formatLitres(litres, units)}</strong>{litres !== undefined &&
				litres > 1.15 * tank.nominalL
					? `. That is more than the plate’s ${formatLitres(tank.nominalL, units)} by over 15 %: did water run on to elsewhere, or was a jug counted twice?`
					: ''}
			</p>
			<TextField label="Note" bind:value={note} />
		{/if}
	{:else}
		<div class="pours">
			{#if kind === 'bucket'}
				<NumberField label="The bucket holds" bind:value={pourL} of="volume" {units} />
				<NumberField label="The meter before" bind:value={from} suffix={unitText} />
				<NumberField label="The meter after" bind:value={to} suffix={unitText} />
			{:else}
				<NumberField
					label="Poured in now"
					bind:value={pourL}
					of="volume"
					{units}
					hint={readings.length === 0 ? '0 for the empty tank.' : `${formatLitres(poured, units)} so far.`}
				/>
				{#if instrument?.kind === 'rod'}
					<NumberField label="The rod is wet to" bind:value={showsMm} of="length" {units} />
				{:else}
					<TextField label="The gauge shows" bind:value={shows} />
				{/if}
			{/if}
		</div>
		<button onclick={addPour}>{kind === 'bucket' ? 'Add this bucket' : 'Add this step'}</button>
		{#if kind === 'bucket' && run?.kind === 'backwards'}<p class="mind">
				The meter counts {meter?.counts}; these two run the other way. Are they swapped?
			</p>{/if}
		{#if readings.length > 0}
			<table>
				<thead
					><tr
						><th scope="col" class="number">{kind === 'bucket' ? 'Bucket' : 'In all'}</th><th
							scope="col"
							class="number"
							>{instrument?.kind === 'rod' ? 'Rod' : kind === 'bucket' ? 'Counted' : 'Shows'}</th
						><td></td></tr
					></thead
				>
				<tbody>
					{#each readings as reading, i (i)}
						<tr
							><td class="number">{formatLitres(reading.litres, units)}</td><td class="number"
								>{instrument?.kind === 'rod'
									? formatQuantity(reading.reads, 'length', units)
									: Number(reading.reads.toFixed(3))}{i > 0 &&
								kind === 'stepwise' &&
								instrument?.kind === 'rod' &&
								reading.reads < (readings[i - 1]?.reads ?? 0)
									? ' (falls: look again?)'
									: ''}</td
							><td
								><button
									class="quiet"
									onclick={() => (readings = readings.filter((_, k) => k !== i))}
									aria-label="Take step {i + 1} out">Remove</button
								></td
							></tr
						>
					{/each}
				</tbody>
			</table>
		{/if}
	{/if}
	<p class="buttons">
		{#if byHand && step < LAST[kind]}
			<button
				class="primary"
				disabled={(step === 0 && meter !== undefined && from === undefined) || (step === 1 && !ready)}
				onclick={() => (step += 1)}>Next</button
			>
		{:else}
			<button class="primary" disabled={!ready} onclick={finish}>Keep this trial</button>
		{/if}
		{#if step > 0}<button onclick={() => (step -= 1)}>Back</button>{/if}
		<button onclick={oncancel}>Cancel</button>
	</p>
{/if}

<style>
	.step {
		font-weight: 650;
		font-size: var(--step-1);
	}
	.pours {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(8rem, 1fr));
		gap: var(--gap-3);
		align-items: start;
	}
	th,
	td {
		padding: 0.2rem 0.8rem 0.2rem 0;
		border-top: var(--hairline);
	}
	.mind {
		color: var(--caution);
	}
	.buttons {
		display: flex;
		gap: var(--gap-3);
	}
</style>
