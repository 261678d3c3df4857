<script lang="ts">
	import { afterNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import { inOrder, writersOf, type Entry } from '$core/logbook';
	import { useApp } from '$lib/state';
	import { byDay } from '$lib/ui/features/ledger/byDay';
	import DayList from '$lib/ui/features/ledger/DayList.svelte';
	import LastTaken from '$lib/ui/features/exchange/handover/LastTaken.svelte';
	import EntryForm from '$lib/ui/features/ledger/EntryForm.svelte';
	import { filterFrom, passes } from '$lib/ui/features/ledger/filter';
	import Filters from '$lib/ui/features/ledger/Filters.svelte';
	import UndoRedo from '$lib/ui/features/ledger/UndoRedo.svelte';
	import Findings from '$lib/ui/parts/notices/Findings.svelte';
	import InTurn from '$lib/ui/kit/page/InTurn.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import { mendSaying, redoSaying, undoSaying } from '$lib/ui/parts/acts/notify';

	const app = useApp();
	// An answer of the quick line leads to what it is about.
	let filter = $state.raw(filterFrom(page.url.searchParams));
	afterNavigate(({ to }) => {
		if (to?.url.search) filter = filterFrom(to.url.searchParams);
	});
	let editing = $state.raw<Entry>();

	const rig = $derived(app.rig);
	const now = $derived(app.engine.assessment);
	const { history } = app.commands;
	const shown = $derived(
		byDay(inOrder(app.rigEntries.filter((entry) => passes(filter, entry, rig))).toReversed(), app.timeZone)
	);
	const findings = $derived(
		now?.findings?.filter(({ finding }) => finding.kind === 'missing' || finding.kind === 'slip') ?? []
	);
	const isHeard = $derived(app.prefs.current.listening?.[rig?.id ?? ''] !== undefined);
	const people = $derived(writersOf(app.rigEntries));
</script>

<Page>
	<PageHead title="Ledger">
		{#snippet acts()}
			{#if isHeard}<a class="as-button" href="/ledger/heard">Heard</a>{/if}
			<a class="as-button" href="/ledger/review">Review</a>
			<a class="as-button" href="/ledger/record">Forecast record</a>
		{/snippet}
	</PageHead>
	<InTurn>
		<Filters {rig} {people} bind:filter>
			{#snippet beside()}
				<UndoRedo
					last={history.done.at(-1)?.label}
					canRedo={history.undone.length > 0}
					onundo={() => void undoSaying(app)}
					onredo={() => void redoSaying(app)}
				/>
			{/snippet}
		</Filters>
		<LastTaken {app} />
		{#if isHeard}
			{#await import('$lib/ui/features/listen/HeardList.svelte') then { default: HeardList }}<HeardList
					{app}
					most={3}
				/>{/await}
		{/if}
		<Findings {findings} onmend={(mend, label) => void mendSaying(app, mend, label)} />
		{#if shown.length === 0}
			<p class="soft">
				Nothing here{filter.tank || filter.kind || filter.by ? ' for this filter' : ' yet'}. Enter what
				happened in the line below.
			</p>
		{/if}
	</InTurn>
	<InTurn><DayList {app} parts={shown} onedit={(entry) => (editing = entry)} /></InTurn>
</Page>

{#if editing}
	<EntryForm {app} entry={editing} onclose={() => (editing = undefined)} />
{/if}
