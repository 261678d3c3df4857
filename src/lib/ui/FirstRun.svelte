<script lang="ts">
	import { page } from '$app/state';
	import { zonedIso, type Entry } from '$core/logbook';
	import { firstEntries, startingRig } from '$core/rig';
	import { METRIC } from '$core/units';
	import type { App } from '$lib/state';
	import type { Change } from '$lib/store';
	import { onMount } from 'svelte';
	import { v7 as uuid } from 'uuid';
	import ImportLogbook from './ImportLogbook.svelte';
	import NumberField from './NumberField.svelte';
	import SelectField from './SelectField.svelte';
	import TextField from './TextField.svelte';

	const { app }: { app: App } = $props();

	let way = $state<'choose' | 'own' | 'file'>('choose');
	let ready = $state(false);
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
	let volume = $state<'L' | 'usGal' | 'impGal'>('L');
	const units = $derived({ ...METRIC, volume });

	const missing = $derived(
		[
			name.trim() === '' && 'a name',
			!(crew !== undefined && crew >= 1 && crew <= 60) && 'how many you are',
			!(freshL !== undefined && freshL > 0 && freshL < 20_000) && 'what the fresh tank holds',
			fill === 'some' &&
				!(aboardL !== undefined && freshL !== undefined && aboardL >= 0 && aboardL <= 1.15 * freshL) &&
				'how much is aboard, no more than the tank holds'
		].filter((part) => part !== false)
	);

	/** Puts one or both demo rigs in the store; made here and now, so that their trips are under way. */
	async function lookAround(rig?: string): Promise<void> {
		busy = true;
		const { demoLogbook } = await import('$demo/index');
		const logbook = demoLogbook(Date.now(), Intl.DateTimeFormat().resolvedOptions().timeZone);
		await app.choose({ rig: rig ?? 'demo-wren' });
		await app.merge(logbook);
		app.history.clear();
	}

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
				blackL: blackL || undefined
			},
			() => uuid()
		);
		const at = zonedIso(Date.now(), app.timeZone);
		const entries = firstEntries(rig, fill === 'full' ? 'full' : (aboardL ?? 0), wasteEmpty, at).map(
			(draft): Change => ({ kind: 'entry', value: { ...draft, id: uuid(), rig: rig.id } as Entry })
		);
		await app.choose({ rig: rig.id, units });
		await app.commit([{ kind: 'rig', value: rig }, ...entries], 'First rig');
		await app.refresh();
	}

	onMount(() => {
		if (page.url.searchParams.has('demo')) void lookAround();
	});
</script>

<main>
	<h1>What is in the tanks, how long it lasts, where to fill and dump next.</h1>
	{#if app.aside.length > 0}<p class="aside">
			{app.aside.length} stored records could not be read and were kept aside; they are in Data once a rig is open.
		</p>{/if}

	{#if way === 'choose'}
		<div class="ways">
			<section>
				<h2>Look around</h2>
				<p>Two rigs that do not exist, each on a trip that is under way.</p>
				<p class="buttons">
					<button class="primary" disabled={busy} onclick={() => void lookAround('demo-wren')}
						>Wren, a camper</button
					>
					<button disabled={busy} onclick={() => void lookAround('demo-sandling')}>Sandling, a boat</button>
				</p>
			</section>
			<section>
				<h2>My own rig</h2>
				<p>Its kind, its tanks, who is aboard and what is in it now. Two minutes.</p>
				<p class="buttons">
					<button class="primary" onclick={() => (way = 'own')}>Begin</button>
					<button onclick={() => (ready = true)}>From a ready rig</button>
				</p>
			</section>
			<section>
				<h2>I have a logbook</h2>
				<p>Read a file that was saved on another device, or by another person.</p>
				<p class="buttons"><button onclick={() => (way = 'file')}>Open a file</button></p>
			</section>
		</div>
	{:else if way === 'own'}
		<form onsubmit={begin} novalidate>
			<fieldset>
				<legend>Rig</legend>
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
					label="Volumes in"
					bind:value={volume}
					options={[
						{ value: 'L', label: 'litres' },
						{ value: 'usGal', label: 'US gallons' },
						{ value: 'impGal', label: 'imperial gallons' }
					]}
				/>
			</fieldset>
			<fieldset>
				<legend>Tanks, by their plates</legend>
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
			</fieldset>
			<fieldset>
				<legend>Now</legend>
				<SelectField
					label="The fresh tank is"
					bind:value={fill}
					options={[
						{ value: 'full', label: 'full to the overflow' },
						{ value: 'some', label: 'partly filled' }
					]}
				/>
				{#if fill === 'some'}<NumberField label="Aboard" bind:value={aboardL} of="volume" {units} />{/if}
				{#if greyL || blackL}
					<label class="check"
						><input type="checkbox" bind:checked={wasteEmpty} /> The waste tanks have just been emptied</label
					>
				{/if}
			</fieldset>
			<p class="buttons">
				<button class="primary" type="submit" disabled={busy || missing.length > 0}
					>See how long it lasts</button
				>
				<button type="button" onclick={() => (way = 'choose')}>Back</button>
				{#if missing.length > 0}<span class="soft">Still needed: {missing.join(', ')}.</span>{/if}
			</p>
		</form>
	{:else}
		<ImportLogbook {app} />
		<p class="buttons"><button onclick={() => (way = 'choose')}>Back</button></p>
	{/if}
	<p class="soft small">
		Everything stays in this browser and in the files you save; nothing is sent anywhere. Local codes and
		licensed practice come first.
	</p>
</main>
{#if ready}
	{#await import('./NewRig.svelte') then { default: NewRig }}<NewRig
			{app}
			onclose={() => (ready = false)}
		/>{/await}
{/if}

<style>
	main {
		max-width: 62rem;
		margin: 0 auto;
		padding: clamp(1.2rem, 5vh, 4rem) var(--gap-4);
		display: grid;
		gap: var(--gap-4);
	}
	h1 {
		max-width: 38rem;
	}
	.ways {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
		gap: var(--gap-4);
		border-top: var(--hairline);
		padding-top: var(--gap-4);
	}
	section {
		display: grid;
		gap: var(--gap-2);
		align-content: start;
	}
	.buttons {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: center;
		margin-top: var(--gap-2);
	}
	form {
		display: grid;
		gap: var(--gap-3);
	}
	fieldset {
		border: 0;
		border-top: var(--hairline);
		padding: var(--gap-3) 0;
		margin: 0;
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
		gap: var(--gap-3) var(--gap-4);
		align-items: start;
	}
	legend {
		font-family: var(--display);
		font-weight: 650;
		font-size: var(--step-1);
		padding: 0 var(--gap-2) 0 0;
	}
	.check {
		display: flex;
		gap: var(--gap-2);
		align-items: center;
		min-height: var(--touch);
	}
	.check input {
		width: 1.25rem;
		height: 1.25rem;
	}
	.aside {
		border-left: 3px solid var(--caution);
		padding-left: var(--gap-3);
	}
	.small {
		font-size: var(--step--1);
	}
</style>
