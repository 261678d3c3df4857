<script lang="ts">
	import { Z90 } from '$core/numerics';
	import { formatFigure, formatLitres, fromBase } from '$core/units';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import DayWater from '$lib/ui/features/habits/DayWater.svelte';
	import DidItPay from '$lib/ui/features/habits/DidItPay.svelte';
	import HabitPrices from '$lib/ui/features/habits/HabitPrices.svelte';
	import HabitSheet from '$lib/ui/features/habits/HabitSheet.svelte';
	import LeastSacrifice from '$lib/ui/features/habits/LeastSacrifice.svelte';
	import { measureSince, switchMeasure } from '$lib/ui/features/habits/measureActs';
	import MeasureIdeas from '$lib/ui/features/habits/MeasureIdeas.svelte';
	import MeasureTable from '$lib/ui/features/habits/MeasureTable.svelte';
	import MeterRun from '$lib/ui/features/habits/MeterRun.svelte';
	import Waiting from '$lib/ui/parts/notices/Waiting.svelte';
	import { later, PATIENCE_MS } from '$lib/ui/kit/later.svelte';
	import Columns from '$lib/ui/kit/page/Columns.svelte';
	import InTurn from '$lib/ui/kit/page/InTurn.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import RigForm from '$lib/ui/features/rig/RigForm.svelte';
	import WhyHabit from '$lib/ui/features/why/WhyHabit.svelte';
	import WhatIs from '$lib/ui/parts/glossary/WhatIs.svelte';

	const app = useApp();
	const rig = $derived(app.liveRig);
	const now = $derived(app.engine.assessment);
	const units = $derived(app.prefs.current.units);
	const saving = latest(
		() => app.engine.ask('habits/saving'),
		() => [app.engine.written, rig, app.tripAtHand]
	);

	const patience = later(PATIENCE_MS);
	let said = $state(false);
	/** nothing stands where the tables are still to come, or it would move when they do */
	const priced = $derived(saving.value !== undefined || saving.trouble !== undefined);
	const rest = $derived(patience.over || (said && priced));

	type Opened =
		| { readonly kind: 'habit' | 'why' | 'measure'; readonly habit: string }
		| { readonly kind: 'form'; readonly part: 'habits' | 'measures'; readonly id?: string }
		| { readonly kind: 'ideas' };
	let open = $state.raw<Opened | undefined>();
	const close = (): void => (open = undefined);
	const habit = $derived(
		open && 'habit' in open
			? rig?.habits.find(({ id }) => open && 'habit' in open && id === open.habit)
			: undefined
	);
	const believed = $derived(now?.levels.habits.find(({ id }) => id === habit?.id));
	const without = $derived(app.goal?.without ?? []);

	const notAsk = (measure: string, not: boolean): Promise<void> =>
		app.aim({ without: not ? [...without, measure] : without.filter((id) => id !== measure) });
	const resuming = $derived(
		app.prefs.current.measuring?.rig === rig?.id
			? rig?.habits.find(({ id }) => id === app.prefs.current.measuring?.habit)
			: undefined
	);
</script>

{#if rig && app.rig && now}
	<Page>
		<LeastSacrifice {app} {without} bind:said />
		{#if resuming && !open}
			<p>
				{resuming.name} is being measured.
				<button onclick={() => (open = { kind: 'measure', habit: resuming.id })}>Continue</button>
			</p>
		{/if}
		{#if saving.trouble}<p role="alert">It couldn’t be worked out: {saving.trouble}</p>{/if}
		{#if rest && !priced}
			<p class="soft">Working out what each use costs…</p>
		{:else if rest}
			<InTurn
				><Columns>
					<Section title="What one use costs">
						{#if rig.habits.length === 0}
							<p class="soft">No habits yet: add what you do with water.</p>
						{:else if saving.value}
							<HabitPrices
								{rig}
								saving={saving.value}
								levels={now.levels}
								{units}
								onopen={(id) => (open = { kind: 'habit', habit: id })}
							/>
						{/if}
						<p class="buttons">
							<button
								disabled={rig.outlets.length === 0}
								onclick={() => (open = { kind: 'form', part: 'habits' })}>Add habit</button
							>
						</p>
						<p class="soft small">
							Not logged: {formatLitres(now.levels.unlogged.litresPerPersonDay, units)} ± {formatFigure(
								fromBase(Z90 * now.levels.unlogged.sd, units.volume)
							)} per person and day, as estimated now.
						</p>
						<WhatIs words={['time left', 'unlogged use']} />
					</Section>
					<Section title="Ways to save, most gain for least effort">
						{#if rig.measures.length === 0}
							<p class="soft">No ways to save yet. There is a catalogue to start from.</p>
						{:else if saving.value}
							<MeasureTable
								{rig}
								worth={saving.value.worth.measures}
								{units}
								since={(measure) => measureSince(app, measure)}
								{without}
								onswitch={(measure, on) => void switchMeasure(app, measure, on)}
								onchange={(id) => (open = { kind: 'form', part: 'measures', id })}
								onwithout={(measure, not) => void notAsk(measure, not)}
							/>
						{/if}
						<p class="buttons">
							<button disabled={rig.habits.length === 0} onclick={() => (open = { kind: 'ideas' })}
								>Add a way to save</button
							>
						</p>
						<WhatIs words={['way to save', 'effort']} />
					</Section>
				</Columns></InTurn
			>
		{/if}
		{#if rest && saving.value && saving.value.flows.length > 0}
			{@const { flows } = saving.value}
			<InTurn
				><Section title="Where a day’s litres go">
					<DayWater {rig} {flows} {units} theme={app.prefs.current.theme} />
				</Section></InTurn
			>
		{/if}
		{#if rest && saving.value && rig.measures.length > 0}
			{@const { paid } = saving.value}
			<InTurn><Section title="Did it pay?"><DidItPay {app} {rig} {paid} /></Section></InTurn>
		{/if}
	</Page>
	{#if open?.kind === 'habit' && habit && saving.value}
		<HabitSheet
			{app}
			{rig}
			{habit}
			saving={saving.value}
			onwhy={() => (open = { kind: 'why', habit: habit.id })}
			onchange={() => (open = { kind: 'form', part: 'habits', id: habit.id })}
			onmeasure={() => (open = { kind: 'measure', habit: habit.id })}
			onclose={close}
		/>
	{:else if open?.kind === 'why' && habit && believed}
		<WhyHabit {app} {habit} {believed} onclose={close} />
	{:else if open?.kind === 'measure' && habit}
		<MeterRun {app} {rig} {habit} onclose={close} />
	{:else if open?.kind === 'ideas'}
		<MeasureIdeas {app} {rig} onown={() => (open = { kind: 'form', part: 'measures' })} onclose={close} />
	{:else if open?.kind === 'form'}
		<RigForm {app} rig={app.rig} part={open.part} id={open.id} onclose={close} />
	{/if}
{:else}
	<Waiting trouble={app.engine.trouble} />
{/if}
