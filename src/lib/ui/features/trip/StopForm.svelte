<script lang="ts">
	import { HOUR_MS, zonedIso } from '$core/time';
	import { instantMs, isWeatherByDay, type Point, type Service, type Stop, type Trip } from '$core/logbook';
	import { atPoint } from '$core/places';
	import { withItem } from '$core/rig';
	import { sayWeatherByDay } from '$core/words';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import { Correction } from '../../../state/correction.svelte';
	import { HOOKUPS } from '$core/plan';
	import { fieldValueAt, withValue, type Draft, type Field } from '../../kit/fields/fields';
	import FieldsForm from '../../kit/fields/FieldsForm.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';
	import ServicesField from '../../parts/places/ServicesField.svelte';
	import StopPlace from './StopPlace.svelte';

	interface Props {
		app: App;
		trip: Trip;
		stop: Stop | undefined;
		/** a new stop follows this one; the last when absent */
		after?: Stop | undefined;
		/** a new stop is at this point */
		at?: Point | undefined;
		onclose: () => void;
	}
	const { app, trip, stop, after, at, onclose }: Props = $props();
	const units = $derived(app.prefs.current.units);

	const boat = $derived(app.records.rigs.find(({ id }) => id === trip.rig)?.kind === 'boat');
	const OF_BOATS: readonly Field[] = [
		{ key: 'noDischarge', label: 'Nothing may go overboard here', type: 'check', more: true },
		{
			key: 'heel.rollDeg',
			label: 'Heel, starboard down',
			type: 'number',
			suffix: '°',
			optional: true,
			more: true,
			hint: 'Use a minus for port down. For a passage under sail.'
		},
		{ key: 'heel.pitchDeg', label: 'Trim, bow up', type: 'number', suffix: '°', optional: true, more: true }
	];
	const FIELDS: readonly Field[] = [
		{ key: 'name', label: 'Name', type: 'text' },
		{ key: 'arrive', label: 'Arrive', type: 'moment' },
		{ key: 'depart', label: 'Leave', type: 'moment', more: true },
		{ key: 'legKm', label: 'Distance to get there', type: 'number', of: 'distance', more: true },
		{ key: 'persons', label: 'People from here on', type: 'number', optional: true, more: true },
		{
			key: 'weather.maxC',
			label: 'Warmest by day',
			type: 'number',
			of: 'temperature',
			optional: true,
			more: true,
			hint: 'Habits that rise with heat use it.'
		},
		{
			key: 'weather.minC',
			label: 'Coldest at night',
			type: 'number',
			of: 'temperature',
			optional: true,
			more: true
		},
		{
			key: 'exertion',
			label: 'The days are',
			type: 'meaning',
			more: true,
			usual: 1,
			options: [
				{ value: 0.7, label: 'easy' },
				{ value: 1, label: 'as usual' },
				{ value: 1.5, label: 'hard work' },
				{ value: 2, label: 'very hard work' }
			],
			other: { label: 'Of usual days', percent: true }
		}
	];
	/** A new stop follows the last one for a night, or another one for an hour. */
	const fresh = (): Draft => {
		const last = after ? [after] : trip.stops;
		const fromMs =
			Math.max(app.nowMs, ...last.map(({ depart }) => instantMs(depart))) + (after ? HOUR_MS / 2 : HOUR_MS);
		return {
			id: uuid(),
			name: '',
			arrive: zonedIso(fromMs, trip.timeZone),
			depart: zonedIso(fromMs + (after ? 1 : 24) * HOUR_MS, trip.timeZone),
			legKm: 0,
			services: []
		};
	};
	// The form works on the trip as it was when it was opened.
	// svelte-ignore state_referenced_locally
	const base = trip;
	// svelte-ignore state_referenced_locally
	const correction = new Correction(app, 'trip', base);
	// svelte-ignore state_referenced_locally
	let draft = $state.raw<Draft>(stop ?? (at ? atPoint(fresh() as unknown as Stop, at) : fresh()));
	// svelte-ignore state_referenced_locally
	let services = $state.raw<readonly Service[]>(stop?.services ?? at?.services ?? []);
	let placeFits = $state(true);
	/** the days are to be typed over by one figure each */
	let ownFigures = $state(false);

	/** Figures of the whole stay are asked for where its days are not known one by one. */
	const byDay = $derived(isWeatherByDay(draft.weather as Stop['weather']));
	/** A hook-up that the stop has counts only where one chooses it. */
	const fields = $derived<readonly Field[]>([
		...FIELDS.filter(({ key }) => !(byDay && key.startsWith('weather.'))),
		...HOOKUPS.filter(
			(kind) =>
				services.some((service) => service.kind === kind) || fieldValueAt(draft, `hookup.${kind}`) === true
		).map((kind): Field => ({
			key: `hookup.${kind}`,
			label: kind === 'mains' ? 'Hook up to mains water here' : 'Hook up to the sewer here',
			type: 'check'
		})),
		{ key: 'ashore', label: 'There are showers ashore', type: 'check', more: true },
		...(boat ? OF_BOATS : [])
	]);

	const ordered = (stops: readonly Stop[]): Trip => ({
		...base,
		stops: [...stops].sort((a, b) => instantMs(a.arrive) - instantMs(b.arrive))
	});
	const problems = $derived.by(() => {
		const index = ordered(withItem(base.stops, draft as unknown as Stop)).stops.findIndex(
			({ id }) => id === draft.id
		);
		return correction.problems.map((problem) => ({
			...problem,
			path: problem.path.replace(`$.stops[${index}]`, '$')
		}));
	});

	async function put(stops: readonly Stop[], label: string): Promise<void> {
		if (await correction.save(ordered(stops), label)) onclose();
	}
	/** Who says what the weather is: what was typed over is nobody's forecast; half a heel is a whole one. */
	function sourced(next: Draft): Draft {
		const { weatherFrom, heel, ...rest } = next as unknown as Stop;
		const before = stop?.weather;
		const typed =
			rest.weather !== undefined &&
			!isWeatherByDay(rest.weather) &&
			JSON.stringify(rest.weather) !== JSON.stringify(before);
		const from = rest.weather === undefined ? undefined : typed ? ('typed' as const) : weatherFrom;
		return {
			...rest,
			...(from ? { weatherFrom: from } : {}),
			...(heel ? { heel: { rollDeg: heel.rollDeg ?? 0, pitchDeg: heel.pitchDeg ?? 0 } } : {})
		} as unknown as Draft;
	}
	const save = async (next: Draft): Promise<void> =>
		placeFits
			? put(
					withItem(base.stops, { ...sourced(next), services } as unknown as Stop),
					stop ? 'Stop changed' : 'Stop added'
				)
			: undefined;
	const remove = (): Promise<void> =>
		put(
			base.stops.filter(({ id }) => id !== draft.id),
			'Stop removed'
		);
</script>

<Sheet title={stop ? `Change ${stop.name}` : 'Add a stop'} {onclose}>
	<FieldsForm
		{fields}
		bind:draft
		{units}
		timeZone={trip.timeZone}
		{problems}
		conflicts={correction.conflicts}
		onsubmit={(next) => void save(next)}
		oncancel={onclose}
		moreOpen={ownFigures}
	>
		{#snippet extra()}
			<StopPlace
				{app}
				stop={{ ...draft, services } as unknown as Stop}
				timeZone={trip.timeZone}
				isNew={!stop}
				bind:fits={placeFits}
				onchange={({ services: there, ...next }) => ([draft, services] = [next, there])}
			/>
			{#if byDay}
				<p class="soft">
					{sayWeatherByDay(draft as unknown as Stop, units)}
					<button
						type="button"
						class="small"
						onclick={() => {
							draft = withValue(withValue(draft, 'weather', undefined), 'weatherFrom', undefined);
							ownFigures = true;
						}}>Enter my own figures</button
					>
				</p>
			{/if}
			<ServicesField
				{services}
				{units}
				reads={(open) => app.engine.ask('trip/readsHours', open)}
				onchange={(next) => (services = next)}
			/>
		{/snippet}
	</FieldsForm>
	{#if stop}<p><button onclick={() => void remove()}>Remove this stop</button></p>{/if}
</Sheet>
