<script lang="ts">
	import type { UnitChoice } from '$core/units';
	import { useApp, type Theme } from '$lib/state';
	import { download, downloadLogbook } from '$lib/ui/download';
	import ImportLogbook from '$lib/ui/ImportLogbook.svelte';
	import SelectField from '$lib/ui/SelectField.svelte';
	import TextField from '$lib/ui/TextField.svelte';

	const app = useApp();
	let saved = $state(false);
	let sure = $state(false);
	let by = $state(app.prefs.current.by ?? '');
	let persisted = $state<boolean>();

	const THEMES: readonly { value: Theme; label: string; hint: string }[] = [
		{ value: 'day', label: 'Day', hint: 'paper, for bright sun' },
		{ value: 'dusk', label: 'Dusk', hint: 'dark, for the evening' },
		{ value: 'night', label: 'Night', hint: 'deep red, for eyes used to the dark' }
	];
	const UNITS: readonly {
		key: keyof UnitChoice;
		label: string;
		options: readonly { value: string; label: string }[];
	}[] = [
		{
			key: 'volume',
			label: 'Volume',
			options: [
				{ value: 'L', label: 'litres' },
				{ value: 'usGal', label: 'US gallons' },
				{ value: 'impGal', label: 'imperial gallons' }
			]
		},
		{
			key: 'length',
			label: 'Length',
			options: [
				{ value: 'mm', label: 'millimetres' },
				{ value: 'in', label: 'inches' }
			]
		},
		{
			key: 'mass',
			label: 'Mass',
			options: [
				{ value: 'kg', label: 'kilograms' },
				{ value: 'lb', label: 'pounds' }
			]
		},
		{
			key: 'distance',
			label: 'Distance',
			options: [
				{ value: 'km', label: 'kilometres' },
				{ value: 'mi', label: 'miles' },
				{ value: 'nmi', label: 'nautical miles' }
			]
		},
		{
			key: 'temperature',
			label: 'Temperature',
			options: [
				{ value: 'C', label: '°C' },
				{ value: 'F', label: '°F' }
			]
		}
	];

	function save(): void {
		downloadLogbook(app.logbook());
		saved = true;
	}
	const setUnit = (key: keyof UnitChoice, value: string): Promise<void> =>
		app.choose(({ units }) => ({ units: { ...units, [key]: value } as UnitChoice }));

	async function keepForGood(): Promise<void> {
		persisted = await navigator.storage?.persist?.();
	}
</script>

<div class="page">
	<h1>Data</h1>
	<section>
		<h2>Save</h2>
		<p>
			Everything in one open file, as JSON: {app.rigs.length}
			{app.rigs.length === 1 ? 'rig' : 'rigs'}, {app.trips.length}
			{app.trips.length === 1 ? 'trip' : 'trips'}, {app.points.length} points, {app.entries.length} entries.
		</p>
		<p><button class="primary" onclick={save}>Save the logbook to a file</button></p>
	</section>
	<section>
		<h2>Read in</h2>
		<p>
			A logbook from another device or another person is merged with yours. You see what it changes first.
		</p>
		<ImportLogbook {app} />
	</section>
	<section>
		<h2>Look and units</h2>
		<fieldset class="themes">
			<legend>Theme</legend>
			{#each THEMES as { value, label, hint } (value)}
				<label
					><input
						type="radio"
						name="theme"
						{value}
						checked={app.prefs.current.theme === value}
						onchange={() => void app.choose({ theme: value })}
					/>
					<span>{label}<span class="soft">, {hint}</span></span></label
				>
			{/each}
		</fieldset>
		<div class="units">
			{#each UNITS as { key, label, options } (key)}
				<SelectField
					{label}
					{options}
					value={app.prefs.current.units[key]}
					onchange={(value) => void setUnit(key, value)}
				/>
			{/each}
			<TextField
				label="Your name on entries"
				bind:value={by}
				onchange={(value) => void app.choose({ by: value.trim() === '' ? undefined : value.trim() })}
				maxlength={60}
			/>
		</div>
		<p class="soft small">The file itself is always in litres, millimetres, kilograms and kilometres.</p>
	</section>
	{#if app.aside.length > 0}
		<section>
			<h2>Kept aside</h2>
			<p>
				{app.aside.length} stored {app.aside.length === 1 ? 'record' : 'records'} could not be read. They are kept
				as they were and are in nobody's way.
			</p>
			<ul>
				{#each app.aside.slice(0, 10) as { key, problems } (key)}<li>
						<strong>{key}</strong>: {problems[0]?.path} expected {problems[0]?.expected}, got {problems[0]
							?.got}
					</li>{/each}
			</ul>
			<p>
				<button
					onclick={() => download('dipsometer-kept-aside.json', JSON.stringify(app.aside, undefined, '\t'))}
					>Save them to a file</button
				>
			</p>
		</section>
	{/if}
	<section>
		<h2>In this browser</h2>
		<p>
			The logbook lives here and works without a network. A browser that runs short of room may clear it
			unless it is asked not to.
		</p>
		<p>
			<button onclick={() => void keepForGood()}>Ask the browser to keep it</button
			>{#if persisted !== undefined}<span class="soft">
					{persisted ? 'It will.' : 'It did not promise. Save a file now and then.'}</span
				>{/if}
		</p>
	</section>
	<section class="wipe">
		<h2>Wipe</h2>
		<p>Takes everything out of this browser. Save a copy first; there is no undo for this.</p>
		<p class="buttons">
			<button onclick={save}>1. Save a copy</button>
			<label class="check"
				><input type="checkbox" bind:checked={sure} disabled={!saved} /> 2. I have the copy</label
			>
			<button class="danger" disabled={!saved || !sure} onclick={() => void app.wipe()}
				>3. Wipe this browser</button
			>
		</p>
	</section>
</div>

<style>
	.page {
		padding: 1.4rem var(--gap-4) var(--gap-4);
		display: grid;
		gap: var(--gap-4);
		align-content: start;
		max-width: 56rem;
	}
	section {
		display: grid;
		gap: var(--gap-2);
		border-top: var(--hairline);
		padding-top: var(--gap-3);
	}
	h2 {
		font-size: var(--step-1);
	}
	.themes {
		border: 0;
		padding: 0;
		margin: 0;
		display: flex;
		flex-wrap: wrap;
		gap: 0 var(--gap-4);
	}
	.themes legend {
		font-weight: 600;
		font-size: var(--step--1);
		padding: 0;
	}
	.themes label,
	.check {
		display: flex;
		gap: 0.3rem;
		align-items: center;
		min-height: var(--touch);
	}
	.themes input,
	.check input {
		width: 1.2rem;
		height: 1.2rem;
		margin-right: 0.2rem;
	}
	.units {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(10rem, 1fr));
		gap: var(--gap-3);
	}
	.buttons {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: center;
	}
	.danger:enabled {
		border-color: var(--caution);
		color: var(--caution);
	}
	.small {
		font-size: var(--step--1);
	}
	li {
		overflow-wrap: anywhere;
	}
	@media (max-width: 800px) {
		.page {
			padding: var(--gap-3);
		}
	}
</style>
