<script lang="ts">
	import { said } from '$lib/said';
	import type { MergePreview, Refusal } from '$core/logbook';
	import { readFileIn, type ReadIn, type FileReading } from '$lib/engine';
	import type { App } from '$lib/state';
	import { onDestroy, untrack } from 'svelte';
	import { opened } from './opened.svelte';
	import DataTable from '../page/DataTable.svelte';
	import Notice from '../page/Notice.svelte';
	import RefusedFile from './RefusedFile.svelte';
	import { toast } from '../shell/toast.svelte';

	/** Reads a file beside the page, says what it would change here, and takes it in. */
	const { app }: { app: App } = $props();

	/** A larger file is no logbook. */
	const LARGEST_MIB = 16;
	const MIB = 1024 * 1024;
	const LISTS = ['rigs', 'trips', 'points', 'entries'] as const;
	let fileName = $state('');
	let refused = $state.raw<Refusal | undefined>();
	let found = $state.raw<Extract<ReadIn, { ok: true }> | undefined>();
	let reading = $state.raw<FileReading | undefined>();
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
		if (file.size > LARGEST_MIB * MIB) {
			refused = wrong(`a file of at most ${LARGEST_MIB} MiB`, `${Math.round(file.size / MIB)} MiB`);
			return;
		}
		const mine = (chosen += 1);
		try {
			const text = await file.text();
			if (chosen !== mine) return;
			reading = readFileIn(text, app.records.logbook(), (share) => (done = share));
			const answer = await reading.answer;
			if (chosen !== mine) return;
			if (answer.ok) found = answer;
			else refused = answer;
		} catch (error) {
			if (chosen === mine) refused = wrong('a file that can be read', said(error));
		}
		if (chosen === mine) reading = undefined;
	}

	/** Gives up the file in hand, read or half read. */
	function stop(): void {
		reading?.stop();
		chosen += 1;
		[reading, found, refused, done] = [undefined, undefined, undefined, 0];
	}
	onDestroy(() => reading?.stop());

	async function takeIn(): Promise<void> {
		if (!found) return;
		busy = true;
		if (await app.commands.takeIn(found.changes, 'Logbook merged'))
			toast(`${fileName} read in: ${changes} changes.`);
		[busy, fileName] = [false, ''];
		stop();
	}
</script>

<label class="file field">
	<span>Choose a logbook file</span>
	<input type="file" accept=".json,application/json,.txt,text/plain" onchange={choose} />
</label>
{#if reading}
	<p class="buttons" role="status">
		<label>Looking at {fileName} <progress value={done} max="1"></progress></label>
		<button onclick={stop}>Stop</button>
	</p>
{/if}
{#if refused}<RefusedFile {fileName} {refused} />{/if}
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
			<p>No longer part of their rig or trip there, and kept here out of use, since entries name them:</p>
			<ul>
				{#each preview.retired as { of, name }, i (i)}<li>{name}, of {of}</li>{/each}
			</ul>
		</Notice>
	{/if}
	<p class="soft">Records merge by id, the later edit winning; nothing is removed.</p>
	<p>
		<button class="primary" disabled={busy || changes === 0} onclick={() => void takeIn()}
			>{changes === 0 ? 'Nothing new in it' : 'Take it in'}</button
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
