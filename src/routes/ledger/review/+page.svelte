<script lang="ts">
	import { zonedTime } from '$core/time';
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import { sayBeside, sayErrands, sayReviewDetail, sayReviewHeadline } from '$core/words';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import { later, PATIENCE_MS } from '$lib/ui/kit/later.svelte';
	import Columns from '$lib/ui/kit/page/Columns.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import Sections from '$lib/ui/kit/page/Sections.svelte';
	import Beside from '$lib/ui/features/review/Beside.svelte';
	import DayByDay from '$lib/ui/features/review/DayByDay.svelte';
	import ErrandTable from '$lib/ui/features/review/ErrandTable.svelte';
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
		nameOf,
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
	const name = $derived(nameOf(choice, trip));
	const patience = later(PATIENCE_MS);
	/** What can be chosen stands under the headline: it comes with it, or when that is late, and stays. */
	let stands = $state(false);
	$effect.pre(() => {
		if (!looking || asked.value || asked.trouble || patience.over) stands = true;
	});
	const choose = (next: ChosenStretch): Promise<void> =>
		goto(addressOf(next), { keepFocus: true, noScroll: true, replaceState: true });
</script>

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
		{#if stands}
			<StretchChoice
				{choice}
				{trips}
				rig={rig.id}
				nowMs={openedMs}
				timeZone={app.timeZone}
				today={zonedTime(openedMs, app.timeZone).day}
				onchoose={(next) => void choose(next)}
			/>
		{/if}
		{#if asked.trouble}<p class="mind" role="alert">{asked.trouble}</p>{/if}
		{#if !looking}
			<Notice><p>There is no such trip of {rig.name}, or it has not begun. Choose another period.</p></Notice>
		{:else if nothing === 'no-days'}
			<Notice
				><p>These days don’t work: the last is before the first, or in the future. Choose others.</p></Notice
			>
		{:else if nothing === 'before-log'}
			<Notice><p>The log of {rig.name} begins later: nothing was logged on these days.</p></Notice>
		{:else if seen}
			{@const { review } = seen}
			<Sections busy={asked.waiting}>
				<Section title="Day by day">
					<DayByDay {review} {units} theme={app.prefs.current.theme} />
				</Section>
				<Columns>
					<Section title="By habit"><ShareTable of="Habit" shares={seen.habits} {units} /></Section>
					<Section title="By outlet"><ShareTable of="Outlet" shares={seen.outlets} {units} /></Section>
				</Columns>
				<Columns>
					<Section title="Tank by tank">
						<TankAccount {rig} tanks={review.tanks} {units} />
						{#if sayBeside(seen.beside, units)}<p>{sayBeside(seen.beside, units)}</p>{/if}
					</Section>
					<Section title="Taps and drains">
						<p>{sayErrands(seen.errands, units)}</p>
						{#if seen.errands.errands.length > 0}<ErrandTable
								errands={seen.errands.errands}
								timeZone={app.timeZone}
								{units}
							/>{/if}
					</Section>
				</Columns>
				<Section title="Compared with what was expected, and other trips">
					<Beside {rig} {seen} trip={trip?.id} {trips} others={others.value ?? []} {units} />
				</Section>
				<div class="screen-only">
					<Section title="What would it have been?">
						<Otherwise {app} {rig} {looking} was={seen.was} {units} />
					</Section>
				</div>
			</Sections>
		{:else if asked.waiting}<p class="soft" aria-live="polite">Looking back…</p>{/if}
		{#if progress !== undefined}<progress value={progress} max="1" aria-label="Looking back"></progress>{/if}
	</Page>
{/if}
