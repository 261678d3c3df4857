<script lang="ts">
	import { errorMessage } from '$lib/errorMessage';
	import { tripInUse, type MergePreview, type Refusal } from '$core/logbook';
	import { readFileIn, type ReadIn } from '$lib/engine';
	import { formatOf } from '$core/formats';
	import { MERGES } from '$core/words';
	import { decoded, readOpenFileIn, type OpenFile } from '$lib/exchange';
	import type { App } from '$lib/state';
	import { onDestroy, untrack } from 'svelte';
	import { opened } from '../../../state/opened.svelte';
	import DataTable from '../../kit/page/DataTable.svelte';
	import Notice from '../../kit/page/Notice.svelte';
	import RefusedFile from './RefusedFile.svelte';
	import { toast } from '../../kit/toast.svelte';

	/** Reads a file beside the page, a logbook or one of an open format, says what it would change here, and takes it in. */
	const { app }: { app: App } = $props();

	/** A larger file is no logbook; a track of days is long. */
	const LARGEST_MIB = 16;
	const LARGEST_OPEN_MIB = 96;
	/** so many bytes tell what a file is */
	const HEAD = 4000;
	const MIB = 1024 * 1024;
	const LISTS = ['rigs', 'trips', 'points', 'entries'] as const;
	let fileName = $state('');
	let refused = $state.raw<Refusal | undefined>();
	let found = $state.raw<Extract<ReadIn, { ok: true }> | undefined>();
	let open = $state.raw<OpenFile | undefined>();
	/** what somebody shared as a file */
	let shared = $state<string>();
	let reading = $state.raw<{ readonly stop: () => void } | undefined>();
	let done = $state(0);
	let busy = $state(false);
	/** counts choices and stops: what was asked before the last of them is late */
	let chosen = 0;
	const preview = $derived<MergePreview | undefined>(found?.preview);
	const changes = $derived(found?.changes.length ?? 0);

	const wrong = (expected: string, got: string): Refusal => ({
		ok: false,
		problems: [{ path: '$', expected, got }]
	});

	function choose(event: Event & { currentTarget: HTMLInputElement }): void {
		const file = event.currentTarget.files?.[0];
		event.currentTarget.value = '';
		if (file) void read(file);
	}
	// What the device opened with the application is read as if it had been chosen.
	$effect(() => {
		const { file } = opened;
		if (!file) return;
		opened.file = undefined;
		untrack(() => void read(file));
	});

	async function read(file: File): Promise<void> {
		stop();
		fileName = file.name;
		const mine = (chosen += 1);
		try {
			const head = decoded(await file.slice(0, HEAD).arrayBuffer()).text;
			const format = formatOf(head);
			const named = /\.json$/i.test(file.name) && format !== 'geojson';
			const isLogbook = format === 'logbook' || named || !app.rig;
			const most = isLogbook ? LARGEST_MIB : LARGEST_OPEN_MIB;
			if (chosen !== mine) return;
			if (file.size > most * MIB)
				refused = wrong(`a file of at most ${most} MiB`, `${Math.round(file.size / MIB)} MiB`);
			else if (isLogbook) await readLogbook(await file.text(), mine);
			else await readOpen(await file.arrayBuffer(), mine);
		} catch (error) {
			if (chosen === mine) refused = wrong('a file that can be read', errorMessage(error));
		}
		if (chosen === mine) reading = undefined;
	}

	async function readLogbook(text: string, mine: number): Promise<void> {
		if (chosen !== mine) return;
		// A difference is looked at beside what is here: what it names may be here and not in it.
		if (text.includes('"handOver":')) {
			shared = text;
			return;
		}
		const under = readFileIn(text, app.records.logbook(), (share) => (done = share));
		reading = under;
		const answer = await under.answer;
		if (chosen !== mine) return;
		if (answer.ok) found = answer;
		else refused = answer;
	}

	async function readOpen(bytes: ArrayBuffer, mine: number): Promise<void> {
		if (chosen !== mine) return;
		const under = readOpenFileIn(bytes, beside(), (share) => (done = share));
		reading = under;
		const answer = await under.answer;
		if (chosen === mine) open = answer;
	}

	/** What a file is read beside. */
	const beside = () => ({
		logbook: app.records.logbook(),
		rig: app.rig?.id ?? '',
		timeZone: app.timeZone,
		stops: app.tripInView ? tripInUse(app.tripInView).stops : []
	});

	/** Gives up the file in hand, read or half read. */
	function stop(): void {
		reading?.stop();
		chosen += 1;
		[reading, found, open, shared, refused, done] = [
			undefined,
			undefined,
			undefined,
			undefined,
			undefined,
			0
		];
	}
	onDestroy(() => reading?.stop());

	async function takeIn(): Promise<void> {
		if (!found) return;
		busy = true;
		if (await app.commands.takeIn(found.changes, 'Logbook merged'))
			toast(`${fileName} imported: ${changes} changes.`);
		[busy, fileName] = [false, ''];
		stop();
	}
</script>

<label class="file field">
	<span>Choose a logbook file{app.rig ? ', or GPX, GeoJSON, CSV, a calendar' : ''}</span>
	<input
		type="file"
		accept=".json,application/json,.txt,text/plain{app.rig
			? ',.gpx,.geojson,.csv,.ics,.xml,text/csv,text/calendar,application/geo+json,application/gpx+xml'
			: ''}"
		onchange={choose}
	/>
</label>
{#if reading}
	<p class="buttons" role="status">
		<label>Reading {fileName} <progress value={done} max="1"></progress></label>
		<button onclick={stop}>Stop</button>
	</p>
{/if}
{#if refused}<RefusedFile {fileName} {refused} />{/if}
{#if open}
	{#await import('./OpenPreview.svelte') then { default: OpenPreview }}
		{#key open}<OpenPreview {app} found={open} {fileName} />{/key}
	{/await}
{/if}
{#if shared !== undefined}
	{#await import('./handover/Taking.svelte') then { default: Taking }}
		<Taking {app} text={shared} isJson oncancel={stop} ondone={stop} />
	{/await}
{/if}
{#if preview}
	<DataTable
		caption="What {fileName} would change here"
		columns={[
			{ name: 'List', quiet: true },
			{ name: 'new', number: true },
			{ name: 'changed', number: true },
			{ name: 'as before', number: true }
		]}
	>
		{#each LISTS as list (list)}
			<tr>
				<th scope="row">{list}</th>
				<td class="number">{preview[list].added.length}</td>
				<td class="number">{preview[list].changed.length}</td>
				<td class="number">{preview[list].kept}</td>
			</tr>
		{/each}
	</DataTable>
	{#if preview.retired.length > 0}
		<Notice>
			<p>No longer part of their rig or trip there, but kept here unused, as entries name them:</p>
			<ul>
				{#each preview.retired as { of, name }, i (i)}<li>{name}, of {of}</li>{/each}
			</ul>
		</Notice>
	{/if}
	<p class="soft">{MERGES}</p>
	<p>
		<button class="primary" disabled={busy || changes === 0} onclick={() => void takeIn()}
			>{changes === 0 ? 'Nothing new in it' : 'Import'}</button
		>
	</p>
{/if}

<style>
	.file {
		font-weight: 600;
		font-size: var(--step--1);
		max-width: 28rem;
	}
	input[type='file'] {
		font-weight: 400;
		border: 1px dashed var(--ink);
		padding: 0.6rem;
	}
	li {
		overflow-wrap: anywhere;
		padding: 0.15rem 0;
	}
</style>
