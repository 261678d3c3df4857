<script lang="ts">
	import { averageOf, measuredOf } from '$core/habits';
	import type { Entry, Habit, Meter, Rig } from '$core/logbook';
	import { countedBetween, passesMeter } from '$core/rig';
	import { formatFigure, formatLitres, unitsOfMeter } from '$core/units';
	import type { App } from '$lib/state';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';
	import { notifyDone } from '../../parts/acts/notify';

	interface Props {
		app: App;
		rig: Rig;
		habit: Habit;
		onclose: () => void;
	}
	/** One guided minute: read the meter, do it, read the meter; the subtraction is done here. */
	const { app, rig, habit, onclose }: Props = $props();

	const units = $derived(app.prefs.current.units);
	const outlet = $derived(rig.outlets.find(({ id }) => id === habit.outlet));
	const mains = $derived(app.engine.assessment?.mains ?? false);
	/** Meters that its water passes now. */
	const meters = $derived(
		rig.instruments.filter(
			(one): one is Meter =>
				one.kind === 'meter' &&
				(mains
					? one.place === 'mains'
					: one.place === 'pump' && outlet !== undefined && passesMeter(outlet, one))
		)
	);
	const kept = $derived(app.prefs.current.measuring);
	/** Begun before, perhaps before a reload: it goes on where it was. */
	const begun = $derived(kept?.rig === rig.id && kept.habit === habit.id ? kept : undefined);
	let chosen = $state('');
	let typed = $state<number>();
	let after = $state<number>();
	let timesDone = $state<number | undefined>(1);
	const meter = $derived(meters.find(({ id }) => id === (begun?.meter ?? chosen)) ?? meters[0]);
	const unit = $derived(meter ? unitsOfMeter(meter.unitL) : '');
	const last = $derived(
		app.rigEntries.findLast(
			(entry) => !entry.void && entry.kind === 'reading' && entry.instrument === meter?.id
		)
	);
	const lastShown = $derived(
		last?.kind === 'reading' && typeof last.value === 'number' ? last.value : undefined
	);
	const run = $derived(
		meter && begun && after !== undefined ? countedBetween(meter, begun.before, after) : undefined
	);
	const each = $derived(
		run?.kind === 'litres' && timesDone && timesDone > 0 ? run.litres / timesDone : undefined
	);
	const before = $derived(measuredOf(app.rigEntries, habit.id));
	const withThis = $derived(
		each === undefined
			? before
			: averageOf([...(before ? Array.from({ length: before.count }, () => before.mean) : []), each])
	);
	const believed = $derived(
		app.engine.assessment?.levels.habits.find(({ id }) => id === habit.id)?.litresEach
	);
	const odd = $derived(
		each !== undefined && believed !== undefined && (each > 5 * believed || each < 0.1 * believed)
	);
	const litres = (value: number): string => formatLitres(value, units);

	async function begin(): Promise<void> {
		if (!meter || typed === undefined) return;
		await app.choose({
			measuring: { rig: rig.id, habit: habit.id, meter: meter.id, times: 1, before: typed, at: app.nowIso() }
		});
	}
	const forget = (): Promise<void> => app.choose({ measuring: undefined });

	async function keep(again: boolean): Promise<void> {
		if (!meter || !begun || each === undefined || run?.kind !== 'litres' || after === undefined || !timesDone)
			return;
		const { at, ...trip } = app.nowOnTrip();
		const common = { source: 'run' as const, ...trip };
		const reading = (value: number, when: string): Entry =>
			app.commands.entryFrom({ ...common, kind: 'reading', instrument: meter.id, value, at: when });
		const label = `${habit.name} measured: ${litres(each)}`;
		const stored = await app.commands.put(
			[
				...(begun.before === lastShown ? [] : [reading(begun.before, begun.at)]),
				app.commands.entryFrom({
					...common,
					kind: 'use',
					habit: habit.id,
					times: timesDone,
					litres: Number(run.litres.toFixed(2)),
					at
				}),
				reading(after, at)
			].map((value) => ({ kind: 'entry', value })),
			label
		);
		if (!stored) return;
		notifyDone(app, label);
		await forget();
		if (again) {
			typed = after;
			[after, timesDone] = [undefined, 1];
			await begin();
		} else onclose();
	}
</script>

<Sheet title="Measure {habit.name}" {onclose}>
	{#if !meter}
		<p>
			No meter in this rig counts what {habit.name} draws{mains ? ' while you are on the hook-up' : ''}. Add
			one under
			<a href="/rig">Rig</a>, or measure with a jug: enter how much it took in the line below, “{habit.name.toLowerCase()}
			6 L”.
		</p>
		<p><button onclick={onclose}>Close</button></p>
	{:else if !begun}
		<ol class="read steps">
			<li class="step">Read the meter.</li>
			<li class="soft">{habit.name} as usual.</li>
			<li class="soft">Read it again.</li>
		</ol>
		{#if meters.length > 1}
			<SelectField
				label="Meter"
				value={meter.id}
				options={meters.map(({ id, name }) => ({ value: id, label: name }))}
				onchange={(id) => (chosen = id)}
			/>
		{/if}
		<NumberField
			label="{meter.name} shows now"
			bind:value={typed}
			suffix={unit}
			hint={lastShown === undefined
				? undefined
				: `It showed ${formatFigure(lastShown)} when it was last read.`}
		/>
		<p class="buttons">
			<button class="primary" disabled={typed === undefined} onclick={() => void begin()}
				>Done, now do it</button
			>
			<button onclick={onclose}>Cancel</button>
		</p>
	{:else}
		<ol class="read steps">
			<li class="soft">Read: {formatFigure(begun.before)} {unit}.</li>
			<li class:step={after === undefined}>{habit.name} as usual, and nothing else that the meter counts.</li>
			<li class="step">Read it again.</li>
		</ol>
		<div class="fields">
			<NumberField label="{meter.name} shows after" bind:value={after} suffix={unit} />
			<NumberField label="Times" bind:value={timesDone} />
		</div>
		{#if run?.kind === 'backwards'}
			<p class="mind">The meter counts {meter.counts}; these two go the other way. Read it again.</p>
		{:else if each !== undefined}
			<p aria-live="polite">
				Each: <strong class="figure">{litres(each)}</strong>. Estimated so far: {litres(
					believed ?? 0
				)}{before && withThis ? `; measured ${litres(withThis.mean)} on average of ${withThis.count}` : ''}.
			</p>
			{#if odd}<p class="mind">
					That is far from the estimate. Is a figure mistyped, or was something else running?
				</p>{/if}
		{/if}
		<p class="buttons">
			<button class="primary" disabled={each === undefined || !(each > 0)} onclick={() => void keep(false)}
				>Save</button
			>
			<button disabled={each === undefined || !(each > 0)} onclick={() => void keep(true)}
				>Save, measure again</button
			>
			<button class="quiet" onclick={() => void forget()}>Start again</button>
		</p>
	{/if}
</Sheet>

<style>
	.steps {
		font-size: var(--step-1);
	}
	.step {
		font-weight: 650;
	}
	.figure {
		font-family: var(--display);
		font-size: 1.5rem;
	}
</style>
