<script lang="ts">
	import { instantMs, zonedTime, type Rig, type Tank, type Trial } from '$core/logbook';
	import { summarise, summariseBuckets, tableFrom, trialKindOf } from '$core/rig';
	import { sayRounding } from '$core/verdict';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { dayText } from './describe';
	import Notice from './Notice.svelte';
	import { TRIAL_SAYS, TRIAL_WORDS, trialsFor, type TrialKind } from './trialSteps';

	interface Props {
		rig: Rig;
		tank: Tank;
		units: UnitChoice;
		timeZone: string;
		onbegin: (kind: TrialKind) => void;
		onswitch: (trial: Trial) => void;
		onremove: (trial: Trial) => void;
		/** takes over what the trials found */
		onuse: (part: Partial<Tank>, label: string) => void;
		oncurve: (trial: Trial) => void;
		onscale: (meter: string, scale: number, sdFraction: number | undefined) => void;
	}
	const { rig, tank, units, timeZone, onbegin, onswitch, onremove, onuse, oncurve, onscale }: Props =
		$props();

	const trials = $derived([...(tank.trials ?? [])].sort((a, b) => instantMs(b.at) - instantMs(a.at)));
	const kind = $derived(trialKindOf(tank));
	const summary = $derived(summarise(tank.trials ?? [], kind));
	const meters = $derived(
		rig.instruments.flatMap((one) => {
			if (one.kind !== 'meter' || one.tank !== tank.id) return [];
			const scale = summariseBuckets(tank.trials ?? [], one);
			return scale ? [{ meter: one, found: scale }] : [];
		})
	);
	const litres = (l: number): string => formatLitres(l, units);
	const apart = $derived(
		new Set([...(summary?.outliers ?? []), ...meters.flatMap(({ found }) => found.outliers)])
	);
	const nameOf = (id: string | undefined): string => rig.instruments.find((one) => one.id === id)?.name ?? '';
	function found(trial: Trial): string {
		if (trial.litres !== undefined) return litres(trial.litres);
		const readings = trial.readings ?? [];
		if (trial.kind === 'bucket') return `${readings.length} ${readings.length === 1 ? 'bucket' : 'buckets'}`;
		return `${readings.length} steps to ${litres(Math.max(0, ...readings.map((one) => one.litres)))}`;
	}
	const isRod = (trial: Trial): boolean =>
		rig.instruments.some(({ id, kind: of }) => id === trial.instrument && of === 'rod');
	const steps = $derived(trials.find((trial) => trial.kind === 'stepwise' && trial.used));
	const table = $derived(steps && isRod(steps) ? tableFrom(steps.readings ?? []) : undefined);
</script>

{#if summary}
	<div class="answer">
		<p class="figure">
			{litres(summary.recommendedL)}<span class="soft"
				>to reckon with, from {summary.count}
				{summary.count === 1 ? 'trial' : 'trials'}</span
			>
		</p>
		<p>{sayRounding(summary, units)}</p>
		{#if Math.abs((tank.usableL ?? 0) - summary.recommendedL) > 0.05}
			<button
				class="primary"
				onclick={() => summary && onuse({ usableL: summary.recommendedL }, 'usable volume from trials')}
				>Reckon with {litres(summary.recommendedL)}</button
			>
		{:else}<p class="soft">This is what {tank.name} is reckoned with.</p>{/if}
	</div>
{/if}
{#if summary && summary.outliers.length > 0}
	<Notice>
		<p>
			{summary.outliers.length === 1 ? 'One trial lies' : `${summary.outliers.length} trials lie`} far from the
			others. It still counts. Switch it off if you know why: a valve that leaked, a tank not drained, a figure
			misread.
		</p>
	</Notice>
{/if}
{#each meters as { meter, found: scale } (meter.id)}
	<div class="answer">
		<p>
			{meter.name}: {scale.count}
			{scale.count === 1 ? 'bucket gives' : 'buckets give'} <strong>{scale.scale.toFixed(3)}</strong> true
			litres to the displayed one{scale.sdFraction === undefined
				? ''
				: `, ± ${(100 * scale.sdFraction).toFixed(1)} %`}.
		</p>
		{#if Math.abs((meter.scale ?? 1) - scale.scale) > 0.0005}
			<button onclick={() => onscale(meter.id, scale.scale, scale.sdFraction)}>Use it for {meter.name}</button
			>
		{/if}
	</div>
{/each}
{#if steps && (table ?? !isRod(steps))}
	<div class="answer">
		<p>
			The step by step trial is a curve of {steps.readings?.length ?? 0} points{isRod(steps)
				? ': depth to litres'
				: ` for ${nameOf(steps.instrument)}`}.
		</p>
		{#if table}<button
				class="primary"
				onclick={() => table && onuse({ shape: table }, 'shape from the stepwise trial')}
				>Use it as the tank’s dip table</button
			>{:else}<button class="primary" onclick={() => steps && oncurve(steps)}
				>Use it as the curve of {nameOf(steps.instrument)}</button
			>{/if}
	</div>
{/if}
{#if trials.length > 0}
	<table>
		<thead
			><tr
				><th scope="col">Counts</th><th scope="col">Trial</th><th scope="col" class="number">Found</th><td
				></td></tr
			></thead
		>
		<tbody>
			{#each trials as trial (trial.id)}
				<tr class:off={!trial.used}>
					<td
						><label class="check"
							><input type="checkbox" checked={trial.used} onchange={() => onswitch(trial)} /><span
								class="visually-hidden">{TRIAL_WORDS[trial.kind]} {found(trial)} counts</span
							></label
						></td
					>
					<th scope="row"
						>{TRIAL_WORDS[trial.kind]}<span class="soft"
							>, {dayText(zonedTime(instantMs(trial.at), timeZone).day)}{trial.instrument
								? `, ${nameOf(trial.instrument)}`
								: ''}</span
						>{#if apart.has(trial.id)}<span class="mind">far from the others</span>{/if}{#if trial.note}<span
								class="soft note">{trial.note}</span
							>{/if}</th
					>
					<td class="number">{found(trial)}</td>
					<td
						><button
							class="quiet"
							onclick={() => onremove(trial)}
							aria-label="Take {TRIAL_WORDS[trial.kind]} {found(trial)} out">Remove</button
						></td
					>
				</tr>
			{/each}
		</tbody>
	</table>
{/if}
<ul>
	{#each trialsFor(tank) as one (one)}
		<li>
			<button onclick={() => onbegin(one)}>{TRIAL_WORDS[one]}</button>
			<span class="soft">{TRIAL_SAYS[one]}</span>
		</li>
	{/each}
</ul>

<style>
	.answer {
		display: grid;
		gap: var(--gap-2);
		justify-items: start;
	}
	.figure {
		font-family: var(--display);
		font-weight: 650;
		font-size: var(--step-2);
	}
	.figure .soft {
		font: 400 var(--step-0) var(--text);
		margin-left: 0.4rem;
	}
	th,
	td {
		padding: 0.2rem 0.7rem 0.2rem 0;
		border-top: var(--hairline);
		vertical-align: middle;
	}
	thead th,
	thead td {
		border: 0;
		font-size: var(--step--1);
		color: var(--soft-ink);
	}
	.off {
		color: var(--soft-ink);
	}
	.check {
		display: grid;
		place-items: center;
		width: 2rem;
		min-height: 2.2rem;
	}
	.check input {
		width: 1.25rem;
		height: 1.25rem;
	}
	.mind,
	.note {
		display: block;
		font-weight: 400;
		font-size: var(--step--1);
	}
	.mind {
		color: var(--caution);
	}
	li {
		display: grid;
		grid-template-columns: 11.5rem minmax(0, 1fr);
		gap: var(--gap-3);
		align-items: center;
		padding: 0.25rem 0;
	}
	@media (max-width: 640px) {
		li {
			grid-template-columns: minmax(0, 1fr);
			gap: 0.2rem;
		}
	}
</style>
