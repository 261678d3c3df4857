<script lang="ts">
	import { page } from '$app/state';
	import { instantMs, zonedTime, type Gauge, type Rig } from '$core/logbook';
	import type { KnownReading } from '$core/estimate';
	import { flats, learnCurve, suspicionsOf, tankById, usableOf, type Pair } from '$core/rig';
	import { sayFlats, saySuspicion } from '$core/verdict';
	import { formatLitres, fromBase, unitSymbol } from '$core/units';
	import { useApp } from '$lib/state';
	import { withItem } from '$lib/ui/rigChange';
	import Chart from '$lib/ui/Chart.svelte';
	import { axisOf, escaped, type ChartTokens } from '$lib/ui/chartTheme';
	import { dayText } from '$lib/ui/describe';
	import Notice from '$lib/ui/Notice.svelte';
	import RigForm from '$lib/ui/RigForm.svelte';

	const app = useApp();
	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.rig);
	const instrument = $derived(rig?.instruments.find(({ id }) => id === page.params.id));
	const gauge = $derived(instrument?.kind === 'gauge' ? instrument : undefined);
	const tank = $derived(rig && instrument && tankById(rig, instrument.tank));
	const litres = (l: number): string => formatLitres(l, units);
	let changing = $state(false);
	let beside = $state.raw<readonly KnownReading[]>([]);
	let trouble = $state('');
	let run = 0;

	/** Beside a level less sure than this share of the tank a reading teaches nothing. */
	const SURE = 0.06;
	// Asks the worker again whenever the log, the gauge or the clock moves on; a late answer is dropped.
	$effect(() => {
		const asked = ++run;
		void app.assessment;
		if (!gauge) return;
		app.beside(gauge.id).then(
			(found) => {
				if (asked === run) beside = found;
			},
			(error: unknown) => (trouble = error instanceof Error ? error.message : String(error))
		);
	});
	const doubted = $derived(new Set(app.assessment?.levels.doubts.map(({ entry }) => entry)));
	const sure = $derived(beside.filter(({ sd }) => tank && sd <= SURE * usableOf(tank)));
	const fromTrials = $derived(
		(tank?.trials ?? []).flatMap(({ kind, used, instrument: of, readings }): readonly Pair[] =>
			kind === 'stepwise' && used && of === gauge?.id
				? (readings ?? []).map((one) => ({ reads: one.reads, litres: one.litres }))
				: []
		)
	);
	/** What a doubted reading says is no lesson: a stuck gauge would learn to be stuck. */
	const pairs = $derived<readonly Pair[]>([
		...fromTrials,
		...sure.filter(({ entry }) => !doubted.has(entry))
	]);
	const learned = $derived(gauge && pairs.length > 0 ? learnCurve(pairs, gauge) : undefined);
	const taught = $derived(learned?.steps.filter(({ count }) => count > 0) ?? []);
	const unable = $derived(gauge && tank ? sayFlats(flats(gauge, usableOf(tank)), units) : '');
	const suspicions = $derived(
		rig
			? suspicionsOf(rig, app.entries).filter(
					(one) => 'instrument' in one && one.instrument === instrument?.id
				)
			: []
	);
	const lights = $derived(gauge?.curve.some(({ reads }) => typeof reads === 'string') ?? false);

	function optionFor(of: Gauge): (tokens: ChartTokens) => Readonly<Record<string, unknown>> {
		const names = [...of.curve].sort((a, b) => a.litres - b.litres).map(({ reads }) => String(reads));
		const volume = (l: number): number => Number(fromBase(l, units.volume).toFixed(1));
		const at = (reads: string | number): string | number => (lights ? String(reads) : reads);
		const stated = of.curve.map(({ reads, litres: l }) => [volume(l), at(reads)]);
		const full = tank ? volume(usableOf(tank)) : undefined;
		const dot = (entry: KnownReading): readonly (string | number)[] => [
			volume(entry.litres),
			at(entry.reads)
		];
		const [kept, crossed] = [
			sure.filter(({ entry }) => !doubted.has(entry)),
			beside.filter(({ entry }) => doubted.has(entry))
		];
		return (tokens) => ({
			grid: { left: 70, right: 24, top: 16, bottom: 46 },
			tooltip: {
				trigger: 'item',
				formatter: ({ value, seriesName }: { value: readonly (string | number)[]; seriesName: string }) =>
					`${escaped(seriesName)}: ${escaped(String(value[1]))} at ${value[0]} ${unitSymbol(units.volume)}`
			},
			xAxis: axisOf(tokens, {
				type: 'value',
				min: 0,
				max: full,
				name: unitSymbol(units.volume),
				nameLocation: 'middle',
				nameGap: 28
			}),
			yAxis: axisOf(tokens, lights ? { type: 'category', data: names } : { type: 'value', scale: true }),
			series: [
				{
					name: 'Curve in use',
					type: 'line',
					step: lights ? 'start' : undefined,
					data: lights && full !== undefined ? [...stated, [full, stated.at(-1)?.[1]]] : stated,
					symbolSize: 7,
					itemStyle: { color: tokens.ink },
					lineStyle: { color: tokens.ink, width: 2 }
				},
				...(taught.length > 0
					? [
							{
								name: 'Learned',
								type: 'line',
								step: lights ? 'start' : undefined,
								data: taught.map(({ reads, litres: l }) => [volume(l), at(reads)]),
								symbol: 'diamond',
								symbolSize: 9,
								itemStyle: { color: tokens.fresh },
								lineStyle: { color: tokens.fresh, width: 2, type: 'dashed' }
							}
						]
					: []),
				{
					name: 'Read',
					type: 'scatter',
					data: [...kept.map(dot), ...fromTrials.map((pair) => [volume(pair.litres), at(pair.reads)])],
					symbolSize: 8,
					itemStyle: { color: tokens.paper, borderColor: tokens.fresh, borderWidth: 1.5 }
				},
				{
					name: 'Left out',
					type: 'scatter',
					symbol: 'path://M0 0 L10 10 M10 0 L0 10',
					data: crossed.map(dot),
					symbolSize: 10,
					itemStyle: { color: 'none', borderColor: tokens.caution, borderWidth: 2 }
				}
			]
		});
	}
	const option = $derived(gauge && optionFor(gauge));

	async function take(): Promise<void> {
		if (!rig || !gauge || !learned) return;
		const curve = learned.steps.map(({ reads, litres: l }) => ({ reads, litres: Number(l.toFixed(2)) }));
		await app.save(
			{
				kind: 'rig',
				value: { ...rig, instruments: withItem(rig.instruments, { ...gauge, curve }) } as Rig
			},
			`${gauge.name}: learned curve`
		);
	}
	const last = $derived(
		[...app.rigEntries]
			.filter((entry) => entry.kind === 'reading' && entry.instrument === instrument?.id && !entry.void)
			.sort((a, b) => instantMs(b.at) - instantMs(a.at))[0]
	);
</script>

{#if rig && instrument && tank}
	<div class="page">
		<header>
			<p><a href="/rig">Rig</a></p>
			<h1>{instrument.name}</h1>
			<p class="soft">
				{instrument.kind} of <a href="/rig/tank/{tank.id}">{tank.name}</a>{#if last?.kind === 'reading'}, last
					read {last.value}
					on {dayText(zonedTime(instantMs(last.at), app.timeZone).day)}{/if}
			</p>
			<button onclick={() => (changing = true)}>Change instrument</button>
		</header>
		{#each suspicions as suspicion, i (i)}<Notice><p>{saySuspicion(rig, suspicion, units)}</p></Notice>{/each}
		{#if gauge && option}
			{#if unable}<Notice><p>{unable}</p></Notice>{/if}
			<section>
				<h2>What it shows, and what was there</h2>
				<Chart
					{option}
					theme={app.prefs.current.theme}
					label="Readings of {gauge.name} over the litres that everything else says"
				/>
				{#if trouble}<p class="mind" role="alert">{trouble}</p>{/if}
				<p class="soft">
					Rings: readings beside a level known from everything but this gauge. Crosses: readings left out as
					doubted; they teach nothing. Dashed: what the rings teach.
				</p>
				<table>
					<thead
						><tr
							><th scope="col">Shows</th><th scope="col" class="number">{lights ? 'comes on at' : 'curve'}</th
							><th scope="col" class="number">learned</th><th scope="col" class="number">give or take</th><th
								scope="col"
								class="number">readings</th
							></tr
						></thead
					>
					<tbody>
						{#each gauge.curve as point, i (i)}
							{@const step = learned?.steps.find(({ reads }) => reads === point.reads)}
							<tr>
								<th scope="row">{point.reads}</th>
								<td class="number">{litres(point.litres)}</td>
								<td class="number">{step && step.count > 0 ? litres(step.litres) : ''}</td>
								<td class="number">{step && step.count > 1 ? litres(step.sdL) : ''}</td>
								<td class="number">{pairs.filter(({ reads }) => reads === point.reads).length}</td>
							</tr>
						{/each}
						{#each taught.filter(({ reads }) => !gauge.curve.some((point) => point.reads === reads)) as step, i (i)}
							<tr>
								<th scope="row">{step.reads}</th><td></td>
								<td class="number">{litres(step.litres)}</td>
								<td class="number">{step.count > 1 ? litres(step.sdL) : ''}</td>
								<td class="number">{step.count}</td>
							</tr>
						{/each}
					</tbody>
				</table>
				{#if learned && learned.contrary.length > 0}<Notice
						><p>
							At {learned.contrary.join(', ')} the reading fell where the litres rose; it was evened out. Look again
							there.
						</p></Notice
					>{/if}
				<button class="primary" disabled={taught.length < 2} onclick={() => void take()}
					>Use the learned curve</button
				>
				{#if taught.length < 2}<p class="soft">
						It takes readings at two levels at least: from the log, or from a <a href="/rig/tank/{tank.id}"
							>step by step trial</a
						>.
					</p>{/if}
			</section>
		{:else if instrument.kind === 'meter'}
			<section>
				<h2>How it counts</h2>
				<dl>
					<dt>Sits</dt>
					<dd>
						{{ pump: 'at the pump’s inlet', fill: 'on the filling hose', mains: 'at the pressure inlet' }[
							instrument.place
						]}
					</dd>
					<dt>One displayed unit</dt>
					<dd>
						{instrument.unitL} L{(instrument.scale ?? 1) === 1
							? ''
							: `, times ${instrument.scale} by its bucket test`}
					</dd>
					<dt>Counts</dt>
					<dd>
						{instrument.counts}{instrument.setTo === undefined
							? ''
							: `, set to ${instrument.setTo} at a reset`}{instrument.alarmAt === undefined
							? ''
							: `, beeps at ${instrument.alarmAt}`}
					</dd>
					{#if instrument.counts === 'down' && instrument.setTo !== undefined && instrument.alarmAt !== undefined}
						<dt>At the beep</dt>
						<dd>
							{litres((instrument.setTo - instrument.alarmAt) * instrument.unitL * (instrument.scale ?? 1))} have
							gone through since it was set; {litres(
								instrument.alarmAt * instrument.unitL * (instrument.scale ?? 1)
							)} are left of what it was set to.
						</dd>
					{/if}
					<dt>Right to</dt>
					<dd>± {(100 * (instrument.sdFraction ?? 0.02)).toFixed(1)} %</dd>
				</dl>
				<p>
					Is it right? <a href="/rig/tank/{tank.id}">Test it with a bucket</a>, under the tank’s trials.
				</p>
			</section>
		{:else}
			<section>
				<h2>What it says</h2>
				<p>
					{tank.shape
						? 'A depth becomes litres by the tank’s shape.'
						: 'The tank has no shape yet, so a depth cannot be turned into litres.'}
					<a href="/rig/tank/{tank.id}">To {tank.name}</a>
				</p>
			</section>
		{/if}
	</div>
	{#if changing}
		<RigForm {app} {rig} part="instruments" id={instrument.id} onclose={() => (changing = false)} />
	{/if}
{:else if rig}
	<div class="page">
		<h1>No such instrument</h1>
		<p><a href="/rig">To the rig</a></p>
	</div>
{/if}

<style>
	.page {
		padding: 1.4rem var(--gap-4) var(--gap-4);
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-4);
		align-content: start;
		max-width: 62rem;
	}
	header,
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: var(--gap-2);
		justify-items: start;
		min-width: 0;
	}
	h2 {
		font-size: var(--step-1);
	}
	th,
	td {
		padding: 0.25rem 0.7rem 0.25rem 0;
		border-top: var(--hairline);
	}
	thead th {
		border: 0;
		font-size: var(--step--1);
		color: var(--soft-ink);
	}
	thead .number {
		text-align: right;
	}
	dl {
		display: grid;
		grid-template-columns: minmax(7rem, 11rem) minmax(0, 1fr);
		gap: var(--gap-2) var(--gap-3);
	}
	dt {
		color: var(--soft-ink);
	}
	.mind {
		color: var(--caution);
	}
	@media (max-width: 800px) {
		.page {
			padding: var(--gap-3);
		}
	}
</style>
