<script lang="ts">
	import { DAY_MS } from '$core/time';
	import { daysByLot, endingTrial, TRIAL_DAYS, trialEntries, type DidItPay } from '$core/habits';
	import { instantMs, type Measure, type Rig } from '$core/logbook';
	import { sayDay, sayNotYet, sayPaid, TRIAL_IS, TRIAL_NEEDS } from '$core/words';
	import type { App } from '$lib/state';
	import type { Change } from '$lib/store';
	import { v7 as uuid } from 'uuid';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import { notifyDone } from '../../parts/acts/notify';

	interface Props {
		app: App;
		rig: Rig;
		paid: readonly DidItPay[];
	}
	/** Whether a measure has paid, and a trial that finds it out. */
	const { app, rig, paid }: Props = $props();
	const units = $derived(app.prefs.current.units);
	let chosen = $state('');
	let days = $state('8');
	const measureId = $derived(
		rig.measures.some(({ id }) => id === chosen)
			? chosen
			: (paid.find(({ oneTime, personDay }) => oneTime ?? personDay)?.measure ?? rig.measures[0]?.id ?? '')
	);
	const measure = $derived(rig.measures.find(({ id }) => id === measureId));
	const found = $derived(paid.find((one) => one.measure === measureId));
	const habit = $derived(rig.habits.find(({ id }) => id === measure?.habit)?.name ?? '');
	/** The days of the trial of this measure that was begun last. */
	const trial = $derived.by(() => {
		const all = app.rigEntries.flatMap((entry) =>
			!entry.void && entry.kind === 'measure' && entry.measure === measureId && entry.trial !== undefined
				? [entry]
				: []
		);
		const id = all.at(-1)?.trial;
		const own = all.filter((entry) => entry.trial === id);
		const [first, last] = [own[0], own.at(-1)];
		return first && last
			? { id, entries: own, fromMs: instantMs(first.at), toMs: instantMs(last.at) }
			: undefined;
	});
	const running = $derived(trial !== undefined && trial.toMs > app.nowMs);
	const onNow = $derived(app.engine.assessment?.measures.includes(measureId) ?? false);

	async function begin(of: Measure): Promise<void> {
		const lot = daysByLot(crypto.getRandomValues(new Uint32Array(1))[0] ?? 1, Number(days));
		const drafts = trialEntries(
			{ measure: of.id, trial: uuid(), before: onNow },
			lot,
			app.nowMs,
			app.timeZone
		);
		const label = `Trial of ${of.name}, ${days} days`;
		const kept = await app.commands.put(
			drafts.map((draft) => ({ kind: 'entry', value: app.commands.entryFrom({ ...draft, source: 'hand' }) })),
			label
		);
		if (kept) notifyDone(app, `${label}: from tomorrow morning.`);
	}
	const switchedNow = (on: boolean): Change => ({
		kind: 'entry',
		value: app.commands.entryFrom({
			kind: 'measure',
			measure: measureId,
			on,
			source: 'hand',
			...app.nowOnTrip()
		})
	});
	/** The days to come are taken back, and the measure is as it was before the trial. */
	async function end(): Promise<void> {
		if (!trial) return;
		const { ahead, switchTo } = endingTrial(trial.entries, app.nowMs, onNow);
		const label = `Trial of ${measure?.name ?? ''} ended`;
		const also = switchTo === undefined ? [] : [switchedNow(switchTo)];
		const kept = await app.commands.setVoid(ahead, true, label, also);
		if (kept) notifyDone(app, label);
	}
</script>

{#if measure}
	<SelectField
		label="Way to save"
		value={measureId}
		options={rig.measures.map(({ id, name }) => ({ value: id, label: name }))}
		onchange={(id) => (chosen = id)}
	/>
	{#if found}
		{@const told = [
			...(found.oneTime ? [sayPaid(found.oneTime, 'use', units)] : []),
			...(found.personDay ? [sayPaid(found.personDay, 'person and day', units)] : [])
		]}
		{#if !found.oneTime}<p>{sayNotYet(found.uses, habit)}</p>{/if}
		{#each told as { says } (says)}<p>{says}</p>{/each}
		{#if told.length > 0}
			<details>
				<summary>What this is based on</summary>
				{#each told as { rests } (rests)}<p class="soft">{rests}</p>{/each}
			</details>
		{/if}
		{#if !found.personDay}<p class="soft">
				{TRIAL_NEEDS}
			</p>{/if}
	{/if}
	{#if running && trial}
		<p>
			<strong
				>Trial: {app.nowMs < trial.fromMs
					? `begins ${sayDay(trial.fromMs, app.nowMs, app.timeZone)}`
					: `day ${Math.floor((app.nowMs - trial.fromMs) / DAY_MS) + 1}, today ${onNow ? 'with' : 'without'} it`}.</strong
			>
			It ends {sayDay(trial.toMs, app.nowMs, app.timeZone)}; measure {habit} and read the meter as you can. The
			answer will appear here.
		</p>
		<button onclick={() => void end()}>End the trial</button>
	{:else}
		{#if trial}<p class="soft">
				The trial ended {sayDay(trial.toMs, app.nowMs, app.timeZone)}: its answer is above.
			</p>{/if}
		<div class="plan">
			<SelectField
				label="Random trial lasting"
				bind:value={days}
				options={TRIAL_DAYS.map((n) => ({ value: String(n), label: `${n} days` }))}
			/>
			<button onclick={() => measure && void begin(measure)}>Plan the trial</button>
		</div>
		<p class="soft small">
			{TRIAL_IS}
		</p>
	{/if}
{:else}
	<p class="soft">No way to save yet.</p>
{/if}

<style>
	.plan {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: end;
	}
	p {
		max-width: 46rem;
	}
</style>
