<script lang="ts">
	import { zonedTime } from '$core/time';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { formatLitres, formatQuantity } from '$core/units';
	import { sayErrands, sayInstant, sayPart, sayReviewDetail, sayReviewHeadline } from '$core/words';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import Chart from '$lib/ui/kit/charts/Chart.svelte';
	import { reviewChart } from '$lib/ui/parts/charts/reviewChart';
	import Columns from '$lib/ui/kit/page/Columns.svelte';
	import DataTable from '$lib/ui/kit/page/DataTable.svelte';
	import InFigures from '$lib/ui/kit/page/InFigures.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import Beside from '$lib/ui/features/review/Beside.svelte';
	import Otherwise from '$lib/ui/features/review/Otherwise.svelte';
	import { saveTable, TABLE_NAMES } from '$lib/ui/features/review/saveTable';
	import ShareTable from '$lib/ui/features/review/ShareTable.svelte';
	import StretchChoice from '$lib/ui/features/review/StretchChoice.svelte';
	import TankAccount from '$lib/ui/features/review/TankAccount.svelte';
	import { untrack } from 'svelte';
	import {
		addressOf,
		choiceFrom,
		lookingAt,
		usualChoice,
		type ChosenStretch
	} from '$lib/ui/features/review/stretches';

	const app = useApp();
	const rig = $derived(app.rig);
	const units = $derived(app.prefs.current.units);
	const trips = $derived(app.records.trips.filter((trip) => trip.rig === rig?.id));
	/** as of what was last written: the past does not change with the clock */
	const openedMs = $derived.by(() => {
		void app.engine.written;
		return untrack(() => app.nowMs);
	});
	const choice = $derived<ChosenStretch>(
		choiceFrom(page.url.searchParams) ?? usualChoice(trips, rig?.id ?? '', openedMs, app.timeZone)
	);
	const looking = $derived(lookingAt(choice, trips, openedMs, app.timeZone));
	/** how far a long look back is, 0 … 1 */
	let progress = $state<number>();
	const asked = latest(() => {
		if (!looking || !rig) return undefined;
		const own = looking;
		const back = app.engine.ask('review/lookBack', own, (done) => {
			if (looking === own) progress = done;
		});
		return back?.finally(() => (progress = undefined));
	});
	const others = latest(
		() => app.engine.ask('review/tripsInShort'),
		() => [app.engine.written, rig?.id]
	);
	const nothing = $derived(asked.value && 'nothing' in asked.value ? asked.value.nothing : undefined);
	const seen = $derived(asked.value && !('nothing' in asked.value) ? asked.value : undefined);
	const trip = $derived(choice.kind === 'trip' ? trips.find(({ id }) => id === choice.trip) : undefined);
	const name = $derived(
		trip?.name ??
			(choice.kind === 'month'
				? sayPart(`${choice.month}-01`, 'months')
				: choice.kind === 'days'
					? `${choice.from} to ${choice.to}`
					: '')
	);
	let sections = $state<HTMLDivElement>();
	/** On paper nothing can be opened: every table lies open there. */
	function unfold(open: boolean): void {
		for (const details of sections?.querySelectorAll('details') ?? []) details.open = open;
	}
	const choose = (next: ChosenStretch): Promise<void> =>
		goto(addressOf(next), { keepFocus: true, noScroll: true, replaceState: true });
</script>

<svelte:window onbeforeprint={() => unfold(true)} onafterprint={() => unfold(false)} />

{#if rig}
	<Page up={{ href: '/ledger', name: 'Ledger' }}>
		<PageHead title={seen ? `${name}: ${sayReviewHeadline(seen.review, units)}` : name}>
			{#snippet says()}{#if seen}<p class="detail soft">
						{sayReviewDetail(seen.review, units)}
					</p>{/if}{/snippet}
			{#snippet acts()}
				{#if seen}
					<button class="screen-only" onclick={() => window.print()}>Print</button>
					{#each TABLE_NAMES as { table, label } (table)}
						<button
							class="quiet screen-only"
							onclick={() => seen && saveTable(table, name, rig, seen.review, seen.errands)}
							>CSV: {label}</button
						>
					{/each}
				{/if}
			{/snippet}
		</PageHead>
		<StretchChoice
			{choice}
			{trips}
			rig={rig.id}
			nowMs={openedMs}
			timeZone={app.timeZone}
			today={zonedTime(openedMs, app.timeZone).day}
			onchoose={(next) => void choose(next)}
		/>
		{#if asked.trouble}<p class="mind" role="alert">{asked.trouble}</p>{/if}
		{#if !looking}
			<Notice><p>There is no such trip of {rig.name}, or it has not begun. Choose another stretch.</p></Notice
			>
		{:else if nothing === 'no-days'}
			<Notice
				><p>These are no days: the last one lies before the first, or ahead of now. Choose others.</p></Notice
			>
		{:else if nothing === 'before-log'}
			<Notice><p>The log of {rig.name} begins later: of these days nothing was written down.</p></Notice>
		{:else if seen}
			{@const { review } = seen}
			<div aria-busy={asked.waiting} class="sections" bind:this={sections}>
				<Section title="Day by day">
					<Chart
						option={reviewChart({ review, units })}
						theme={app.prefs.current.theme}
						heightPx={250}
						label="Water drawn in each part of the stretch, with people aboard and heat"
					/>
					<InFigures>
						<DataTable
							columns={[
								{ name: 'From' },
								{ name: 'Drawn', number: true },
								{ name: 'not written down', number: true },
								{ name: 'person-days', number: true },
								{ name: 'Heat', number: true }
							]}
						>
							{#each review.parts as part (part.fromMs)}
								<tr>
									<th scope="row">{sayPart(part.day, review.partsAre)}</th>
									<td class="number">{formatLitres(part.drawnL, units)}</td>
									<td class="number">{formatLitres(Math.max(0, part.unloggedL), units)}</td>
									<td class="number">{Math.round(part.personDays * 10) / 10}</td>
									<td class="number"
										>{part.maxC === undefined ? '–' : formatQuantity(part.maxC, 'temperature', units)}</td
									>
								</tr>
							{/each}
						</DataTable>
					</InFigures>
				</Section>
				<Columns>
					<Section title="By habit"><ShareTable of="Habit" shares={seen.habits} {units} /></Section>
					<Section title="By outlet"><ShareTable of="Outlet" shares={seen.outlets} {units} /></Section>
				</Columns>
				<Columns>
					<Section title="Tank by tank"><TankAccount {rig} tanks={review.tanks} {units} /></Section>
					<Section title="Taps and drains">
						<p>{sayErrands(seen.errands, units)}</p>
						{#if seen.errands.errands.length > 0}
							<InFigures>
								<DataTable
									columns={[
										{ name: 'When' },
										{ name: 'Where' },
										{ name: 'What' },
										{ name: 'Fees', number: true },
										{ name: 'Minutes', number: true },
										{ name: 'Detour', number: true }
									]}
								>
									{#each seen.errands.errands as call (call.ms)}
										<tr>
											<th scope="row">{sayInstant(call.ms, app.timeZone)}</th>
											<td>{call.name ?? ''}</td>
											<td>{call.kinds.join(', ')}</td>
											<td class="number">{call.fee || '–'}</td>
											<td class="number">{call.minutes || '–'}</td>
											<td class="number"
												>{call.detourKm ? formatQuantity(call.detourKm, 'distance', units) : '–'}</td
											>
										</tr>
									{/each}
								</DataTable>
							</InFigures>
						{/if}
					</Section>
				</Columns>
				<Section title="Held against what was expected, and other trips">
					<Beside {rig} {seen} trip={trip?.id} {trips} others={others.value ?? []} {units} />
				</Section>
				<div class="screen-only">
					<Section title="What would it have been?">
						<Otherwise {app} {rig} {looking} was={seen.was} {units} />
					</Section>
				</div>
			</div>
		{:else if asked.waiting}<p class="soft" aria-live="polite">Looking back…</p>{/if}
		{#if progress !== undefined}<progress value={progress} max="1" aria-label="Looking back"></progress>{/if}
	</Page>
{/if}

<style>
	.sections {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-4);
	}
	@media print {
		.screen-only {
			display: none;
		}
	}
</style>
