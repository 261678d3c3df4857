<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import type { Instrument } from '$core/logbook';
	import { plumbingOf, suspicionsOf, tankById } from '$core/rig';
	import { formatFigure, formatLitres, formatQuantity } from '$core/units';
	import { sayContainer, sayFault, saySuspicion } from '$core/words';
	import { useApp } from '$lib/state';
	import ItemList from '$lib/ui/kit/page/ItemList.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import InTurn from '$lib/ui/kit/page/InTurn.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import Follow from '$lib/ui/parts/schematic/Follow.svelte';
	import InstrumentSection from '$lib/ui/features/rig/InstrumentSection.svelte';
	import NewRig from '$lib/ui/features/rig/NewRig.svelte';
	import RigForm from '$lib/ui/features/rig/RigForm.svelte';
	import type { RigPart } from '$lib/ui/features/rig/rigFields';
	import TankTable from '$lib/ui/features/rig/TankTable.svelte';
	import { tankViews } from '$lib/ui/parts/rods/tankView';
	import WhatIs from '$lib/ui/parts/glossary/WhatIs.svelte';

	const app = useApp();
	let open = $state<{ part: RigPart | 'rig'; id?: string; kind?: Instrument['kind'] }>();
	let beginning = $state(false);
	/** the drawing has its place: nothing under it moves any more */
	let placed = $state(false);

	const rig = $derived(app.liveRig);
	const now = $derived(app.engine.assessment);
	const units = $derived(app.prefs.current.units);
	const views = $derived(rig && now ? tankViews(rig, now, units, app.timeZone) : []);
	const nameOf = (id: string): string => (rig && tankById(rig, id)?.name) ?? id;
	const suspicions = $derived(
		rig
			? [
					...suspicionsOf(rig, app.records.entries).map((one) => saySuspicion(rig, one, units)),
					...plumbingOf(rig)
						.faults.filter(({ kind }) => kind !== 'loop')
						.map((fault) => sayFault(rig, fault))
				]
			: []
	);
	/** What is followed through the pipes stands in the address, so that a link can show it. */
	const followed = $derived(page.url.searchParams.get('trace') ?? '');
	const entry = $derived(app.records.entries.find(({ id }) => id === followed));
	const follow = (id: string): void =>
		void goto(id === followed || id === '' ? '/rig' : `/rig?trace=${encodeURIComponent(id)}`, {
			replaceState: true,
			noScroll: true,
			keepFocus: true
		});
	const openNode = (id: string): void => {
		if (rig && tankById(rig, id)) void goto(`/rig/tank/${encodeURIComponent(id)}`);
		else open = { part: 'outlets', id };
	};
</script>

{#if app.rig && rig}
	<Page>
		<PageHead
			title={rig.name}
			says="{rig.kind === 'boat' ? 'Boat' : 'Camper'}, usually {rig.crew} aboard{rig.payloadKg
				? `, ${formatQuantity(rig.payloadKg, 'mass', units)} payload`
				: ''}"
		>
			{#snippet acts()}
				<button onclick={() => (open = { part: 'rig' })}>Change rig</button>
				<a class="as-button" href="/rig/care">Care</a>
				<a class="as-button" href="/rig/weight">Weight</a>
				<a class="as-button" href="/rig/what-if">What if</a>
				<a class="as-button" href="/rig/size">What size</a>
				<button onclick={() => (beginning = true)}>Another rig</button>
			{/snippet}
		</PageHead>
		{#if suspicions.length > 0}
			<Notice
				>{#each suspicions as words, i (i)}<p>{words}</p>{/each}</Notice
			>
		{/if}
		<InTurn
			><Follow
				{rig}
				{now}
				{followed}
				{entry}
				context={{ rig: app.rig, trips: app.records.trips, units }}
				{units}
				onfollow={follow}
				onnode={openNode}
				bind:placed
			/></InTurn
		>
		{#if placed}
			<InTurn
				><Section title="Tanks">
					<TankTable {rig} {views} {units} onchange={(id) => (open = { part: 'tanks', id })} />
					<button onclick={() => (open = { part: 'tanks' })}>Add tank</button>
					<WhatIs words={['usable', 'rated size', 'reserve', 'headroom']} />
				</Section></InTurn
			>
			<InTurn
				><Section title="Outlets">
					{#if rig.outlets.length === 0}<Notice calm
							><p>
								No outlets yet: add where water is drawn and where it drains, and the waste tanks fill by
								themselves.
							</p></Notice
						>{/if}
					<ItemList items={rig.outlets} onchange={({ id }) => (open = { part: 'outlets', id })}>
						{#snippet says({ from, to })}{from === 'outside' ? 'from outside' : nameOf(from)} → {nameOf(
								to
							)}{/snippet}
					</ItemList>
					<button disabled={rig.tanks.length === 0} onclick={() => (open = { part: 'outlets' })}
						>Add outlet</button
					>
				</Section></InTurn
			>
			<InTurn
				><Section title="What flows in">
					{#if !rig.sources?.length}<Notice calm
							><p>
								A watermaker, rain off an awning, a spring with a hose: with how much and how often, it counts
								in every forecast. Enter “watermaker 40” in the line to add it.
							</p></Notice
						>{/if}
					<ItemList items={rig.sources ?? []} onchange={({ id }) => (open = { part: 'sources', id })}>
						{#snippet says({ into, litresEach, often, potable })}{formatLitres(litresEach.mean, units)}, {formatFigure(
								often.times
							)} times a day, into {nameOf(into)}{potable ? '' : ', not for drinking'}{/snippet}
					</ItemList>
					<button disabled={rig.tanks.length === 0} onclick={() => (open = { part: 'sources' })}
						>Add source</button
					>
				</Section></InTurn
			>
			<InTurn><InstrumentSection {rig} onopen={(more) => (open = { part: 'instruments', ...more })} /></InTurn
			>
			<InTurn
				><Section title="Containers">
					{#if rig.containers.length === 0}<Notice calm
							><p>
								A jug, a tote (a wheeled waste tank), a drum on a carrier, a bucket: with their sizes, loads
								and trips are calculated.
							</p></Notice
						>{/if}
					<ItemList items={rig.containers} onchange={({ id }) => (open = { part: 'containers', id })}>
						{#snippet says(container)}{sayContainer(container, units)}{/snippet}
					</ItemList>
					<button onclick={() => (open = { part: 'containers' })}>Add container</button>
					<WhatIs words={['tote', 'spare']} />
				</Section>
			</InTurn><InTurn
				><p class="soft">
					What you do with water, what it costs and how to save is under <a href="/habits">Habits</a>.
				</p></InTurn
			>
		{/if}
	</Page>
	{#if beginning}<NewRig {app} onclose={() => (beginning = false)} />{/if}
	{#if open}
		<RigForm {app} rig={app.rig} {...open} onclose={() => (open = undefined)} />
	{/if}
{/if}
