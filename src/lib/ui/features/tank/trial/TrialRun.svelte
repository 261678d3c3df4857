<script lang="ts">
	import { zonedIso } from '$core/time';
	import { type Rig, type Tank, type Trial } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import { v7 as uuid } from 'uuid';
	import SelectField from '../../../kit/fields/SelectField.svelte';
	import HandRun from './HandRun.svelte';
	import PourRun from './PourRun.svelte';
	import { instrumentsFor, isMeter, TRIAL_SAYS, type TrialKind } from './trialSteps';

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
	/** Leads through one trial of a tank, and makes the record of it. */
	const { rig, tank, kind, units, timeZone, ondone, oncancel }: Props = $props();

	// svelte-ignore state_referenced_locally
	const offered = instrumentsFor(kind, tank, rig.instruments);
	let instrumentId = $state(offered[0]?.id ?? '');
	const instrument = $derived(offered.find(({ id }) => id === instrumentId));
	const rod = $derived(rig.instruments.find((one) => one.kind === 'rod' && one.tank === tank.id));

	function finish(found: Pick<Trial, 'litres' | 'readings' | 'note'>, deadL?: number): void {
		ondone(
			{
				id: uuid(),
				at: zonedIso(Date.now(), timeZone),
				kind,
				used: true,
				...(instrument ? { instrument: instrument.id } : {}),
				...found
			},
			deadL
		);
	}
</script>

<p class="soft">{TRIAL_SAYS[kind]}</p>
{#if kind === 'run-dry' || kind === 'back-up'}
	<SelectField
		label="Counted by"
		bind:value={instrumentId}
		options={[
			...offered.map(({ id, name }) => ({ value: id, label: name })),
			{ value: '', label: 'by hand, jug by jug' }
		]}
	/>
	{#key instrumentId}
		<HandRun
			{tank}
			{kind}
			meter={isMeter(instrument) ? instrument : undefined}
			rod={rod?.kind === 'rod' ? rod : undefined}
			{units}
			onkeep={finish}
			{oncancel}
		/>
	{/key}
{:else if instrument}
	{#if offered.length > 1}
		<SelectField
			label="Reading"
			bind:value={instrumentId}
			options={offered.map(({ id, name }) => ({ value: id, label: name }))}
		/>
	{/if}
	{#key instrumentId}
		<PourRun {kind} {instrument} {units} onkeep={(readings) => finish({ readings })} {oncancel} />
	{/key}
{:else}
	<p class="mind">
		{kind === 'bucket' ? 'This tank has no meter yet.' : 'This tank has no dipstick or gauge yet.'} Add one under
		Instruments first.
	</p>
{/if}
