<script lang="ts">
	import { instantMs, type Rig, type Tank, type Trial } from '$core/logbook';
	import { learnCurve, withCurve, withItem, withScale, withTank, withTrials } from '$core/rig';
	import type { UnitChoice } from '$core/units';
	import Section from '../../../kit/page/Section.svelte';
	import Sheet from '../../../kit/page/Sheet.svelte';
	import TrialFindings from './TrialFindings.svelte';
	import TrialRun from './TrialRun.svelte';
	import Trials from './Trials.svelte';
	import { TRIAL_SAYS, TRIAL_WORDS, trialsFor, type TrialKind } from './trialSteps';

	interface Props {
		rig: Rig;
		tank: Tank;
		units: UnitChoice;
		timeZone: string;
		/** changes the rig, with what the change is called */
		put: (change: (rig: Rig) => Rig, label: string) => void;
	}
	/** What a tank really holds: the trials made, what they found, and the way to another. */
	const { rig, tank, units, timeZone, put }: Props = $props();

	let trying = $state<TrialKind>();
	const trials = $derived([...(tank.trials ?? [])].sort((a, b) => instantMs(b.at) - instantMs(a.at)));

	const use = (part: Partial<Tank>, what: string): void => {
		const { id, name } = tank;
		put((now) => withTank(now, id, part), `${name}: ${what}`);
	};
	const change = (next: (list: readonly Trial[]) => readonly Trial[], what: string): void => {
		const { id, name } = tank;
		put((now) => withTrials(now, id, next), `${name}: ${what}`);
	};
	function keep(trial: Trial, deadL: number | undefined): void {
		const { id, name } = tank;
		// what was found is kept with the trial or not at all, and one undo takes back both
		put(
			(now) =>
				withTank(
					withTrials(now, id, (list) => [...list, trial]),
					id,
					deadL === undefined ? {} : { deadL }
				),
			`${name}: ${TRIAL_WORDS[trial.kind].toLowerCase()} saved`
		);
		trying = undefined;
	}
	function useCurve(trial: Trial): void {
		const gauge = rig.instruments.find(({ id }) => id === trial.instrument);
		if (gauge?.kind !== 'gauge') return;
		const { steps } = learnCurve(trial.readings ?? [], gauge);
		put((now) => withCurve(now, gauge.id, steps), `${gauge.name}: calibration from the step-by-step trial`);
	}
	const useScale = (id: string, scale: number, sdFraction: number | undefined): void =>
		put(
			(now) => withScale(now, id, { scale, sdFraction }),
			`${rig.instruments.find((one) => one.id === id)?.name ?? ''}: scale from buckets`
		);
</script>

<Section title="Usable volume">
	<TrialFindings {rig} {tank} {trials} {units} onuse={use} oncurve={useCurve} onscale={useScale} />
	{#if trials.length > 0}
		<Trials
			{rig}
			{tank}
			{trials}
			{units}
			{timeZone}
			onswitch={(trial) =>
				change(
					(list) => withItem(list, { ...trial, used: !trial.used }),
					trial.used ? 'a trial switched off' : 'a trial switched on'
				)}
			onremove={({ id }) => change((list) => list.filter((one) => one.id !== id), 'a trial removed')}
		/>
	{/if}
	<ul>
		{#each trialsFor(tank) as kind (kind)}
			<li>
				<button onclick={() => (trying = kind)}>{TRIAL_WORDS[kind]}</button>
				<span class="soft">{TRIAL_SAYS[kind]}</span>
			</li>
		{/each}
	</ul>
</Section>
{#if trying}
	<Sheet title="{TRIAL_WORDS[trying]}: {tank.name}" onclose={() => (trying = undefined)}>
		<TrialRun
			{rig}
			{tank}
			kind={trying}
			{units}
			{timeZone}
			ondone={keep}
			oncancel={() => (trying = undefined)}
		/>
	</Sheet>
{/if}

<style>
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
