<script lang="ts">
	import { Z90 } from '$core/numerics';
	import type { Habit, Rig } from '$core/logbook';
	import { litresByRecipe, tankById } from '$core/rig';
	import { formatFigure, formatHours, formatLitres } from '$core/units';
	import { sayCadence } from '$core/words';
	import type { Saving } from '$lib/engine';
	import type { App } from '$lib/state';
	import { nameOfEnd } from '../../parts/charts/flowChart';
	import Sheet from '../../kit/page/Sheet.svelte';

	interface Props {
		app: App;
		rig: Rig;
		habit: Habit;
		saving: Saving;
		onwhy: () => void;
		onchange: () => void;
		onmeasure: () => void;
		onclose: () => void;
	}
	/** All that is known of one habit: what one time takes by word, belief and measure, how often, and where it goes. */
	const { app, rig, habit, saving, onwhy, onchange, onmeasure, onclose }: Props = $props();

	const units = $derived(app.prefs.current.units);
	const litres = (value: number): string => formatLitres(value, units);
	const give = (sd: number): string => ` ± ${litres(Z90 * sd)}`;
	const believed = $derived(app.engine.assessment?.levels.habits.find(({ id }) => id === habit.id));
	const facts = $derived(saving.habits.find(({ id }) => id === habit.id));
	const price = $derived(saving.worth.habits.find((one) => one.habit === habit.id));
	const outlet = $derived(rig.outlets.find(({ id }) => id === habit.outlet));
	const flows = $derived(saving.flows.filter((flow) => flow.habit === habit.id));
	const perDay = $derived(facts?.timesPerDay ?? 0);
	const rises = $derived(habit.rises);
</script>

<Sheet title={habit.name} {onclose}>
	<dl>
		<dt>Litres each, as entered</dt>
		<dd>
			{litres(habit.litresEach.mean)}{habit.litresEach.sd > 0
				? give(habit.litresEach.sd)
				: ', exact'}{habit.recipe ? `; by its recipe ${litres(litresByRecipe(habit.recipe))}` : ''}
		</dd>
		<dt>estimated</dt>
		<dd>
			{#if believed}<button class="why" onclick={onwhy} aria-label="Why {litres(believed.litresEach)}?"
					>{litres(believed.litresEach)}{give(believed.sd)}</button
				>{:else}—{/if}
		</dd>
		<dt>measured</dt>
		<dd>
			{#if facts?.measured}{litres(facts.measured.mean)}{facts.measured.sd === undefined
					? ', once'
					: `${give(facts.measured.sd)}, ${facts.measured.count} times`}{:else}not yet{/if}
		</dd>
		<dt>How often</dt>
		<dd>
			{sayCadence(habit.often)} entered; {formatFigure(perDay)} a day expected, as logged
		</dd>
		<dt>From, to</dt>
		<dd>
			{outlet ? `${tankById(rig, outlet.from)?.name ?? outlet.from}, through ${outlet.name}` : '—'}
		</dd>
		<dt>A day</dt>
		<dd>
			{#each flows as flow, i (i)}<p>
					{litres(flow.litres)}
					{nameOfEnd(rig, flow.from)} → {nameOfEnd(rig, flow.to)}
				</p>{:else}nothing{/each}
		</dd>
		<dt>Time left</dt>
		<dd>− {formatHours(price?.hours ?? 0)} for one more now</dd>
		{#if rises}
			<dt>Rises</dt>
			<dd>
				{rises.perC
					? `${Math.round(100 * rises.perC)}% for each °C above ${rises.fromC ?? 25} °C`
					: ''}{rises.perC && rises.exertion ? '; ' : ''}{rises.exertion ? 'with exertion' : ''}
			</dd>
		{/if}
	</dl>
	<p class="buttons">
		<button class="primary" onclick={onchange}>Change recipe and how often</button>
		<button onclick={onmeasure}>Measure it with a meter</button>
		<button onclick={onclose}>Close</button>
	</p>
</Sheet>

<style>
	dl {
		display: grid;
		grid-template-columns: max-content minmax(0, 1fr);
		gap: 0.4rem var(--gap-3);
	}
	dt {
		color: var(--soft-ink);
	}
</style>
