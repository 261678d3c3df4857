<script lang="ts">
	import { notRetired, type Stop } from '$core/logbook';
	import { atPoint, hasStrayed, parsePlace, placeText, pointFrom } from '$core/places';
	import { capital, hasFrost, sayWeatherFrom } from '$core/words';
	import { errorMessage } from '$lib/errorMessage';
	import { ofStay, simulatedWeatherService } from '$lib/standins/weatherService';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import TextField from '../../kit/fields/TextField.svelte';
	import { daysOf } from './weatherAhead';

	interface Props {
		app: App;
		stop: Stop;
		timeZone: string;
		isNew: boolean;
		/** what is typed as its place is one, or nothing */
		fits: boolean;
		onchange: (stop: Stop) => void;
	}
	/** Where a stop is: at a known point, whose services are copied into it, or by coordinates; and the weather there. */
	let { app, stop, timeZone, isNew, fits = $bindable(), onchange }: Props = $props();

	const points = $derived([...notRetired(app.records.points)].sort((a, b) => a.name.localeCompare(b.name)));
	const point = $derived(points.find(({ id }) => id === stop.point));
	// svelte-ignore state_referenced_locally
	let where = $state(stop.position ? placeText(stop.position) : '');
	let trouble = $state<string>();
	const wrong = $derived(where.trim() !== '' && parsePlace(where) === undefined);
	$effect(() => void (fits = !wrong));

	function choosePoint(id: string): void {
		const found = points.find((one) => one.id === id);
		const { point: _point, ...free } = stop;
		const next = found ? atPoint(stop, found) : free;
		onchange(next);
		if (next.position) where = placeText(next.position);
	}
	function typePlace(text: string): void {
		const position = parsePlace(text);
		const { position: _position, ...free } = stop;
		onchange(position ? { ...stop, position: [...position] } : free);
	}
	async function keepAsPoint(): Promise<void> {
		const made = pointFrom(stop, uuid());
		if (made && (await app.commands.put([{ kind: 'point', value: made }], `${made.name} saved as a point`)))
			onchange({ ...stop, point: made.id });
	}
	const from = $derived(sayWeatherFrom(stop));
	async function askWeather(): Promise<void> {
		if (!stop.position) return;
		trouble = undefined;
		try {
			const days = await simulatedWeatherService.days(stop.position, ...daysOf(stop, timeZone));
			onchange({ ...stop, ...ofStay(days) });
		} catch (error) {
			trouble = errorMessage(error);
		}
	}
</script>

<div class="fields">
	<SelectField
		label="At a known point"
		value={stop.point ?? ''}
		options={[{ value: '', label: '—' }, ...points.map(({ id, name }) => ({ value: id, label: name }))]}
		onchange={choosePoint}
	/>
	<TextField
		label="Where: latitude, longitude"
		bind:value={where}
		error={wrong ? 'a latitude of -90 … 90 and a longitude of -180 … 180' : undefined}
		onchange={typePlace}
	/>
</div>
<p class="buttons">
	{#if point && hasStrayed(stop, point)}
		<button type="button" class="small" onclick={() => onchange(atPoint(stop, point))}
			>Refresh from {point.name}</button
		>
	{/if}
	{#if !point && stop.position && !isNew}
		<button type="button" class="small" onclick={() => void keepAsPoint()}>Save as a point</button>
	{/if}
	{#if stop.position}
		<button type="button" class="small" onclick={() => void askWeather()}
			>{capital(simulatedWeatherService.name)}</button
		>
	{/if}
</p>
{#if trouble}<p class="mind small" role="alert">{trouble}</p>{/if}
{#if hasFrost(stop)}
	<p class="mind small">
		Frost at night{from ? ` (${from})` : ''}: see <a href="/rig/care#frost">what to do about it</a>.
	</p>
{/if}
