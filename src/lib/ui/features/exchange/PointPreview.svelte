<script lang="ts">
	import { notRetired, type Point } from '$core/logbook';
	import { joined } from '$core/places';
	import { sayApart, sayServices } from '$core/words';
	import { fateProposed, looksSwapped, standingOf, type Fate, type Standing } from '$lib/exchange';
	import type { App } from '$lib/state';
	import Glyphs from '../../parts/map/Glyphs.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import FoundList from './FoundList.svelte';
	import Kept from './Kept.svelte';

	interface Props {
		app: App;
		found: readonly Point[];
		/** what the act is called when it is undone */
		label: string;
		ondone: () => void;
	}
	/** Points that came in, line by line; what is to be done with each is said before any is kept. */
	const { app, found, label, ondone }: Props = $props();
	let busy = $state(false);
	let changed = $state.raw<ReadonlyMap<string, Fate>>(new Map());
	const units = $derived(app.prefs.current.units);
	/** where one is at home: the stops of the trip in view, else some points that are here */
	const SOME = 30;
	const others = $derived.by(() => {
		const stops = (app.tripInView?.stops ?? []).flatMap(({ position }) => (position ? [position] : []));
		return stops.length > 0 ? stops : app.records.points.slice(0, SOME).map(({ position }) => position);
	});
	// What was found is judged by what is here when it comes.
	const rows = $derived(
		found.map((point) => {
			const standing = standingOf(point, app.records.points);
			const swapped = looksSwapped(point.position, others);
			const proposed = swapped ? 'leave' : fateProposed(standing);
			return { point, standing, swapped, fate: changed.get(point.id) ?? proposed };
		})
	);
	const kept = $derived(rows.filter(({ fate }) => fate !== 'leave'));
	const says = (standing: Standing): string =>
		standing.kind === 'new'
			? 'new'
			: standing.kind === 'here'
				? 'the same as here'
				: standing.kind === 'changed'
					? `changes ${standing.of.name}`
					: `may be ${standing.of.name}, ${sayApart(standing.km, units)} away`;
	const set = (id: string, fate: Fate): void => void (changed = new Map([...changed, [id, fate]]));
	const setAll = (fate: Fate): void =>
		void (changed = new Map(
			rows.filter(({ standing }) => standing.kind !== 'here').map(({ point }) => [point.id, fate])
		));

	async function keep(): Promise<void> {
		busy = true;
		const { commands } = app;
		const edits = kept.map(({ point, standing, fate }) =>
			fate === 'join' && standing.kind === 'twin'
				? commands.editOf('point', standing.of.id, (newest) => joined(newest, point))
				: standing.kind === 'changed'
					? commands.editOf('point', point.id, () => point)
					: undefined
		);
		const fresh = kept
			.filter((_, i) => edits[i] === undefined)
			.map(({ point }) => ({ kind: 'point' as const, value: point }));
		const said = `${label}: ${kept.length} ${kept.length === 1 ? 'point' : 'points'} imported`;
		const done = await commands.put(
			fresh,
			said,
			edits.flatMap((edit) => edit ?? [])
		);
		busy = false;
		if (!done) return;
		notifyDone(app, said);
		ondone();
	}
	const total = $derived(notRetired(app.records.points).length);
</script>

<FoundList label="Points found" {rows} idOf={({ point }) => point.id}>
	{#snippet row({ point, standing, swapped, fate })}
		<Kept
			kept={fate !== 'leave'}
			name={point.name}
			says={sayServices(point.services)}
			disabled={standing.kind === 'here'}
			onchange={(kept) => set(point.id, !kept ? 'leave' : standing.kind === 'twin' ? 'join' : 'keep')}
		>
			{#snippet sign()}<span class="glyph"><Glyphs services={point.services} /></span>{/snippet}
		</Kept>
		<span class="small" class:mind={swapped || standing.kind === 'twin'}
			>{swapped ? 'far away: latitude and longitude may be swapped' : says(standing)}</span
		>
		{#if standing.kind === 'twin' && fate !== 'leave'}
			<select
				aria-label="What to do with {point.name}"
				value={fate}
				onchange={(event) => set(point.id, event.currentTarget.value as Fate)}
			>
				<option value="join">merge with {standing.of.name}</option>
				<option value="keep">import beside it</option>
			</select>
		{/if}
	{/snippet}
</FoundList>
<p class="buttons">
	<button class="primary" disabled={busy || kept.length === 0} onclick={() => void keep()}
		>Import {kept.length} of {rows.length}</button
	>
	<button class="quiet small" onclick={() => setAll('leave')}>None</button>
	<button class="quiet small" onclick={() => setAll('keep')}>All</button>
	<span class="soft small">{total} here so far. Nothing is imported until you say so.</span>
</p>

<style>
	.glyph {
		flex: none;
		width: 3.2rem;
	}
</style>
