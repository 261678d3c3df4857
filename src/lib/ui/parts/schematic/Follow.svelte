<script lang="ts">
	import type { Entry, Rig } from '$core/logbook';
	import { plumbingOf, traceOf, traceOfEntry } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { describeEntry, type DescribeContext } from '$core/words';
	import type { Assessment } from '$core/now';
	import Section from '../../kit/page/Section.svelte';
	import Schematic from './Schematic.svelte';

	interface Props {
		rig: Rig;
		now: Assessment | undefined;
		/** the habit or the entry that is followed through the pipes; nothing of that id is followed by nobody */
		followed: string;
		entry: Entry | undefined;
		context: DescribeContext;
		units: UnitChoice;
		onfollow: (id: string) => void;
		onnode: (id: string) => void;
		/** it has its place on the page: what stands under it may come */
		placed?: boolean;
	}
	/** Where the water goes, and the way of one habit or one entry through it. */
	let {
		rig,
		now,
		followed,
		entry,
		context,
		units,
		onfollow,
		onnode,
		placed = $bindable(false)
	}: Props = $props();

	const litres = (value: number): string => formatLitres(value, units);
	const levels = $derived(
		new Map(
			now?.levels.tanks.map(({ id, litres: l, usableL }) => [
				id,
				{ share: Math.min(1, l / usableL), text: `${litres(l)} of ${litres(usableL)}` }
			])
		)
	);
	const traced = $derived.by(() => {
		const habit = rig.habits.find(({ id }) => id === followed);
		const on = now?.measures ?? [];
		return habit ? traceOf(rig, habit, on) : entry ? traceOfEntry(rig, entry, on) : undefined;
	});
</script>

<Section title="Where the water goes">
	{#snippet beside()}
		<label class="check soft">
			Follow
			<select
				aria-label="Follow through the rig"
				value={traced ? followed : ''}
				onchange={(event) => onfollow(event.currentTarget.value)}
			>
				<option value="">nothing</option>
				{#each rig.habits as habit (habit.id)}<option value={habit.id}>{habit.name}</option>{/each}
				{#if entry}<option value={entry.id}>{describeEntry(entry, context)}</option>{/if}
			</select>
		</label>
	{/snippet}
	<Schematic plumbing={plumbingOf(rig)} {levels} {traced} {onnode} onplaced={() => (placed = true)} />
	{#if placed}
		<p class="soft">
			Solid: pipes. Dashed: carried by hand. Open a tank to see its usable volume, an outlet to change it.
		</p>
	{/if}
</Section>

<style>
	select {
		max-width: 14rem;
		color: var(--ink);
	}
</style>
