<script lang="ts">
	import { startingRig, TOILETS, type Toilet } from '$core/rig';
	import { formatFigure, formatLitres, formatQuantity, METRIC } from '$core/units';
	import { BY_AVERAGE_USE } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import FactList from '../../kit/page/FactList.svelte';

	/** For someone without a rig: what tanks would have to hold, by people, days, heat and toilet. */
	const { app, onback }: { app: App; onback: () => void } = $props();

	/** Tanks so large that they end nothing: what is asked is what they would need. */
	const AMPLE_L = 3000;
	const MOST_DAYS = 30;
	const SURE = 0.9;
	const units = METRIC;
	let days = $state<number | undefined>(7);
	let crew = $state<number | undefined>(2);
	let maxC = $state<number | undefined>();
	let toilet = $state<Toilet>('cassette');

	const fits = $derived(
		days !== undefined && days > 0 && days <= MOST_DAYS && crew !== undefined && crew >= 1
	);
	const ample = $derived(
		startingRig(
			{
				name: '–',
				kind: 'camper',
				crew: crew ?? 1,
				freshL: AMPLE_L,
				greyL: AMPLE_L,
				blackL: AMPLE_L,
				toilet
			},
			uuid
		)
	);
	/** room to keep goes by the size of a tank, which is what is asked */
	const rig = $derived({
		...ample,
		tanks: ample.tanks.map((tank) => (tank.holds === 'fresh' ? tank : { ...tank, reserveL: 0 }))
	});
	const answer = latest(() => {
		if (!fits || days === undefined) return undefined;
		const { timeZone } = app;
		const from = { rig: rig.id, atMs: Date.now(), timeZone, home: timeZone };
		return app.engine.askFrom(from, 'tank/sizeOf', rig, { days, certainty: SURE, maxC });
	});
	const facts = $derived(
		(answer.value?.tanks ?? []).flatMap(({ id, needL }) => {
			const tank = rig.tanks.find((one) => one.id === id);
			return tank ? [{ name: tank.name, says: formatLitres(needL, units) }] : [];
		})
	);
</script>

<section>
	<h2>What would we need to stay {formatFigure(days ?? 0)} {days === 1 ? 'day' : 'days'}?</h2>
	<div class="fields">
		<NumberField label="How many days?" bind:value={days} suffix="days" />
		<NumberField label="How many people?" bind:value={crew} suffix="people" />
		<NumberField label="Daytime high" bind:value={maxC} of="temperature" {units} optional />
		<SelectField
			label="Which toilet?"
			bind:value={toilet}
			options={TOILETS.map(({ key, says }) => ({ value: key, label: says }))}
		/>
	</div>
	<div aria-live="polite" aria-busy={answer.waiting}>
		{#if answer.trouble}<p class="mind" role="alert">{answer.trouble}</p>
		{:else if !fits}<p class="soft">Enter how many days, up to {MOST_DAYS}, and how many you are.</p>
		{:else if answer.value}
			<FactList {facts} />
			<p>
				{formatQuantity(answer.value.kg, 'mass', units)} of water when you set out, with what is kept for drinking.
				{BY_AVERAGE_USE}
			</p>
		{:else}<p class="soft">Playing it through…</p>{/if}
	</div>
	<p class="buttons"><button onclick={onback}>Back</button></p>
</section>

<style>
	section {
		display: grid;
		gap: var(--gap-3);
	}
</style>
