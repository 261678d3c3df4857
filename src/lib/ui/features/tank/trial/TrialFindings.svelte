<script lang="ts">
	import type { Rig, Tank, Trial } from '$core/logbook';
	import { summarise, summariseBuckets, tableFrom, trialKindOf } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { sayOutliers, sayRounding } from '$core/words';
	import Notice from '../../../kit/page/Notice.svelte';

	interface Props {
		rig: Rig;
		tank: Tank;
		/** newest first */
		trials: readonly Trial[];
		units: UnitChoice;
		/** takes over what the trials found */
		onuse: (part: Partial<Tank>, label: string) => void;
		oncurve: (trial: Trial) => void;
		onscale: (meter: string, scale: number, sdFraction: number | undefined) => void;
	}
	/** What the trials of a tank come to, each with the button that reckons with it. */
	const { rig, tank, trials, units, onuse, oncurve, onscale }: Props = $props();

	const litres = (l: number): string => formatLitres(l, units);
	const summary = $derived(summarise(trials, trialKindOf(tank)));
	const meters = $derived(
		rig.instruments.flatMap((one) => {
			if (one.kind !== 'meter' || one.tank !== tank.id) return [];
			const found = summariseBuckets(trials, one);
			return found ? [{ meter: one, found }] : [];
		})
	);
	const steps = $derived(trials.find((trial) => trial.kind === 'stepwise' && trial.used));
	const byRod = $derived(rig.instruments.some(({ id, kind }) => id === steps?.instrument && kind === 'rod'));
	const table = $derived(steps && byRod ? tableFrom(steps.readings ?? []) : undefined);
	const lookedAt = $derived(rig.instruments.find(({ id }) => id === steps?.instrument)?.name ?? '');
</script>

{#if summary}
	<div class="answer">
		<p class="figure">
			{litres(summary.recommendedL)}<span class="soft"
				>to count on, from {summary.count}
				{summary.count === 1 ? 'trial' : 'trials'}</span
			>
		</p>
		<p>{sayRounding(summary, units)}</p>
		{#if Math.abs((tank.usableL ?? 0) - summary.recommendedL) > 0.05}
			<button
				class="primary"
				onclick={() => onuse({ usableL: summary.recommendedL }, 'usable volume from trials')}
				>Use {litres(summary.recommendedL)}</button
			>
		{:else}<p class="soft">This is the usable volume of {tank.name} now.</p>{/if}
	</div>
	{#if summary.outliers.length > 0}
		<Notice>
			<p>
				{sayOutliers(summary.outliers.length)}
			</p>
		</Notice>
	{/if}
{/if}
{#each meters as { meter, found } (meter.id)}
	<div class="answer">
		<p>
			{meter.name}: {found.count}
			{found.count === 1 ? 'bucket gives' : 'buckets give'} <strong>{found.scale.toFixed(3)}</strong> true
			litres to the displayed one{found.sdFraction === undefined
				? ''
				: `, ± ${(100 * found.sdFraction).toFixed(1)}%`}.
		</p>
		{#if Math.abs((meter.scale ?? 1) - found.scale) > 0.0005}
			<button onclick={() => onscale(meter.id, found.scale, found.sdFraction)}>Use it for {meter.name}</button
			>
		{/if}
	</div>
{/each}
{#if steps && (table || !byRod)}
	<div class="answer">
		<p>
			The step-by-step trial gives a calibration of {steps.readings?.length ?? 0} points{byRod
				? ': depth to litres'
				: ` for ${lookedAt}`}.
		</p>
		{#if table}<button
				class="primary"
				onclick={() => onuse({ shape: table }, 'shape from the stepwise trial')}
				>Use it as the tank’s dip table</button
			>{:else}<button class="primary" onclick={() => oncurve(steps)}>Use it to calibrate {lookedAt}</button
			>{/if}
	</div>
{/if}

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
</style>
