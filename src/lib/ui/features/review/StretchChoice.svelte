<script lang="ts">
	import type { Trip } from '$core/logbook';
	import { sayPart } from '$core/words';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import { begunTrips, months, type ChosenStretch } from './stretches';

	interface Props {
		choice: ChosenStretch;
		trips: readonly Trip[];
		rig: string;
		nowMs: number;
		timeZone: string;
		today: string;
		onchoose: (choice: ChosenStretch) => void;
	}
	/** What is looked back on: a trip, a month, or any days. */
	const { choice, trips, rig, nowMs, timeZone, today, onchoose }: Props = $props();

	const begun = $derived(begunTrips(trips, rig, nowMs));
	const value = $derived(
		choice.kind === 'trip'
			? `trip ${choice.trip}`
			: choice.kind === 'month'
				? `month ${choice.month}`
				: 'days'
	);
	const monthsShown = $derived.by(() => {
		const list = months(nowMs, timeZone);
		return choice.kind === 'month' && !list.includes(choice.month) ? [...list, choice.month] : list;
	});
	const options = $derived([
		...begun.map(({ id, name }) => ({ value: `trip ${id}`, label: name })),
		...monthsShown.map((month) => ({ value: `month ${month}`, label: sayPart(`${month}-01`, 'months') })),
		{ value: 'days', label: 'any days' }
	]);
	const days = $derived(choice.kind === 'days' ? choice : { from: today, to: today });

	function choose(chosen: string): void {
		const [kind, ...rest] = chosen.split(' ');
		const id = rest.join(' ');
		if (kind === 'trip') onchoose({ kind: 'trip', trip: id });
		else if (kind === 'month') onchoose({ kind: 'month', month: id });
		else onchoose({ kind: 'days', from: days.from, to: days.to });
	}
	const put = (key: 'from' | 'to', day: string): void => {
		if (day !== '') onchoose({ kind: 'days', from: days.from, to: days.to, [key]: day });
	};
</script>

<div class="choice">
	<SelectField label="Look back on" {value} {options} onchange={choose} />
	{#if choice.kind === 'days'}
		<label
			>From <input
				type="date"
				value={choice.from}
				onchange={(event) => put('from', event.currentTarget.value)}
			/></label
		>
		<label
			>to <input
				type="date"
				value={choice.to}
				onchange={(event) => put('to', event.currentTarget.value)}
			/></label
		>
	{/if}
</div>

<style>
	.choice {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: start;
	}
	label {
		display: grid;
	}
	@media print {
		.choice {
			display: none;
		}
	}
</style>
