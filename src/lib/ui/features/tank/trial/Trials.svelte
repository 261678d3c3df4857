<script lang="ts">
	import { zonedTime } from '$core/time';
	import { instantMs, type Rig, type Tank, type Trial } from '$core/logbook';
	import { summarise, summariseBuckets, trialKindOf } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { dayText } from '$core/words';
	import DataTable from '../../../kit/page/DataTable.svelte';
	import { TRIAL_WORDS } from './trialSteps';

	interface Props {
		rig: Rig;
		tank: Tank;
		/** newest first */
		trials: readonly Trial[];
		units: UnitChoice;
		timeZone: string;
		onswitch: (trial: Trial) => void;
		onremove: (trial: Trial) => void;
	}
	/** The trials of a tank, each with its switch. */
	const { rig, tank, trials, units, timeZone, onswitch, onremove }: Props = $props();

	const apart = $derived(
		new Set([
			...(summarise(trials, trialKindOf(tank))?.outliers ?? []),
			...rig.instruments.flatMap((one) =>
				one.kind === 'meter' && one.tank === tank.id ? (summariseBuckets(trials, one)?.outliers ?? []) : []
			)
		])
	);
	const nameOf = (id: string): string => rig.instruments.find((one) => one.id === id)?.name ?? '';
	function found(trial: Trial): string {
		if (trial.litres !== undefined) return formatLitres(trial.litres, units);
		const readings = trial.readings ?? [];
		if (trial.kind === 'bucket') return `${readings.length} ${readings.length === 1 ? 'bucket' : 'buckets'}`;
		return `${readings.length} steps to ${formatLitres(Math.max(0, ...readings.map(({ litres }) => litres)), units)}`;
	}
</script>

<DataTable
	columns={[
		{ name: 'Counts' },
		{ name: 'Trial' },
		{ name: 'Found', number: true },
		{ name: 'Remove', quiet: true }
	]}
>
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
				>{#if apart.has(trial.id)}<span class="mind far">far from the others</span>{/if}{#if trial.note}<span
						class="soft note">{trial.note}</span
					>{/if}</th
			>
			<td class="number">{found(trial)}</td>
			<td
				><button
					class="quiet small"
					onclick={() => onremove(trial)}
					aria-label="Remove {TRIAL_WORDS[trial.kind]} {found(trial)}">Remove</button
				></td
			>
		</tr>
	{/each}
</DataTable>

<style>
	.off {
		color: var(--soft-ink);
	}
	.far,
	.note {
		display: block;
		font-weight: 400;
		font-size: var(--step--1);
	}
</style>
