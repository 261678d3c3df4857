<script lang="ts">
	import type { Instrument, Trial } from '$core/logbook';
	import { litresPerUnit } from '$core/rig';
	import { formatLitres, formatQuantity, parseNumber, unitsOfMeter, type UnitChoice } from '$core/units';
	import DataTable from '../../../kit/page/DataTable.svelte';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import TextField from '../../../kit/fields/TextField.svelte';
	import { counted, falls, isMeter } from './trialSteps';

	interface Props {
		kind: 'stepwise' | 'bucket';
		instrument: Instrument;
		units: UnitChoice;
		onkeep: (readings: NonNullable<Trial['readings']>) => void;
		oncancel: () => void;
	}
	/** A trial of pours: a known volume, and what the instrument shows for it, again and again. */
	const { kind, instrument, units, onkeep, oncancel }: Props = $props();

	const LEAST = { stepwise: 2, bucket: 1 } as const;

	let pourL = $state<number | undefined>();
	let before = $state<number | undefined>();
	let after = $state<number | undefined>();
	let shows = $state('');
	let showsMm = $state<number | undefined>();
	let readings = $state.raw<NonNullable<Trial['readings']>>([]);

	const meter = $derived(isMeter(instrument) ? instrument : undefined);
	const unitText = $derived(meter ? unitsOfMeter(meter.unitL) : '');
	const run = $derived(counted(meter, before, after));
	const poured = $derived(readings.at(-1)?.litres ?? 0);

	function addBucket(): void {
		if (pourL === undefined || run?.kind !== 'litres' || !meter || run.litres <= 0) return;
		const reads = run.litres / litresPerUnit(meter);
		readings = [...readings, { litres: pourL, reads }];
		[before, after] = [after, undefined];
	}
	function addStep(): void {
		const reads = instrument.kind === 'rod' ? showsMm : parseNumber(shows);
		if (pourL === undefined || pourL < 0 || reads === undefined) return;
		readings = [...readings, { litres: poured + pourL, reads }];
		[shows, showsMm] = ['', undefined];
	}
	const sayRead = (reads: number): string =>
		instrument.kind === 'rod' ? formatQuantity(reads, 'length', units) : `${Number(reads.toFixed(3))}`;
</script>

<p class="step">
	{meter ? 'Hold a bucket of known size under the meter’s outlet.' : 'Begin with an empty tank, rig level.'}
</p>
<div class="pours">
	{#if meter}
		<NumberField label="The bucket holds" bind:value={pourL} of="volume" {units} />
		<NumberField label="The meter before" bind:value={before} suffix={unitText} />
		<NumberField label="The meter after" bind:value={after} suffix={unitText} />
	{:else}
		<NumberField
			label="Poured in now"
			bind:value={pourL}
			of="volume"
			{units}
			hint={readings.length === 0 ? '0 for the empty tank.' : `${formatLitres(poured, units)} so far.`}
		/>
		{#if instrument.kind === 'rod'}
			<NumberField label="The dipstick is wet to" bind:value={showsMm} of="length" {units} />
		{:else}
			<TextField label="The gauge shows" bind:value={shows} />
		{/if}
	{/if}
</div>
<button onclick={meter ? addBucket : addStep}>{meter ? 'Add this bucket' : 'Add this step'}</button>
{#if run?.kind === 'backwards'}<p class="mind">
		The meter counts {meter?.counts}; these two go the other way. Are they swapped?
	</p>{/if}
{#if readings.length > 0}
	<DataTable
		columns={[
			{ name: meter ? 'Bucket' : 'In all', number: true },
			{ name: meter ? 'Counted' : instrument.kind === 'rod' ? 'Dipstick' : 'Shows', number: true },
			{ name: 'Remove', quiet: true }
		]}
	>
		{#each readings as { litres, reads }, i (i)}
			<tr>
				<td class="number">{formatLitres(litres, units)}</td>
				<td class="number"
					>{sayRead(reads)}{instrument.kind === 'rod' && falls(readings, i)
						? ' (falls: look again?)'
						: ''}</td
				>
				<td
					><button
						class="quiet"
						onclick={() => (readings = readings.filter((_, k) => k !== i))}
						aria-label="Remove step {i + 1}">Remove</button
					></td
				>
			</tr>
		{/each}
	</DataTable>
{/if}
<p class="buttons">
	<button class="primary" disabled={readings.length < LEAST[kind]} onclick={() => onkeep(readings)}
		>Save this trial</button
	>
	<button onclick={oncancel}>Cancel</button>
</p>

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
</style>
