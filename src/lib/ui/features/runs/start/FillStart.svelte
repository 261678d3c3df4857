<script lang="ts">
	import { swallowedL } from '$core/care';
	import { inOrder, type Rig } from '$core/logbook';
	import type { Setup } from '$core/runs';
	import { isCarried, usableOf, weightOf } from '$core/rig';
	import { formatLitres, unitsOfMeter } from '$core/units';
	import {
		EVEN_FULL,
		NOT_ON_FROM,
		sayFirstFill,
		sayFlowTime,
		sayGoingIn,
		sayMass,
		sayShown,
		sayWontFit
	} from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import type { RunBook } from '$lib/state/runBook.svelte';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import SelectField from '../../../kit/fields/SelectField.svelte';
	import GoalBar from '../../../parts/goal/GoalBar.svelte';
	import { goalChoices } from '../../../parts/goal/goal';
	import Notice from '../../../kit/page/Notice.svelte';
	import Begin from './Begin.svelte';
	import { FillForm, type Drinkable, type FillWanted, type HowMuch } from './fillForm.svelte';
	import Payload from './Payload.svelte';
	import RunFrame from '../RunFrame.svelte';
	import ShutHere from './ShutHere.svelte';

	interface Props {
		app: App;
		book: RunBook;
		rig: Rig;
		wanted: FillWanted;
	}
	const { app, book, rig, wanted }: Props = $props();

	const units = $derived(app.prefs.current.units);
	// svelte-ignore state_referenced_locally
	const form = new FillForm(app, rig, wanted);
	const fresh = $derived(rig.tanks.filter(({ holds }) => holds === 'fresh'));
	const first = $derived(fresh.find(({ id }) => id === form.tanks[0]));
	const choices = $derived(goalChoices(app.tripAtHand, app.engine.assessment?.plan, app.nowMs, app.timeZone));
	// svelte-ignore state_referenced_locally
	form.untilMs = choices[0]?.ms ?? app.nowMs;
	const figures = latest(() => {
		const { target, tanks } = form;
		const [of] = tanks;
		return of !== undefined && target ? app.engine.ask('runs/fillFigures', of, target) : undefined;
	});
	const litres = (l: number): string => formatLitres(l, units);
	const levels = $derived(new Map(app.engine.assessment?.levels.tanks.map((one) => [one.id, one.litres])));
	const jugsL = $derived(
		form.tanks.slice(1).reduce((sum, id) => {
			const one = fresh.find((of) => of.id === id);
			const planned = form.how === 'plan' ? form.plannedInto(id) : undefined;
			if (planned?.kind === 'litres') return sum + planned.litres;
			return sum + (one ? Math.max(0, usableOf(one) - (levels.get(id) ?? 0)) : 0);
		}, 0)
	);
	/** what heater and pipes take of it after a drain-down */
	const swallowed = $derived(first ? swallowedL(rig, inOrder(app.rigEntries), first.id) : 0);
	const goingIn = $derived(sayGoingIn(form.drinkable === 'unsaid' ? undefined : form.drinkable === 'yes'));
	const takeL = $derived((figures.value?.takeL.p50 ?? 0) + jugsL);

	const HOW: readonly { value: HowMuch; label: string }[] = [
		{ value: 'full', label: 'to the brim' },
		{ value: 'litres', label: 'an amount in litres' },
		{ value: 'mass', label: 'an amount in kilograms' },
		{ value: 'until', label: 'enough to last until a day' }
	];
	const howMuch = $derived(
		form.planL === undefined
			? HOW
			: [{ value: 'plan' as const, label: `what the plan says, ${litres(form.planL)}` }, ...HOW]
	);

	const setup = (): Promise<Setup> | undefined => form.wish && app.engine.ask('runs/fillSetup', form.wish);
</script>

<RunFrame title="Fill" progress={first ? `${first.name}, ${litres(levels.get(first.id) ?? 0)} in it` : ''}>
	{#snippet body()}
		{#if fresh.length === 0}
			<p>This rig has no fresh tank. Add one under <a href="/rig">Rig</a>.</p>
		{:else}
			{#if swallowed > 0}
				<Notice
					><p>
						{sayFirstFill(swallowed, units)}
					</p></Notice
				>
			{/if}
			<fieldset>
				<legend>Into, by the same hose</legend>
				<div class="checks">
					{#each fresh as one (one.id)}
						<label class="check"
							><input
								type="checkbox"
								checked={form.tanks.includes(one.id)}
								onchange={(event) => form.toggle(one.id, event.currentTarget.checked)}
							/>
							{one.name}
							<span class="soft"
								>{litres(levels.get(one.id) ?? 0)} of {litres(usableOf(one))}{isCarried(rig, one) &&
								form.how !== 'plan'
									? ', to the brim'
									: ''}</span
							></label
						>
					{/each}
				</div>
			</fieldset>
			<SelectField
				label="How much"
				value={form.how}
				options={howMuch}
				onchange={(how) => (form.how = how as HowMuch)}
			/>
			{#if form.how === 'litres'}<NumberField
					label="Litres to take"
					bind:value={form.litres}
					of="volume"
					{units}
				/>
			{:else if form.how === 'mass'}<NumberField
					label="Weight to take"
					bind:value={form.kg}
					of="mass"
					{units}
				/>
			{:else if form.how === 'until'}
				<GoalBar
					{choices}
					untilMs={form.untilMs}
					certainty={form.certainty}
					timeZone={app.timeZone}
					onuntil={(ms) => (form.untilMs = ms)}
					oncertainty={(certainty) => (form.certainty = certainty)}
				/>
			{/if}
			{#if figures.trouble}<p class="mind" role="alert">{figures.trouble}</p>
			{:else if figures.value && form.target}
				<p class="takes" aria-live="polite">
					<strong>{litres(takeL)}</strong>, {sayMass(takeL, units)}{form.flowLpm
						? `, ${sayFlowTime(takeL, form.flowLpm, units)}`
						: ''}: then {litres(figures.value.leavesL)} in {first?.name}.
					{#if figures.value.enough === false}<span class="mind"> {EVEN_FULL}</span>{:else if takeL <= 0}<span
							class="soft"
						>
							What is in it lasts until then.</span
						>{/if}
				</p>
				{#if form.how !== 'until' && form.target.kind === 'litres' && form.target.litres > figures.value.roomL.p50 + 1}
					<Notice
						><p>
							{sayWontFit(form.target.litres, figures.value.roomL.p50, units)}
						</p></Notice
					>
				{/if}
			{/if}
			<Payload {app} {rig} takeKg={takeL} aboardKg={weightOf(rig, levels).totalKg} />
			<div class="fields">
				<SelectField
					label="Where"
					value={form.place}
					options={[
						...form.places.map(({ id, name }) => ({ value: id, label: name })),
						{ value: '', label: form.here ? `here, ${form.here.name}` : 'somewhere else' }
					]}
					onchange={(id) => form.takePlace(id)}
				/>
				<SelectField
					label="Drinking water?"
					value={form.drinkable}
					options={[
						{ value: 'yes', label: 'a sign or a person says so' },
						{ value: 'no', label: 'not for drinking' },
						{ value: 'unsaid', label: 'not known' }
					]}
					onchange={(value) => (form.drinkable = value as Drinkable)}
				/>
			</div>
			{#if goingIn}<Notice><p>{goingIn} It is logged as you choose.</p></Notice>{/if}
			<label class="check"
				><input type="checkbox" bind:checked={form.pressure} /> by the pressure inlet, with a regulator</label
			>
			<div class="fields">
				{#if form.meter}
					<NumberField
						label="{form.meter.name} shows now"
						bind:value={form.reads}
						suffix={unitsOfMeter(form.meter.unitL)}
						optional
						hint={form.lastShows === undefined ? undefined : `It was left at ${sayShown(form.lastShows)}.`}
					/>
				{/if}
				<NumberField
					label="Flow, a minute"
					bind:value={form.flowLpm}
					of="volume"
					{units}
					optional
					hint="Time a bucket to find it."
				/>
			</div>
			{#if form.passed?.kind === 'passed' && first}
				<SelectField
					label="{litres(form.passed.litres)} has passed since it was read. Where to?"
					value={form.into}
					options={[
						{ value: 'elsewhere', label: 'elsewhere' },
						{ value: 'tank', label: `into ${first.name}, not logged` }
					]}
					onchange={(value) => (form.into = value as 'tank' | 'elsewhere')}
				/>
			{:else if form.passed?.kind === 'backwards'}
				<p class="mind">
					{NOT_ON_FROM}
				</p>
			{/if}
		{/if}
		<ShutHere {app} stop={wanted.stop} kinds={['water', 'mains']} />
	{/snippet}
	{#snippet foot()}
		<Begin {app} {book} rig={rig.id} disabled={!form.wish || !figures.value || takeL <= 0} {setup} />
	{/snippet}
</RunFrame>

<style>
	fieldset {
		border: 0;
		padding: 0;
		margin: 0;
	}
	.checks {
		display: grid;
		gap: var(--gap-1);
	}
	.takes {
		font-size: var(--step-1);
	}
	.takes strong {
		font: 650 1.6rem var(--display);
	}
</style>
