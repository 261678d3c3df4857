<script lang="ts">
	import { forItsEffort, type MeasureWorth } from '$core/forecast';
	import type { Measure, Rig } from '$core/logbook';
	import { ideaOf } from '$core/rig';
	import { formatHours, type UnitChoice } from '$core/units';
	import { sayEffect, saySides } from '$core/words';
	import DataTable from '../../kit/page/DataTable.svelte';
	import Bother from './Bother.svelte';

	interface Props {
		rig: Rig;
		worth: readonly MeasureWorth[];
		units: UnitChoice;
		/** since when a measure is on: `Tuesday` */
		since: (measure: string) => string | undefined;
		onswitch: (measure: Measure, on: boolean) => void;
		onchange: (measure: string) => void;
		/** those that are not for me */
		without: readonly string[];
		onwithout: (measure: string, without: boolean) => void;
	}
	/** The measures of a rig, by what they give for their bother: what each is worth alone and on top of what is on. */
	const { rig, worth, units, since, onswitch, onchange, without, onwithout }: Props = $props();
	let open = $state<string>();
	const rows = $derived(
		worth
			.flatMap((one) => {
				const measure = rig.measures.find(({ id }) => id === one.id);
				return measure ? [{ ...one, measure, idea: ideaOf(measure) }] : [];
			})
			.sort((a, b) => forItsEffort(b.given, b.measure) - forItsEffort(a.given, a.measure))
	);
	const signed = (hours: number): string =>
		Math.abs(hours) < 0.25 ? 'none' : `${hours > 0 ? '+' : '−'} ${formatHours(Math.abs(hours))}`;
</script>

<DataTable
	columns={[
		{ name: 'Way to save' },
		{ name: 'Alone', number: true, wide: true },
		{ name: 'Now', number: true },
		{ name: 'Effort' }
	]}
>
	{#each rows as { id, on, alone, given, tanks, measure, idea } (id)}
		<tr>
			<th scope="row">
				<span class="name">
					<input
						type="checkbox"
						checked={on}
						aria-label="{measure.name}: {on ? 'on' : 'off'}"
						onchange={() => onswitch(measure, !on)}
					/>
					<span
						><button
							class="why"
							aria-expanded={open === id}
							onclick={() => (open = open === id ? undefined : id)}>{measure.name}</button
						>{#if on && since(id)}&nbsp;<span class="soft since">since {since(id)}</span
							>{/if}{#if without.includes(id)}&nbsp;<span class="soft since">not for me</span>{/if}</span
					>
				</span>
			</th>
			<td class="number wide">{signed(alone)}</td>
			<td class="number given">{on && given >= 0.25 ? `gives ${formatHours(given)}` : signed(given)}</td>
			<td><Bother effort={measure.effort} /></td>
		</tr>
		{#if open === id}
			<tr class="more">
				<td colspan="4">
					<p>{sayEffect(rig, measure, units)}. {saySides(rig, tanks, units)}.{idea ? ` ${idea.says}` : ''}</p>
					{#if idea?.caution}<p class="mind">{idea.caution}</p>{/if}
					<p class="narrow soft">Alone: {signed(alone)}.</p>
					<p class="buttons">
						<button class="small" onclick={() => onchange(id)}>Change {measure.name}</button>
						<label class="check"
							><input
								type="checkbox"
								checked={without.includes(id)}
								onchange={(event) => onwithout(id, event.currentTarget.checked)}
							/> Not for me</label
						>
					</p>
				</td>
			</tr>
		{/if}
	{/each}
</DataTable>

<style>
	.name {
		display: flex;
		gap: var(--gap-2);
		align-items: center;
	}
	.name > input {
		flex: none;
		width: 1.35rem;
		height: 1.35rem;
	}
	th button {
		font-weight: 650;
		text-align: left;
	}
	.since {
		font-weight: 400;
	}
	.given {
		font-weight: 650;
	}
	.more td {
		border-top: 0;
		padding-top: 0;
	}
	.more p {
		max-width: 34rem;
		padding-bottom: var(--gap-2);
	}
	@media (pointer: coarse) {
		.name > input {
			width: 1.6rem;
			height: 1.6rem;
			margin: 0.6rem 0.3rem 0.6rem 0;
		}
	}
</style>
