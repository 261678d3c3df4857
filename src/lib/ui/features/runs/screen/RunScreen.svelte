<script lang="ts">
	import type { Rig } from '$core/logbook';
	import {
		faultOf,
		markOf,
		soFar,
		currentStep,
		stepsOf,
		type StepAnswer,
		type Run,
		type RunStep
	} from '$core/runs';
	import { unitsOfMeter } from '$core/units';
	import { sayProgress, sayRule, sayRun, sayStep, sayStepFault, SHUT_AND_CLEAN } from '$core/words';
	import type { App } from '$lib/state';
	import { answerStep, backTo, type RunBook } from '$lib/state/runBook.svelte';
	import { onMount } from 'svelte';
	import Notice from '../../../kit/page/Notice.svelte';
	import AskValue from './AskValue.svelte';
	import { doneChoice, moreChoices, otherChoice, type StepQuestion, type StepChoice } from './choices';
	import FollowMeter from '../meter/FollowMeter.svelte';
	import { LiveMeter } from '../meter/liveMeter.svelte';
	import RunFrame from '../RunFrame.svelte';
	import RunWritten from './RunWritten.svelte';
	import { confirmVisit, visitsToConfirm } from '../../../parts/acts/visits';
	import Visits from '../../../parts/places/Visits.svelte';
	import { nearnessOf, signal, speak, spokenAt } from '../meter/signal';
	import ShareRun from './ShareRun.svelte';
	import StepFigure from './StepFigure.svelte';
	import StepList from './StepList.svelte';
	import { keepAwake } from '../../../kit/wakeLock';

	/** A run: one step at a time, in large type, for wet hands. */
	const { app, book, rig, run }: { app: App; book: RunBook; rig: Rig; run: Run } = $props();

	const units = $derived(app.prefs.current.units);
	const about = $derived({ rig, run, units });
	const step = $derived(currentStep(run));
	const words = $derived(step && sayStep(step, about));
	const steps = $derived(stepsOf(run.setup, run.answers));
	const mark = $derived(step?.kind === 'fill-to' ? markOf(rig, run, step.part) : undefined);
	const live = new LiveMeter();
	const heard = $derived(live.state === 'live' ? live.shows : undefined);
	let asked = $state.raw<StepQuestion>();
	let fault = $state<string>();
	let busy = $state(false);
	/** by keys, Enter ticks the step that is due */
	let big = $state<HTMLButtonElement>();
	const placeId = $derived.by(() => {
		const { setup } = run;
		return setup.kind === 'dump' ? setup.where : 'source' in setup ? setup.source.point : undefined;
	});
	const place = $derived(app.records.points.find(({ id }) => id === placeId)?.name);
	/** in a long way with a tote, the steps of this load alone */
	const here = $derived(
		step && 'load' in step
			? steps.filter((one) => !('load' in one) || one.load === step.load)
			: step && 'trip' in step
				? steps.filter((one) => !('trip' in one) || one.trip === step.trip)
				: steps
	);
	/** where it stands among its steps */
	const at = $derived(steps.findIndex(({ key }) => key === step?.key));
	const next = $derived(step && steps[at + 1]);

	// A tone at five litres to go, and at the mark, and the last litres aloud: each once, whichever way the figure comes.
	let told: 'far' | 'near' | 'there' = 'far';
	let spoken: string | undefined;
	$effect(() => {
		if (step?.kind !== 'fill-to' || heard === undefined) return;
		const now = soFar(rig, run, step.part, heard);
		const near = now ? nearnessOf(now.toGoL) : 'far';
		if (near !== told && near !== 'far') signal(near);
		told = near;
		const aloud = now && spokenAt(now.toGoL, units.volume);
		if (aloud !== undefined && aloud !== spoken) speak(aloud);
		spoken = aloud;
	});
	$effect(() => {
		if (step && !busy) big?.focus({ preventScroll: true });
	});
	onMount(() => {
		const sleep = keepAwake();
		return () => {
			sleep();
			live.stop();
		};
	});

	async function answer(to: RunStep, given: StepAnswer): Promise<void> {
		const wrong = faultOf(rig, run, to, given);
		fault = wrong && sayStepFault(wrong, rig, units);
		if (wrong || busy) return;
		busy = true;
		asked = undefined;
		if (to.kind === 'fill-to') live.stop();
		try {
			await answerStep(
				app,
				book,
				{ rig, run, step: to },
				given,
				`${sayRun(run.setup, rig)}: ${sayStep(to, about).done}`
			);
		} finally {
			busy = false;
		}
	}
	function choose(to: RunStep, choice: StepChoice): void {
		fault = undefined;
		if ('ask' in choice) asked = choice.ask;
		else void answer(to, choice.answer);
	}
	const end = (): Promise<void> => book.change(run.id, (newest) => ({ ...(newest ?? run), ended: true }));
	function back(to: RunStep): void {
		[asked, fault] = [undefined, undefined];
		live.stop();
		void backTo(book, run, to);
	}
	const previous = $derived(step ? steps[at - 1] : undefined);
</script>

<RunFrame
	title={sayRun(run.setup, rig, place)}
	progress={step ? sayProgress(run, step) : run.ended ? 'ended' : 'done'}
>
	{#snippet body()}
		<!-- A new build is not taken over under a running hose. -->
		{#if asked || live.state !== 'off'}<span hidden data-unsaved></span>{/if}
		{#if book.trouble}<Notice><p>{book.trouble}</p></Notice>{/if}
		{#if step && words}
			{#if words.figure}
				<StepFigure {rig} {run} {step} {words} {live} {units} />
			{:else if sayRule(run.setup, rig)}<h2>{sayRule(run.setup, rig)}</h2>{/if}
			{#if mark}<FollowMeter
					{live}
					{mark}
					flowLpm={run.setup.kind === 'fill' ? run.setup.flowLpm : undefined}
				/>{/if}
			{#if step.kind !== 'fill-to'}
				<StepList
					steps={here.map((one) => ({
						step: one,
						does: sayStep(one, about).does,
						answered: run.answers[one.key]?.how
					}))}
					at={step.key}
					onback={back}
				>
					{#snippet due()}
						{#if !words.figure}{#each words.tells as line, i (i)}<p>{line}</p>{/each}{/if}
						{#if words.caution}<Notice><p>{words.caution}</p></Notice>{/if}
					{/snippet}
				</StepList>
			{:else if words.caution}<Notice><p>{words.caution}</p></Notice>{/if}
			{#if step.kind === 'fill-to' && next}<p class="soft">Next: {sayStep(next, about).does}</p>{/if}
		{:else}
			<h2>{run.ended ? 'Ended. Its entries are kept.' : 'That is all.'}</h2>
			{#if run.setup.kind === 'dump' || run.setup.kind === 'tote'}<p>
					{SHUT_AND_CLEAN}
				</p>{/if}
		{/if}
		{#if !step && placeId !== undefined}<Visits
				visits={visitsToConfirm(app)
					.filter(({ point }) => point.id === placeId)
					.slice(0, 2)}
				nowMs={app.nowMs}
				timeZone={app.timeZone}
				onconfirm={(visit) => void confirmVisit(app, visit)}
			/>{/if}
		<RunWritten {app} {rig} {run} />
		<p class="visually-hidden" role="status">
			{step && words ? `${sayProgress(run, step)}: ${words.does}` : ''}
		</p>
	{/snippet}
	{#snippet foot()}
		{#if step && words}
			{#if asked}
				{#key asked}
					<AskValue
						{asked}
						{units}
						{fault}
						meterUnit={mark ? unitsOfMeter(mark.meter.unitL) : ''}
						onvalue={(value) => asked && void answer(step, asked.answer(value))}
						oncancel={() => ([asked, fault] = [undefined, undefined])}
					/>
				{/key}
			{:else}
				{@const other = otherChoice(step, rig, mark)}
				{#if fault}<p class="mind" role="alert">{fault}</p>{/if}
				<button
					class="primary big"
					bind:this={big}
					disabled={busy}
					onclick={() => choose(step, doneChoice(step, mark, heard))}
					>{heard === undefined || step.kind !== 'fill-to' || step.of.toFull
						? words.done
						: `Done, it shows ${heard.toFixed(1)}`}</button
				>
				{#if words.other && other}
					<button class="big" disabled={busy} onclick={() => choose(step, other)}>{words.other}</button>
				{/if}
				<p class="more">
					{#if previous && run.answers[previous.key]}<button class="quiet" onclick={() => back(previous)}
							>Back a step</button
						>{/if}
					{#each moreChoices(step, mark, heard) as more (more.label)}<button
							class="quiet"
							disabled={busy}
							onclick={() => choose(step, more.choice)}>{more.label}</button
						>{/each}
					<ShareRun {run} title={sayRun(run.setup, rig, place)} />
					<button class="quiet" onclick={() => void end()}
						>{run.setup.kind === 'tote' ? 'Stop here' : 'End this run'}</button
					>
				</p>
			{/if}
		{:else}
			<a class="as-button primary big" href="/">To Now</a>
			{#if run.ended}
				<button
					class="quiet"
					onclick={() =>
						void book.change(run.id, (newest) => {
							const { ended: _ended, ...open } = newest ?? run;
							return open;
						})}>Continue it</button
				>
			{/if}
		{/if}
	{/snippet}
</RunFrame>

<style>
	h2 {
		font-size: var(--step-2);
	}
	.more {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0 var(--gap-2);
	}
</style>
