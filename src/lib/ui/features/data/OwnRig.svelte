<script lang="ts">
	import { zonedIso } from '$core/time';
	import { firstEntries, startingRig } from '$core/rig';
	import { METRIC, VOLUME_CHOICES, type UnitChoice } from '$core/units';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import TextField from '../../kit/fields/TextField.svelte';
	import { beginWith, stillNeeded } from '../../parts/acts/begin';

	/** The few things that a first verdict needs. */
	const { app, onback }: { app: App; onback: () => void } = $props();

	let busy = $state(false);
	let name = $state('');
	let kind = $state('camper');
	let crew = $state<number | undefined>(2);
	let freshL = $state<number | undefined>();
	let greyL = $state<number | undefined>();
	let blackL = $state<number | undefined>();
	let fill = $state('full');
	let aboardL = $state<number | undefined>();
	let wasteEmpty = $state(true);
	let days = $state('alike');
	let volume = $state<string>(METRIC.volume);
	const units = $derived({ ...METRIC, volume } as UnitChoice);
	const answers = $derived({ name, crew, freshL, aboardL: fill === 'full' ? ('full' as const) : aboardL });
	const missing = $derived(stillNeeded(answers));

	async function begin(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		if (missing.length > 0 || crew === undefined || freshL === undefined) return;
		busy = true;
		const rig = startingRig(
			{
				name: name.trim(),
				kind: kind === 'boat' ? 'boat' : 'camper',
				crew,
				freshL,
				greyL: greyL || undefined,
				blackL: blackL || undefined,
				outOnWorkdays: days === 'out'
			},
			() => uuid()
		);
		const at = zonedIso(Date.now(), app.timeZone);
		await app.choose({ units });
		await beginWith(
			app,
			rig,
			firstEntries(rig, fill === 'full' ? 'full' : (aboardL ?? 0), wasteEmpty, at),
			'First rig'
		);
		// What one has just described is not taken back by the first tap on Undo.
		app.commands.history.clear();
	}
</script>

<form onsubmit={begin} novalidate>
	<fieldset>
		<legend>Rig</legend>
		<div class="fields">
			<TextField label="What is it called?" bind:value={name} />
			<SelectField
				label="What is it?"
				bind:value={kind}
				options={[
					{ value: 'camper', label: 'Camper, van, trailer or car' },
					{ value: 'boat', label: 'Boat' }
				]}
			/>
			<NumberField label="How many are aboard?" bind:value={crew} suffix="people" />
			<SelectField
				label="At home on workdays?"
				bind:value={days}
				options={[
					{ value: 'alike', label: 'yes, or all days are alike' },
					{ value: 'out', label: 'no, out on workdays' }
				]}
			/>
			<SelectField label="Volumes in" bind:value={volume} options={VOLUME_CHOICES} />
		</div>
	</fieldset>
	<fieldset>
		<legend>Tanks, by their plates</legend>
		<div class="fields">
			<NumberField
				label="Fresh water"
				bind:value={freshL}
				of="volume"
				{units}
				hint="All built-in fresh water; jugs come later."
			/>
			<NumberField
				label="Grey (sink and shower)"
				bind:value={greyL}
				of="volume"
				{units}
				optional
				hint={kind === 'boat' ? 'Empty: it runs overboard.' : 'Empty: it runs to the ground.'}
			/>
			<NumberField
				label="Black (toilet)"
				bind:value={blackL}
				of="volume"
				{units}
				optional
				hint="Empty: no toilet on this water."
			/>
		</div>
	</fieldset>
	<fieldset>
		<legend>Now</legend>
		<div class="fields">
			<SelectField
				label="The fresh tank is"
				bind:value={fill}
				options={[
					{ value: 'full', label: 'full to the overflow' },
					{ value: 'some', label: 'partly filled' }
				]}
			/>
			{#if fill === 'some'}<NumberField label="Aboard" bind:value={aboardL} of="volume" {units} />{/if}
		</div>
		{#if greyL || blackL}
			<label class="check"
				><input type="checkbox" bind:checked={wasteEmpty} /> The waste tanks have just been emptied</label
			>
		{/if}
	</fieldset>
	<p class="buttons">
		<button class="primary" type="submit" disabled={busy || missing.length > 0}>See how long it lasts</button>
		<button type="button" onclick={onback}>Back</button>
		{#if missing.length > 0}<span class="soft">Still needed: {missing.join(', ')}.</span>{/if}
	</p>
</form>

<style>
	form {
		display: grid;
		gap: var(--gap-3);
	}
	legend {
		font-family: var(--display);
		font-size: var(--step-1);
	}
	fieldset {
		padding: var(--gap-3) 0;
	}
	.fields {
		grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
		gap: var(--gap-3) var(--gap-4);
	}
</style>
