<script lang="ts">
	import { goto } from '$app/navigation';
	import type { Rig, Trip } from '$core/logbook';
	import { sayPlan } from '$core/words';
	import type { App } from '$lib/state';
	import OneField from '../../../kit/fields/OneField.svelte';
	import TextField from '../../../kit/fields/TextField.svelte';
	import Notice from '../../../kit/page/Notice.svelte';
	import PageHead from '../../../kit/page/PageHead.svelte';
	import Section from '../../../kit/page/Section.svelte';
	import Spans from '../../../kit/page/Spans.svelte';
	import { notifyDone } from '../../../parts/acts/notify';
	import Fallback from '../Fallback.svelte';
	import Ribbon from '../Ribbon.svelte';
	import IfShut from '../IfShut.svelte';
	import { asWritten } from './asWritten.svelte';
	import LinesField from './LinesField.svelte';

	interface Props {
		app: App;
		rig: Rig;
		/** the trip that is changed; a new one when absent */
		trip: Trip | undefined;
		/** where one came from */
		back: string;
	}
	/** A trip written a stop a line, with the plan of it growing beside. */
	const { app, rig, trip, back }: Props = $props();

	// The view works on the trip as it was when it was opened.
	// svelte-ignore state_referenced_locally
	const written = asWritten(app, rig.id, trip);
	const units = $derived(app.prefs.current.units);
	const read = $derived(written.read);
	const plan = $derived(read?.planned?.plan);
	const words = $derived(
		read?.planned && plan && sayPlan(rig, read.trip, plan, Math.max(app.nowMs, read.planned.fromMs), units)
	);
	const { problems, conflicts } = $derived(written.correction);

	async function save(): Promise<void> {
		const id = await written.save();
		if (id === undefined) return;
		notifyDone(app, trip ? 'Trip changed' : 'New trip saved');
		await goto(`/trip?trip=${encodeURIComponent(id)}`);
	}
</script>

<PageHead
	title={trip ? `${trip.name}, in lines` : 'Where to, and for how long?'}
	says="A line for each stop, as on a scrap of paper: nights or until when, kilometres, what is there, heat, people."
/>
<div class="both">
	<form
		onsubmit={(event) => {
			event.preventDefault();
			void save();
		}}
	>
		<LinesField bind:text={written.text} {read} points={app.records.points} />
		<div class="begins">
			<OneField
				field={{ key: 'from', label: 'At the first stop from', type: 'moment' }}
				value={written.from}
				{units}
				timeZone={written.zone}
				error={undefined}
				onput={(next) => (written.from = typeof next === 'string' ? next : written.from)}
			/>
			<TextField
				label="Name of the trip"
				bind:value={() => written.name, (next) => (written.name = next)}
				hint={written.name === '' && read ? `Otherwise: ${read.name}` : undefined}
			/>
		</div>
		{#each [...problems, ...conflicts.map( (conflict) => ({ ...conflict, expected: 'your change or theirs', got: 'both changed it' }) )] as { path, expected, got }, i (i)}
			<p class="mind small">{path}: expected {expected}, got {got}.</p>
		{/each}
		<p class="buttons">
			<button class="primary" disabled={!read || read.trip.stops.length === 0 || !written.current}
				>{trip ? 'Save changes' : 'Save this trip'}</button
			>
			{#if !trip}<a class="as-button" href="/data#read">From a file</a>{/if}
			<a class="as-button" href={back} onclick={() => void written.drop()}>Cancel</a>
			<span class="soft small">Anything else can be changed stop by stop afterwards.</span>
		</p>
	</form>
	<Section title="As it would go">
		{#if written.trouble}<Notice><p>The lines couldn’t be read: {written.trouble}.</p></Notice>{/if}
		{#if read?.planned && words && plan}
			<Ribbon
				{rig}
				trip={read.trip}
				planned={read.planned}
				past={[]}
				nowMs={app.nowMs}
				{units}
				theme={app.prefs.current.theme}
			/>
			<p><strong><Spans spans={words.headline} /></strong> <Spans spans={words.detail} /></p>
			<IfShut {rig} trip={read.trip} {plan} nowMs={app.nowMs} {units} />
			<Fallback on={written.fallback} price={read.price} onchange={(on) => (written.fallback = on)} />
		{:else}
			<p class="soft">
				{read && read.trip.stops.length > 0
					? 'Nothing lies ahead of now in these lines.'
					: 'The plan appears here as you write.'}
			</p>
		{/if}
	</Section>
</div>

<style>
	.both {
		display: grid;
		grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
		gap: var(--gap-4);
		align-items: start;
	}
	form {
		display: grid;
		gap: var(--gap-3);
	}
	.begins {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(12rem, 1fr));
		gap: 0 var(--gap-3);
	}
	@media (max-width: 1000px) {
		.both {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
