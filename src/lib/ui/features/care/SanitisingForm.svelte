<script lang="ts">
	import {
		MOST_MG_PER_L,
		sanitisingDose,
		soakHours,
		STRENGTHS_MG_PER_L,
		watermakersOf,
		type LeftInside,
		type Product
	} from '$core/care';
	import type { Rig } from '$core/logbook';
	import { usableOf } from '$core/rig';
	import type { UnitChoice } from '$core/units';
	import { BLEACH_AGES, DOSE_CAUTION, formatMl, sayDose, sayRefusal } from '$core/words';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';

	/** How much bleach for a tank, how long, and how often to rinse. */
	const { rig, units }: { rig: Rig; units: UnitChoice } = $props();

	const fresh = $derived(rig.tanks.filter(({ holds }) => holds === 'fresh'));
	let tankId = $state('');
	const tank = $derived(fresh.find(({ id }) => id === tankId) ?? fresh[0]);
	let staysL = $derived<number | undefined>(tank?.deadL ?? 0);
	let percent = $state<number | undefined>();
	let target = $state('50');
	let age = $state('unknown');
	let lowPoints = $state(true);
	let product = $state<Product>('plain-bleach');
	let inside = $state<LeftInside>('nothing');

	// As the rig has it, until something else is typed.
	let tankL = $derived<number | undefined>(tank ? usableOf(tank) + (tank.deadL ?? 0) : 0);
	let systemL = $derived<number | undefined>(tank?.portable ? 0 : (rig.systemL ?? 0));
	const answer = $derived(
		percent === undefined
			? undefined
			: sanitisingDose({
					tankL: tankL ?? 0,
					systemL: systemL ?? 0,
					staysL: staysL ?? 0,
					lowPoints,
					mgPerL: Number(target),
					percent,
					ageYears: age === 'unknown' ? undefined : Number(age),
					product,
					inside
				})
	);
	const watermaker = $derived(watermakersOf(rig).length > 0);
</script>

<p class="mind">{DOSE_CAUTION}</p>
<div class="fields">
	<SelectField
		label="Tank"
		value={tank?.id ?? ''}
		options={fresh.map(({ id, name }) => ({ value: id, label: name }))}
		onchange={(id) => (tankId = id)}
	/>
	<NumberField label="All it holds" of="volume" {units} bind:value={tankL} />
	<NumberField label="Heater and pipes" of="volume" {units} bind:value={systemL} />
	<NumberField label="Left after draining" of="volume" {units} bind:value={staysL} />
	<SelectField
		label="What you have"
		bind:value={product}
		options={[
			{ value: 'plain-bleach', label: 'plain, unscented chlorine bleach' },
			{ value: 'scented-bleach', label: 'bleach with scent or detergent' },
			{ value: 'other', label: 'another product' }
		]}
	/>
	<NumberField label="Chlorine, as its label says" suffix="%" bind:value={percent} />
	<SelectField
		label="How old it is"
		bind:value={age}
		hint={BLEACH_AGES}
		options={[
			{ value: '0', label: 'new' },
			{ value: '0.5', label: 'half a year' },
			{ value: '1', label: 'a year' },
			{ value: '2', label: 'two years' },
			{ value: '4', label: 'older' },
			{ value: 'unknown', label: 'I don’t know' }
		]}
	/>
	<SelectField
		label="How strong"
		bind:value={target}
		options={STRENGTHS_MG_PER_L.map((mgPerL) => ({
			value: String(mgPerL),
			label: `${mgPerL} mg/L, ${soakHours(mgPerL)} h`
		}))}
	/>
	<SelectField
		label="In the tank before"
		bind:value={inside}
		options={[
			{ value: 'nothing', label: 'nothing but water' },
			{ value: 'acid', label: 'vinegar, citric acid, descaler' },
			{ value: 'ammonia', label: 'a cleaner with ammonia' },
			{ value: 'other', label: 'another product' }
		]}
	/>
</div>
<label class="check"
	><input type="checkbox" bind:checked={lowPoints} /> low points and heater drain are opened at each rinse</label
>
<div aria-live="polite" class="answer">
	{#if !answer}
		<p class="soft">
			Enter the chlorine on its label to get the dose, up to {MOST_MG_PER_L} mg/L.
		</p>
	{:else if answer.ok}
		<p class="figure">{formatMl(answer.ml, units)}</p>
		<ol class="read">
			{#each sayDose(answer, { watermaker, lowPoints }, units) as says (says)}<li>{says}</li>{/each}
		</ol>
	{:else}<p class="mind"><strong>No dose:</strong> {sayRefusal(answer.refused, units)}</p>{/if}
</div>

<style>
	.answer {
		display: grid;
		gap: var(--gap-2);
	}
	.figure {
		font: 650 2.4rem var(--display);
	}
	ol {
		max-width: 46rem;
	}
</style>
