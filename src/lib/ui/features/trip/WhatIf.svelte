<script lang="ts">
	import { zonedTime } from '$core/time';
	import { instantMs, type Rig, type School, type Stop, type Trip } from '$core/logbook';
	import { ALL_SCHOOLS, canBeShorter, hookupsListed, type Summary, type TripChange } from '$core/plan';
	import { formatDuration, formatMoney } from '$core/units';
	import {
		capital,
		CERTAINTIES,
		dayText,
		LEGS_UNCHANGED,
		listed,
		saySchool,
		sayServiceAt
	} from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import DataTable from '../../kit/page/DataTable.svelte';
	import { changeWords, keepChange } from './tripActs';

	interface Props {
		app: App;
		rig: Rig;
		trip: Trip;
		/** a change to begin with; the person may choose another one */
		given: TripChange | undefined;
		onclose: () => void;
	}
	/** A trip beside what a change makes of it. Nothing is stored until it is kept. */
	const { app, rig, trip, given, onclose }: Props = $props();

	// What is asked at first is what was given when it was opened.
	// svelte-ignore state_referenced_locally
	let change = $state.raw<TripChange | undefined>(given);
	let kind = $state<string>('');
	let which = $state<string>('');

	const ahead = $derived(trip.stops.filter(({ depart }) => instantMs(depart) > app.nowMs));
	const choice = (stops: readonly Stop[]) => stops.map(({ id, name }) => ({ value: id, label: name }));
	const measures = $derived(
		rig.measures.filter(({ id, retired }) => !retired && !app.engine.assessment?.measures.includes(id))
	);
	interface Kind {
		readonly value: string;
		readonly label: string;
		readonly options: readonly { readonly value: string; readonly label: string }[];
		readonly make: (which: string) => TripChange;
	}
	const kinds = $derived<readonly Kind[]>(
		[
			{
				value: 'skip',
				label: 'skip a stop',
				options: choice(ahead.filter(({ arrive }) => instantMs(arrive) > app.nowMs)),
				make: (stop: string) => ({ kind: 'skip', stop }) as const
			},
			{
				value: 'more',
				label: 'one more night',
				options: choice(ahead),
				make: (stop: string) => ({ kind: 'nights', stop, by: 1 }) as const
			},
			{
				value: 'less',
				label: 'one night fewer',
				options: choice(ahead.filter((stop) => canBeShorter(stop, trip.timeZone))),
				make: (stop: string) => ({ kind: 'nights', stop, by: -1 }) as const
			},
			{
				value: 'hookup',
				label: 'hook up at a stop',
				options: choice(ahead.filter((stop) => !stop.hookup && hookupsListed(stop).length > 0)),
				make: (stop: string) =>
					({
						kind: 'hookup',
						stop,
						hookup: Object.fromEntries(
							ahead
								.filter(({ id }) => id === stop)
								.flatMap((one) => hookupsListed(one).map((kind) => [kind, true]))
						)
					}) as const
			},
			{
				value: 'persons',
				label: 'more or fewer people',
				options: [
					{ value: '1', label: 'one more' },
					{ value: '2', label: 'two more' },
					{ value: '3', label: 'three more' },
					{ value: '-1', label: 'one fewer' }
				],
				make: (by: string) => ({ kind: 'persons', by: Number(by) }) as const
			},
			{
				value: 'measures',
				label: 'a way to save',
				options: measures.map(({ id, name }) => ({ value: id, label: name })),
				make: (measure: string) => ({ kind: 'measures', on: [measure] }) as const
			},
			{
				value: 'certainty',
				label: 'how sure to be',
				options: CERTAINTIES.map(({ value, label }) => ({ value: String(value), label })),
				make: (certainty: string) => ({ kind: 'certainty', certainty: Number(certainty) }) as const
			},
			{
				value: 'school',
				label: 'another plan style',
				options: ALL_SCHOOLS.map((school) => ({ value: school ?? '', label: saySchool(school).name })),
				make: (school: string) =>
					({ kind: 'school', school: (school || undefined) as School | undefined }) as const
			}
		].filter(({ options }) => options.length > 0)
	);
	const asked = $derived(kinds.find(({ value }) => value === kind));

	function choose(next: string): void {
		[kind, which] = [next, ''];
		change = undefined;
	}
	function pick(value: string): void {
		which = value;
		change = asked?.make(value);
	}

	const compared = latest(() => {
		void app.engine.written;
		return change && app.engine.ask('trip/tryChange', trip.id, change);
	});
	const found = $derived(change && compared.value);
	const nextTrip = $derived(found && trip);
	const services = (list: readonly Parameters<typeof sayServiceAt>[0][]): string =>
		listed(list.map((one) => sayServiceAt(one, nextTrip ?? trip, app.nowMs)));
	const rows: readonly { readonly name: string; readonly of: (one: Summary) => string }[] = [
		{ name: 'Chance it works', of: ({ plan }) => `${Math.round(100 * plan.chance)}%` },
		{ name: 'It works', of: ({ plan }) => (plan.feasible ? 'yes' : 'no') },
		{ name: 'Costs', of: ({ plan }) => formatMoney(plan.cost) },
		{
			name: 'Stops, minutes, fees',
			of: ({ plan: { effort } }) =>
				`${effort.stops}, ${Math.round(effort.minutes)} min, ${formatMoney(effort.fees)}`
		},
		{ name: 'Lasts without a stop', of: ({ days }) => formatDuration(days) },
		{ name: 'Ends', of: ({ endMs }) => dayText(zonedTime(endMs, trip.timeZone).day) }
	];

	async function keep(): Promise<void> {
		if (change && (await keepChange(app, trip, change))) onclose();
	}
</script>

<div class="what-if">
	<div class="asks">
		<SelectField
			label="What if"
			value={kind}
			options={[{ value: '', label: given ? 'as suggested' : 'choose' }, ...kinds]}
			onchange={choose}
		/>
		{#if asked}
			<SelectField
				label="Which"
				value={which}
				options={[{ value: '', label: 'choose' }, ...asked.options]}
				onchange={pick}
			/>
		{/if}
	</div>
	{#if change && found}
		<p class="head"><strong>{changeWords(app, trip, change)}</strong></p>
		<DataTable columns={[{ name: '' }, { name: 'As planned', number: true }, { name: 'Then', number: true }]}>
			{#each rows as { name, of } (name)}
				{@const [before, after] = [of(found.before), of(found.after)]}
				<tr>
					<th scope="row">{name}</th>
					<td class="number soft">{before}</td>
					<td class="number" class:other={before !== after}>{after}</td>
				</tr>
			{/each}
		</DataTable>
		<p>
			{#if found.added.length === 0 && found.dropped.length === 0}You would fill and dump in the same places.
			{:else}
				{#if found.added.length > 0}{capital(services(found.added))}
					{found.added.length > 1 ? 'are' : 'is'} needed too.{/if}
				{#if found.dropped.length > 0}{capital(services(found.dropped))}
					{found.dropped.length > 1 ? 'are' : 'is'} no longer needed.{/if}
			{/if}
		</p>
		{#if change.kind === 'order' || change.kind === 'skip'}
			<p class="soft small">{LEGS_UNCHANGED}</p>
		{/if}
		<p class="buttons">
			<button class="primary" onclick={() => void keep()}>Save it</button>
			<button onclick={onclose}>Cancel</button>
		</p>
	{:else}
		<p class="soft" aria-live="polite">
			{compared.trouble ??
				(change ? 'Planning both…' : 'Choose what to try: nothing is stored until you save it.')}
		</p>
		<p class="buttons"><button onclick={onclose}>Close</button></p>
	{/if}
</div>

<style>
	.what-if {
		display: grid;
		gap: var(--gap-2);
		width: 100%;
		max-width: 44rem;
		border: 1px solid var(--line);
		border-radius: var(--corner);
		padding: var(--gap-3);
	}
	.asks {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
		gap: 0 var(--gap-3);
		width: 100%;
	}
	.other {
		font-weight: 650;
	}
</style>
