<script lang="ts">
	import { inOrder, type Entry, type EntryKind } from '$core/logbook';
	import { tanksTouched } from '$core/rig';
	import { KIND_WORDS } from '$core/words';
	import { useApp } from '$lib/state';
	import SelectField from '$lib/ui/kit/fields/SelectField.svelte';
	import { byDay } from '$lib/ui/features/ledger/byDay';
	import { writersOf } from '$core/logbook';
	import DayEntries from '$lib/ui/features/ledger/DayEntries.svelte';
	import EntryForm from '$lib/ui/features/ledger/EntryForm.svelte';
	import Findings from '$lib/ui/parts/notices/Findings.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import { mendSaying, redoSaying, undoSaying } from '$lib/ui/parts/acts/notify';

	const app = useApp();
	const DAYS_AT_ONCE = 10;
	let tank = $state('');
	let kind = $state('');
	let by = $state('');
	let withVoid = $state(false);
	let days = $state(DAYS_AT_ONCE);
	let editing = $state.raw<Entry>();

	const rig = $derived(app.rig);
	const now = $derived(app.engine.assessment);
	const { history } = app.commands;
	const shown = $derived(
		byDay(
			inOrder(
				app.rigEntries.filter(
					(entry) =>
						(withVoid || entry.void !== true) &&
						(kind === '' || entry.kind === kind) &&
						(by === '' || entry.by === by) &&
						(tank === '' || (rig && tanksTouched(rig, entry).includes(tank)))
				)
			).toReversed(),
			app.timeZone
		)
	);
	const findings = $derived(
		now?.findings.filter(({ finding }) => finding.kind === 'missing' || finding.kind === 'slip') ?? []
	);
	const kinds = Object.entries(KIND_WORDS) as [EntryKind, string][];
	const people = $derived(writersOf(app.rigEntries));
	const last = $derived(history.done.at(-1));
</script>

<Page>
	<PageHead title="Ledger">
		{#snippet acts()}
			<a class="as-button" href="/ledger/review">Review</a>
			<a class="as-button" href="/ledger/record">The forecasts’ own record</a>
		{/snippet}
	</PageHead>
	<div class="filters">
		<SelectField
			label="Tank"
			bind:value={tank}
			options={[
				{ value: '', label: 'all tanks' },
				...(rig?.tanks ?? []).map(({ id, name }) => ({ value: id, label: name }))
			]}
		/>
		<SelectField
			label="Kind"
			bind:value={kind}
			options={[{ value: '', label: 'all kinds' }, ...kinds.map(([value, label]) => ({ value, label }))]}
		/>
		{#if people.length > 0}
			<SelectField
				label="Written by"
				bind:value={by}
				options={[{ value: '', label: 'everybody' }, ...people.map((name) => ({ value: name, label: name }))]}
			/>
		{/if}
		<label class="check"><input type="checkbox" bind:checked={withVoid} /> show voided</label>
		<p class="buttons history">
			<button disabled={!last} onclick={() => void undoSaying(app)}
				>Undo{last ? `: ${last.label}` : ''}</button
			>
			<button disabled={history.undone.length === 0} onclick={() => void redoSaying(app)}>Redo</button>
		</p>
	</div>
	<Findings {findings} onmend={(mend, label) => void mendSaying(app, mend, label)} />
	{#if shown.length === 0}
		<p class="soft">
			Nothing here{kind || tank || by ? ' for this filter' : ' yet'}. Write what happened in the line below.
		</p>
	{/if}
	{#each shown.slice(0, days) as [day, entries] (day)}
		<DayEntries {app} {day} {entries} onedit={(entry) => (editing = entry)} />
	{/each}
	{#if shown.length > days}
		<p><button onclick={() => (days += DAYS_AT_ONCE)}>Earlier days ({shown.length - days} more)</button></p>
	{/if}
</Page>

{#if editing}
	<EntryForm {app} entry={editing} onclose={() => (editing = undefined)} />
{/if}

<style>
	.filters {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: end;
	}
	.history {
		margin-left: auto;
		min-width: 0;
	}
	.history button {
		max-width: 22rem;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	@media (max-width: 800px) {
		.history {
			margin-left: 0;
		}
	}
</style>
