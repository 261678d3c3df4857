<script lang="ts">
	import { previewMerge, parseLogbookText, type Logbook, type Problem } from '$core/logbook';
	import type { App } from '$lib/state';
	import { toast } from './toast.svelte';
	import Notice from './Notice.svelte';

	const { app }: { app: App } = $props();

	/** A larger file is no logbook. */
	const LARGEST = 16 * 1024 * 1024;
	const MOST_PROBLEMS = 20;
	const LISTS = [
		['rigs', 'rigs'],
		['trips', 'trips'],
		['points', 'points'],
		['entries', 'entries']
	] as const;
	let fileName = $state('');
	let problems = $state.raw<readonly Problem[]>([]);
	let theirs = $state.raw<Logbook>();
	let busy = $state(false);
	const preview = $derived(theirs && previewMerge(app.logbook(), theirs));
	const changes = $derived(
		preview
			? LISTS.reduce((sum, [list]) => sum + preview[list].added.length + preview[list].changed.length, 0)
			: 0
	);

	async function read(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
		const file = event.currentTarget.files?.[0];
		event.currentTarget.value = '';
		if (!file) return;
		fileName = file.name;
		[theirs, problems] = [undefined, []];
		if (file.size > LARGEST) {
			problems = [
				{ path: '$', expected: 'a file of at most 16 MiB', got: `${Math.round(file.size / 1024 / 1024)} MiB` }
			];
			return;
		}
		const parsed = parseLogbookText(await file.text());
		if (parsed.ok) theirs = parsed.value;
		else problems = parsed.problems;
	}

	async function merge(): Promise<void> {
		if (!theirs) return;
		busy = true;
		const kept = await app.merge(theirs);
		if (kept) toast(`${fileName} read in: ${changes} changes.`);
		[theirs, fileName, busy] = [undefined, '', false];
	}
</script>

<div class="import">
	<label class="file">
		<span>Choose a logbook file</span>
		<input type="file" accept=".json,application/json" onchange={(event) => void read(event)} />
	</label>
	{#if problems.length > 0}
		<Notice>
			<p role="alert">
				<strong>{fileName} was not read; nothing has changed.</strong>
				{problems.length === 1 ? 'One thing is' : `${problems.length} things are`} wrong with it:
			</p>
			<ul>
				{#each problems.slice(0, MOST_PROBLEMS) as { path, expected, got }, i (i)}
					<li><code>{path}</code>: expected {expected}, got {got}</li>
				{/each}
			</ul>
			{#if problems.length > MOST_PROBLEMS}<p>and {problems.length - MOST_PROBLEMS} more.</p>{/if}
		</Notice>
	{/if}
	{#if preview}
		<table>
			<caption>What {fileName} would change here</caption>
			<thead
				><tr
					><td></td><th scope="col" class="number">new</th><th scope="col" class="number">changed</th><th
						scope="col"
						class="number">as before</th
					></tr
				></thead
			>
			<tbody>
				{#each LISTS as [list, word] (list)}
					<tr>
						<th scope="row">{word}</th>
						<td class="number">{preview[list].added.length}</td>
						<td class="number">{preview[list].changed.length}</td>
						<td class="number">{preview[list].kept}</td>
					</tr>
				{/each}
			</tbody>
		</table>
		<p class="soft">Records merge by id, the later edit winning; nothing is removed.</p>
		<p>
			<button class="primary" disabled={busy || changes === 0} onclick={() => void merge()}
				>{changes === 0 ? 'Nothing new in it' : 'Take it in'}</button
			>
		</p>
	{/if}
</div>

<style>
	.import {
		display: grid;
		gap: var(--gap-3);
		justify-items: start;
	}
	.file {
		display: grid;
		gap: var(--gap-1);
		font-weight: 600;
		font-size: var(--step--1);
	}
	input {
		border: 1px dashed var(--ink);
		padding: 0.6rem;
		max-width: 100%;
	}
	table {
		max-width: 30rem;
	}
	caption {
		text-align: left;
		font-weight: 650;
		padding-bottom: var(--gap-2);
	}
	tr {
		border-bottom: var(--hairline);
	}
	li {
		overflow-wrap: anywhere;
		padding: 0.15rem 0;
	}
	code {
		font-family: inherit;
		font-weight: 650;
	}
</style>
