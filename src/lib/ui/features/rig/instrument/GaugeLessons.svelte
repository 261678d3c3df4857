<script lang="ts">
	import type { CalibrationPair } from '$core/estimate';
	import type { Gauge, Tank } from '$core/logbook';
	import { flats, learnCurve, lessonsOf, usableOf, type CurveStep } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { READ_CALIBRATION, sayFlats } from '$core/words';
	import Chart from '../../../parts/charts/Chart.svelte';
	import DataTable from '../../../kit/page/DataTable.svelte';
	import Notice from '../../../kit/page/Notice.svelte';
	import Section from '../../../kit/page/Section.svelte';

	interface Props {
		gauge: Gauge;
		tank: Tank;
		/** its readings beside what all else says */
		seen: readonly CalibrationPair[];
		doubted: ReadonlySet<string>;
		trouble: string | undefined;
		units: UnitChoice;
		theme: string;
		onuse: (steps: readonly CurveStep[]) => void;
	}
	/** What a gauge showed and what was there; and the curve that this teaches. */
	const { gauge, tank, seen, doubted, trouble, units, theme, onuse }: Props = $props();

	/** A curve needs so many levels. */
	const LEAST_LEVELS = 2;
	const litres = (l: number): string => formatLitres(l, units);
	const lessons = $derived(lessonsOf(gauge, tank, seen, doubted));
	const learned = $derived(lessons.pairs.length > 0 ? learnCurve(lessons.pairs, gauge) : undefined);
	const taught = $derived(learned?.steps.filter(({ count }) => count > 0) ?? []);
	const lights = $derived(gauge.curve.some(({ reads }) => typeof reads === 'string'));
	const unable = $derived(sayFlats(flats(gauge, usableOf(tank)), units));
	/** Points of the curve in use, and those that only the readings have. */
	const rows = $derived([
		...gauge.curve.map((point) => ({
			reads: point.reads,
			stated: point.litres,
			step: taught.find(({ reads }) => reads === point.reads)
		})),
		...taught
			.filter(({ reads }) => !gauge.curve.some((point) => point.reads === reads))
			.map((step) => ({ reads: step.reads, stated: undefined, step }))
	]);
</script>

{#if unable}<Notice><p>{unable}</p></Notice>{/if}
<Section title="Its readings and the true litres">
	<Chart
		spec={{ kind: 'gauge', shown: { gauge, tank, lessons, taught, units } }}
		{theme}
		label="Readings of {gauge.name} against the litres everything else gives"
	/>
	{#if trouble}<p class="mind" role="alert">{trouble}</p>{/if}
	<p class="soft">
		{READ_CALIBRATION}
	</p>
	<DataTable
		columns={[
			{ name: 'Shows' },
			{ name: lights ? 'comes on at' : 'curve', number: true },
			{ name: 'learned', number: true },
			{ name: 'give or take', number: true },
			{ name: 'readings', number: true }
		]}
	>
		{#each rows as { reads, stated, step }, i (i)}
			<tr>
				<th scope="row">{reads}</th>
				<td class="number">{stated === undefined ? '' : litres(stated)}</td>
				<td class="number">{step ? litres(step.litres) : ''}</td>
				<td class="number">{step && step.count > 1 ? litres(step.sdL) : ''}</td>
				<td class="number">{lessons.pairs.filter((pair) => pair.reads === reads).length}</td>
			</tr>
		{/each}
	</DataTable>
	{#if learned && learned.contrary.length > 0}<Notice
			><p>
				At {learned.contrary.join(', ')} the reading fell where the litres rose; it was evened out. Check it there.
			</p></Notice
		>{/if}
	<button
		class="primary"
		disabled={taught.length < LEAST_LEVELS}
		onclick={() => learned && onuse(learned.steps)}>Use the learned calibration</button
	>
	{#if taught.length < LEAST_LEVELS}<p class="soft">
			It needs readings at two levels at least: from the log, or from a <a
				href="/rig/tank/{encodeURIComponent(tank.id)}">step-by-step trial</a
			>.
		</p>{/if}
</Section>
