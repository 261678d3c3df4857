<script lang="ts">
	import {
		RECORD_IS,
		sayInstant,
		sayNoForecasts,
		sayReadEvenings,
		sayRecord,
		sayRecordVerdict,
		saySurprise,
		sayTankRecord
	} from '$core/words';
	import { tankById } from '$core/rig';
	import { useApp } from '$lib/state';
	import {
		followRecord,
		recallDemo,
		recordBeside,
		recordSince,
		resetRecord
	} from '$lib/state/recordBook.svelte';
	import DataTable from '$lib/ui/kit/page/DataTable.svelte';
	import FactList from '$lib/ui/kit/page/FactList.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import BandRow from '$lib/ui/features/review/BandRow.svelte';
	import { errorMessage } from '$lib/errorMessage';
	import { toast } from '$lib/ui/kit/toast.svelte';
	import { untrack } from 'svelte';

	const app = useApp();
	const book = recordBeside(app);
	let trouble = $state<string>();
	let loaded = $state(false);
	const rig = $derived(app.rig);
	const units = $derived(app.prefs.current.units);
	const sinceMs = $derived(rig && app.prefs.current.recordSince?.[rig.id]);
	const evenings = $derived(rig ? book.of(rig.id) : []);
	const record = $derived(recordSince(evenings, sinceMs));
	/** what has come, the latest first; then what is still to come */
	const shown = $derived.by(() => {
		const own = evenings.filter(({ foretold }) => foretold.madeMs >= (sinceMs ?? 0)).toReversed();
		return [
			...own.filter(({ score }) => score !== undefined),
			...own.filter(({ score }) => score === undefined)
		];
	});
	const nameOf = (id: string): string => (rig && tankById(rig, id)?.name) ?? id;
	const untold = $derived(shown.filter(({ score }) => score === 'untold').length);
	const waiting = $derived(shown.filter(({ score }) => score === undefined).length);

	async function bringUp(): Promise<void> {
		try {
			await book.load(app.nowMs);
			loaded = true;
			await recallDemo(app, book);
			await followRecord(app, book);
		} catch (error) {
			trouble = errorMessage(error);
		}
	}
	const stands = $derived(app.engine.assessment !== undefined);
	// What is kept is read at once, and brought up to date when the figures stand and with what was written since.
	$effect(() => {
		void [stands, app.engine.written, app.rig?.id];
		untrack(() => void bringUp());
	});

	async function reset(): Promise<void> {
		if (!rig) return;
		await resetRecord(app, rig.id);
		toast('The record starts again: forecasts are drawn as calculated.');
	}
</script>

{#if rig}
	<Page up={{ href: '/ledger', name: 'Ledger' }}>
		<PageHead title={loaded ? sayRecord(record) : 'Forecast record'}>
			{#snippet says()}{#if loaded}<p class="detail soft">{sayRecordVerdict(record)}</p>{/if}{/snippet}
			{#snippet acts()}
				{#if record.evenings > 0}<button onclick={() => void reset()}>Start the record again</button>{/if}
			{/snippet}
		</PageHead>
		{#if trouble}<p class="mind" role="alert">{trouble}</p>{/if}
		{#if record.tanks.length > 0}
			<Section title="By tank">
				<FactList
					facts={record.tanks.map((tank) => ({ name: nameOf(tank.id), says: sayTankRecord(tank) }))}
				/>
			</Section>
		{/if}
		{#if shown.length > 0}
			<Section title="Evening by evening">
				<p class="soft">
					{sayReadEvenings(untold, waiting)}
				</p>
				<DataTable
					columns={[
						{ name: 'Forecast for' },
						{ name: 'Tank' },
						{ name: 'Range and actual level' },
						{ name: 'Why' }
					]}
				>
					{#each shown as { foretold, score } (foretold.madeMs)}
						{#each foretold.tanks as tank, i (tank.id)}
							{@const came =
								score !== undefined && score !== 'untold'
									? score.tanks.find(({ id }) => id === tank.id)
									: undefined}
							<tr>
								{#if i === 0}<th scope="row">{sayInstant(foretold.forMs, app.timeZone)}</th>{:else}<td
									></td>{/if}
								<td>{nameOf(tank.id)}</td>
								<td><BandRow {tank} {came} {units} /></td>
								<td
									>{#if score === undefined}to come{:else if !came || score === 'untold'}nothing was read{:else if came.inside}in
										range{:else}<span class="mind"
											>{score.why.length > 0
												? score.why.map((one) => saySurprise(one, rig, units)).join('; ')
												: 'by chance, as far as the log shows'}</span
										>{/if}</td
								>
							</tr>
						{/each}
					{/each}
				</DataTable>
			</Section>
		{:else if loaded}
			<Notice calm
				><p>
					{sayNoForecasts(app.engine.assessment !== undefined, 0.3, units)}
				</p></Notice
			>
		{/if}
		<Notice calm
			><p>
				{RECORD_IS}
			</p></Notice
		>
	</Page>
{/if}
