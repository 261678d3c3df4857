<script lang="ts">
	import type { Habit } from '$core/logbook';
	import { litresByRecipe } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { fieldValueAt, withValue, type Draft } from '../../kit/fields/fields';
	import FlowRun from './FlowRun.svelte';

	interface Props {
		draft: Draft;
		units: UnitChoice;
		/** litres a minute that the habit's outlet is known to run at */
		outletLpm?: number | undefined;
	}
	/** What a recipe comes to as one types it; its flow can be measured here. */
	let { draft = $bindable(), units, outletLpm }: Props = $props();
	let measuring = $state(false);
	const recipe = $derived((fieldValueAt(draft, 'recipe') ?? {}) as NonNullable<Habit['recipe']>);
	const litres = $derived(litresByRecipe(recipe));
	const stated = $derived(fieldValueAt(draft, 'litresEach.mean'));
	const DECIMALS = 2;
</script>

<div class="sum" aria-live="polite">
	{#if litres > 0}
		<p>
			By recipe: <strong>{formatLitres(litres, units)}</strong>{typeof stated === 'number' &&
			Math.abs(stated - litres) > 0.05
				? `; you entered ${formatLitres(stated, units)} each`
				: ''}.
			{#if typeof stated !== 'number' || Math.abs(stated - litres) > 0.05}
				<button
					type="button"
					class="small"
					onclick={() => (draft = withValue(draft, 'litresEach.mean', Number(litres.toFixed(DECIMALS))))}
					>Use it as litres each</button
				>
			{/if}
		</p>
	{/if}
	{#if measuring}
		<FlowRun
			{units}
			onkeep={(lpm) => {
				draft = withValue(draft, 'recipe.flowLpm', lpm);
				measuring = false;
			}}
			oncancel={() => (measuring = false)}
		/>
	{:else}
		<p class="buttons">
			<button type="button" class="small" onclick={() => (measuring = true)}>Measure the flow</button>
			{#if outletLpm !== undefined && recipe.flowLpm !== outletLpm}
				<button
					type="button"
					class="small"
					onclick={() => (draft = withValue(draft, 'recipe.flowLpm', outletLpm))}
					>Flow of its outlet, {formatLitres(outletLpm, units)}/min</button
				>
			{/if}
		</p>
	{/if}
</div>

<style>
	.sum {
		display: grid;
		gap: var(--gap-2);
	}
</style>
