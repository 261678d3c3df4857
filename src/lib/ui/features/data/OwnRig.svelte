<script lang="ts">
	import { zonedIso } from '$core/time';
	import { firstEntries, startingRig, TOILETS, toiletOf, type Toilet } from '$core/rig';
	import { formatLitres, METRIC, VOLUME_CHOICES, type UnitChoice } from '$core/units';
	import { DUMP_CAUTION } from '$core/words';
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
	let babies = $state<number | undefined>();
	let dogs = $state<number | undefined>();
	let freshL = $state<number | undefined>();
	let jugs = $state<number | undefined>();
	let jugL = $state<number | undefined>();
	let greyL = $state<number | undefined>();
	let greyTo = $state('ground');
	let toilet = $state<Toilet>('cassette');
	let blackL = $state<number | undefined>();
	let blackCount = $state<number | undefined>(1);
	let drinkable = $state('unsaid');
	let fill = $state('full');
	let aboardL = $state<number | undefined>();
	let wasteEmpty = $state(true);
	let days = $state('alike');
	let volume = $state<string>(METRIC.volume);
	const units = $derived({ ...METRIC, volume } as UnitChoice);
	const ofToilet = $derived(toiletOf(toilet));
	const hasJugs = $derived((jugs ?? 0) > 0);
	const answers = $derived({
		name,
		crew,
		freshL: freshL || undefined,
		jugsL: hasJugs ? jugL : undefined,
		aboardL: fill === 'full' ? ('full' as const) : aboardL
	});
	const missing = $derived(stillNeeded(answers));

	async function begin(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		if (missing.length > 0 || crew === undefined) return;
		busy = true;
		const rig = startingRig(
			{
				name: name.trim(),
				kind: kind === 'boat' ? 'boat' : 'camper',
				crew,
				babies,
				dogs,
				freshL: freshL || undefined,
				jugs: jugs && jugL ? { count: jugs, litres: jugL } : undefined,
				greyL: greyL || undefined,
				greyTo: kind === 'boat' || greyTo === 'overboard' ? 'overboard' : 'ground',
				toilet,
				blackL: blackL || undefined,
				blackCount,
				outOnWorkdays: days === 'out'
			},
			() => uuid()
		);
		const at = zonedIso(Date.now(), app.timeZone);
		await app.choose({ units });
		await beginWith(
			app,
			rig,
			firstEntries(
				rig,
				fill === 'full' ? 'full' : (aboardL ?? 0),
				wasteEmpty,
				at,
				drinkable === 'unsaid' ? undefined : drinkable === 'yes'
			),
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
			<NumberField
				label="How many are aboard?"
				bind:value={crew}
				suffix="people"
				hint="Adults and children."
			/>
			<NumberField
				label="Babies"
				bind:value={babies}
				optional
				hint="In nappies: bottles and baths, no flush."
			/>
			<NumberField label="Dogs" bind:value={dogs} optional hint="They drink too." />
			<SelectField
				label="Aboard on workdays?"
				bind:value={days}
				options={[
					{ value: 'alike', label: 'yes, or every day is alike' },
					{ value: 'out', label: 'no, out on workdays' }
				]}
			/>
			<SelectField label="Volumes in" bind:value={volume} options={VOLUME_CHOICES} />
		</div>
	</fieldset>
	<fieldset>
		<legend>Tanks, by their rated size</legend>
		<div class="fields">
			<NumberField
				label="Fresh water"
				bind:value={freshL}
				of="volume"
				{units}
				optional
				hint="All built-in tanks together. Leave blank for jugs only."
			/>
			<NumberField label="Jugs" bind:value={jugs} optional hint="How many, for fresh water." />
			{#if hasJugs}<NumberField label="Each jug holds" bind:value={jugL} of="volume" {units} />{/if}
			<NumberField
				label="Grey (sink and shower)"
				bind:value={greyL}
				of="volume"
				{units}
				optional
				hint="Leave blank for no grey tank."
			/>
			{#if !greyL && kind !== 'boat'}
				<SelectField
					label="Where does grey go?"
					bind:value={greyTo}
					options={[
						{ value: 'ground', label: 'onto the ground, or a basin' },
						{ value: 'overboard', label: 'overboard' }
					]}
				/>
			{/if}
			<SelectField
				label="Which toilet?"
				bind:value={toilet}
				options={TOILETS.map(({ key, says }) => ({ value: key, label: says }))}
			/>
			{#if ofToilet.tank}
				<NumberField
					label="{ofToilet.tank} holds"
					bind:value={blackL}
					of="volume"
					{units}
					optional
					hint="Leave blank for about {formatLitres(ofToilet.usualL ?? 0, units)}, as many have."
				/>
				{#if ofToilet.portable}
					<NumberField
						label="How many of them?"
						bind:value={blackCount}
						hint="The second takes over when the first is full."
					/>
				{/if}
			{/if}
		</div>
		{#if !greyL}<p class="soft small">{DUMP_CAUTION}</p>{/if}
	</fieldset>
	<fieldset>
		<legend>Now</legend>
		<div class="fields">
			<SelectField
				label={freshL || !hasJugs ? 'The fresh tank is' : 'The jug at the tap is'}
				bind:value={fill}
				options={[
					{ value: 'full', label: 'full to the overflow' },
					{ value: 'some', label: 'partly filled' }
				]}
			/>
			{#if fill === 'some'}<NumberField label="Aboard" bind:value={aboardL} of="volume" {units} />{/if}
			<SelectField
				label="Is it drinking water?"
				bind:value={drinkable}
				options={[
					{ value: 'unsaid', label: 'not known' },
					{ value: 'yes', label: 'yes: a sign or a person said so' },
					{ value: 'no', label: 'no' }
				]}
			/>
		</div>
		{#if greyL || ofToilet.tank}
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
