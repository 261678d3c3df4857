<script lang="ts">
	import { inUse, type Rig } from '$core/logbook';
	import { withIdea } from '$core/plan';
	import type { Otherwise, Relived } from '$core/review';
	import { tankById, usableOf } from '$core/rig';
	import type { UnitChoice } from '$core/units';
	import { REPLAYED_WITH, sayRelived } from '$core/words';
	import { latest, type Looking } from '$lib/engine';
	import type { App } from '$lib/state';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';

	interface Props {
		app: App;
		/** with all of its parts: what was used then may be retired now */
		rig: Rig;
		looking: Looking;
		was: Relived;
		units: UnitChoice;
	}
	/** The same stretch as it would have been, from what was really done in it. */
	const { app, rig, looking, was, units }: Props = $props();

	let tankId = $state('');
	let litres = $state<number | undefined>();
	let measure = $state('');
	let persons = $state<number | undefined>();

	const live = $derived(inUse(rig));
	const tank = $derived(tankById(live, tankId));
	const changed = $derived(
		tank && litres !== undefined && litres > 0
			? withIdea(rig, tank, { kind: 'capacity', usableL: litres })
			: undefined
	);
	const otherwise = $derived<Otherwise>({
		...(changed ? { rig: changed } : {}),
		...(measure ? { measures: [measure] } : {}),
		...(persons ? { personsBy: persons } : {})
	});
	const asked = $derived(Object.keys(otherwise).length > 0);
	const would = latest(() =>
		asked ? app.engine.ask('review/counterfactual', looking, otherwise) : undefined
	);
	const answer = $derived(would.value && !('nothing' in would.value) ? would.value : undefined);
	const nameOf = (id: string): string => tankById(rig, id)?.name ?? id;
</script>

{#if live.habits.length === 0}
	<p class="soft">
		Only habits can be replayed: add under <a href="/habits">Habits</a> what you do with water.
	</p>
{:else}
	<div class="fields">
		<SelectField
			label="With another size of"
			bind:value={tankId}
			options={[
				{ value: '', label: 'no tank' },
				...live.tanks.map(({ id, name }) => ({ value: id, label: name }))
			]}
			onchange={() => (litres = tank ? Math.round(1.5 * usableOf(tank)) : undefined)}
		/>
		{#if tank}<NumberField label="Usable then" of="volume" {units} bind:value={litres} />{/if}
		<SelectField
			label="With this way to save"
			bind:value={measure}
			options={[
				{ value: '', label: 'none' },
				...live.measures.map(({ id, name }) => ({ value: id, label: name }))
			]}
		/>
		<NumberField
			label="With this many more people"
			hint="For fewer people, use a minus: -1."
			bind:value={persons}
			optional
		/>
	</div>
	<div aria-live="polite">
		{#if would.trouble}<p class="mind" role="alert">{would.trouble}</p>
		{:else if answer && asked}
			{#each sayRelived(was, answer, nameOf, units) as says, i (i)}<p class:first={i === 0}>{says}</p>{/each}
		{:else if would.waiting}<p class="soft">Replaying it…</p>
		{:else}<p class="soft">
				{REPLAYED_WITH}
			</p>{/if}
	</div>
{/if}

<style>
	.first {
		font: 650 var(--step-1) var(--display);
	}
</style>
