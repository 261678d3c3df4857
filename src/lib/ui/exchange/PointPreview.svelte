<script lang="ts">
	import { notRetired, type Point } from '$core/logbook';
	import { joined } from '$core/places';
	import { sayApart, sayServices } from '$core/words';
	import { fateProposed, looksSwapped, standingOf, type Fate, type Standing } from '$lib/exchange';
	import type { App } from '$lib/state';
	import Glyphs from '../map/Glyphs.svelte';
	import { sayDone } from '../shell/saying';

	interface Props {
		app: App;
		found: readonly Point[];
		/** what the act is called when it is undone */
		label: string;
		ondone: () => void;
	}
	/** Points that came in, line by line; what is to be done with each is said before any is kept. */
	const { app, found, label, ondone }: Props = $props();
	const MOST = 60;
	let all = $state(false);
	let busy = $state(false);
	let changed = $state.raw<ReadonlyMap<string, Fate>>(new Map());
	const units = $derived(app.prefs.current.units);
	/** where one is at home: the points here, and the stops of the trip in view */
	const others = $derived([
		...notRetired(app.records.points).map(({ position }) => position),
		...(app.tripInView?.stops ?? []).flatMap(({ position }) => (position ? [position] : []))
	]);
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
				? 'as it is here'
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
		const said = `${label}: ${kept.length} ${kept.length === 1 ? 'point' : 'points'} kept`;
		const done = await commands.put(
			fresh,
			said,
			edits.flatMap((edit) => edit ?? [])
		);
		busy = false;
		if (!done) return;
		sayDone(app, said);
		ondone();
	}
	const total = $derived(notRetired(app.records.points).length);
</script>

<ul aria-label="Points found">
	{#each all ? rows : rows.slice(0, MOST) as { point, standing, swapped, fate } (point.id)}
		<li class:left={fate === 'leave'}>
			<label class="check"
				><input
					type="checkbox"
					checked={fate !== 'leave'}
					disabled={standing.kind === 'here'}
					onchange={(event) =>
						set(
							point.id,
							event.currentTarget.checked ? (standing.kind === 'twin' ? 'join' : 'keep') : 'leave'
						)}
				/><span class="visually-hidden">Keep</span>
				<span class="glyph"><Glyphs services={point.services} /></span>
				<span class="what"
					><strong>{point.name}</strong><span class="soft small">{sayServices(point.services)}</span></span
				></label
			>
			<span class="small" class:mind={swapped || standing.kind === 'twin'}
				>{swapped ? 'far away: latitude and longitude may be swapped' : says(standing)}</span
			>
			{#if standing.kind === 'twin' && fate !== 'leave'}
				<select
					aria-label="What to do with {point.name}"
					value={fate}
					onchange={(event) => set(point.id, event.currentTarget.value as Fate)}
				>
					<option value="join">put into {standing.of.name}</option>
					<option value="keep">keep beside it</option>
				</select>
			{/if}
		</li>
	{/each}
</ul>
{#if rows.length > MOST && !all}<p>
		<button class="quiet" onclick={() => (all = true)}>Show all {rows.length}</button>
	</p>{/if}
<p class="buttons">
	<button class="primary" disabled={busy || kept.length === 0} onclick={() => void keep()}
		>Keep {kept.length} of {rows.length}</button
	>
	<button class="quiet small" onclick={() => setAll('leave')}>None</button>
	<button class="quiet small" onclick={() => setAll('keep')}>All</button>
	<span class="soft small">{total} here so far. Nothing is kept until you say so.</span>
</p>

<style>
	ul {
		width: 100%;
		max-height: 22rem;
		overflow-y: auto;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 14rem) auto;
		gap: 0 var(--gap-3);
		align-items: center;
		border-top: var(--hairline);
	}
	.glyph {
		flex: none;
		width: 3.2rem;
	}
	.what {
		display: grid;
		line-height: 1.25;
		overflow-wrap: anywhere;
		padding: 0.2rem 0;
	}
	.left strong {
		font-weight: 400;
		color: var(--soft-ink);
	}
	@media (max-width: 640px) {
		li {
			grid-template-columns: minmax(0, 1fr);
			padding-bottom: var(--gap-1);
		}
	}
</style>
