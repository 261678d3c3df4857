<script lang="ts">
	import type { Rig } from '$core/logbook';
	import { hookupsListed } from '$core/plan';
	import { habitFor, MEASURE_IDEAS, measureFrom, type MeasureIdea } from '$core/rig';
	import { IDEAS_ARE, sayEffect } from '$core/words';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import Sheet from '../../kit/page/Sheet.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import Bother from './Bother.svelte';

	interface Props {
		app: App;
		rig: Rig;
		/** a measure of one's own, from nothing */
		onown: () => void;
		onclose: () => void;
	}
	/** The catalogue: ways to save water that others use, each to be taken into the rig and tried. */
	const { app, rig, onown, onclose }: Props = $props();
	const units = $derived(app.prefs.current.units);
	let forHabit = $state<Readonly<Record<string, string>>>({});
	const habitOf = (idea: MeasureIdea) =>
		rig.habits.find(({ id }) => id === forHabit[idea.key]) ?? habitFor(rig, idea) ?? rig.habits[0];
	/** A way to save that cannot be had is not offered: what hangs on a hook-up, where nothing is ever hooked up. */
	const hooksUp = $derived(
		rig.instruments.some((one) => one.kind === 'meter' && one.place === 'mains') ||
			app.rigEntries.some(({ kind }) => kind === 'hookup') ||
			app.records.trips.some(
				({ rig: of, stops }) => of === rig.id && stops.some((stop) => hookupsListed(stop).length > 0)
			)
	);
	const canBeHad = ({ where }: MeasureIdea): boolean => where !== 'hookup' || hooksUp;
	const rows = $derived(
		MEASURE_IDEAS.filter(canBeHad).map((idea) => {
			const habit = habitOf(idea);
			const measure = habit && measureFrom(idea, habit, rig, '');
			const known = rig.measures.some((one) => one.idea === idea.key && one.habit === habit?.id);
			return { idea, habit, measure, known };
		})
	);

	async function take(idea: MeasureIdea): Promise<void> {
		const habit = habitOf(idea);
		const measure = habit && measureFrom(idea, habit, rig, uuid());
		if (!measure) return;
		const label = `${measure.name}: added`;
		const kept = await app.commands.change(
			'rig',
			rig.id,
			(newest) => ({ ...newest, measures: [...newest.measures, measure] }),
			label
		);
		if (kept) notifyDone(app, `${label}. The table shows what it is worth.`);
	}
</script>

<Sheet title="Ways to save water" wide {onclose}>
	<p class="soft">
		{IDEAS_ARE}
	</p>
	<ul>
		{#each rows as { idea, habit, measure, known } (idea.key)}
			<li>
				<h3>{idea.name} <Bother effort={idea.effort} /></h3>
				<p>{idea.says}</p>
				{#if idea.caution}<p class="mind small">{idea.caution}</p>{/if}
				<p class="buttons">
					<select
						aria-label="{idea.name}: for which habit"
						value={habit?.id ?? ''}
						onchange={(event) => (forHabit = { ...forHabit, [idea.key]: event.currentTarget.value })}
					>
						{#each rig.habits as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
					</select>
					<button disabled={!measure || known} onclick={() => void take(idea)} aria-label="Add {idea.name}"
						>{known ? 'Added' : 'Add'}</button
					>
					<span class="soft small"
						>{measure ? sayEffect(rig, measure, units) : 'This rig has nothing for it'}</span
					>
				</p>
			</li>
		{/each}
	</ul>
	<p class="buttons">
		<button onclick={onown}>Add my own</button>
		<button onclick={onclose}>Close</button>
	</p>
</Sheet>

<style>
	li {
		border-top: var(--hairline);
		padding: var(--gap-2) 0;
		display: grid;
		gap: 0.2rem;
	}
</style>
