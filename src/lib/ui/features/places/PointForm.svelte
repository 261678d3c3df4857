<script lang="ts">
	import { notRetired, type Point, type Service } from '$core/logbook';
	import { kmBetween, parsePlace, placeText, twinOf, type LatLon } from '$core/places';
	import { sayApart, SOURCE_SAYS } from '$core/words';
	import type { App } from '$lib/state';
	import { Correction } from '../../../state/correction.svelte';
	import type { Draft, Field } from '../../kit/fields/fields';
	import FieldsForm from '../../kit/fields/FieldsForm.svelte';
	import TextField from '../../kit/fields/TextField.svelte';
	import Notice from '../../kit/page/Notice.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';
	import ServicesField from '../../parts/places/ServicesField.svelte';

	interface Props {
		app: App;
		/** as it is to be changed, or as it would be if it were added */
		point: Point | (Omit<Point, 'position'> & { readonly position?: LatLon | undefined });
		isNew: boolean;
		onclose: (kept?: Point) => void;
	}
	const { app, point, isNew, onclose }: Props = $props();
	const units = $derived(app.prefs.current.units);

	const FIELDS: readonly Field[] = [
		{ key: 'name', label: 'Name', type: 'text' },
		{
			key: 'access',
			label: 'Access',
			type: 'text',
			optional: true,
			more: true,
			hint: 'Gate, code, who may use it.'
		},
		{ key: 'hours', label: 'Hours', type: 'text', optional: true, more: true },
		{ key: 'season', label: 'Season', type: 'text', optional: true, more: true },
		{
			key: 'source',
			label: 'Source of the water',
			type: 'text',
			optional: true,
			more: true,
			hint: SOURCE_SAYS
		},
		{ key: 'noDischarge', label: 'Nothing may go overboard here', type: 'check', more: true },
		{ key: 'verified', label: 'Last checked on', type: 'day', optional: true, more: true },
		{ key: 'note', label: 'Note', type: 'text', optional: true, more: true }
	];
	// The form works on the point as it was when it was opened.
	// svelte-ignore state_referenced_locally
	const correction = new Correction(app, 'point', isNew ? undefined : (point as Point));
	// svelte-ignore state_referenced_locally
	let draft = $state.raw<Draft>(point);
	// svelte-ignore state_referenced_locally
	let services = $state.raw<readonly Service[]>(point.services);
	// svelte-ignore state_referenced_locally
	let where = $state(point.position ? placeText(point.position) : '');
	let asked = $state(false);

	const position = $derived(parsePlace(where));
	const name = $derived(typeof draft.name === 'string' ? draft.name : '');
	const twin = $derived(position && twinOf({ id: point.id, name, position }, notRetired(app.records.points)));

	async function save(next: Draft): Promise<void> {
		asked = true;
		if (!position) return;
		const value = { ...next, position: [...position], services } as unknown as Point;
		if (await correction.save(value, isNew ? `${value.name} added` : `${value.name} changed`)) onclose(value);
	}
	async function putAway(): Promise<void> {
		await app.commands.change(
			'point',
			point.id,
			(newest) => ({ ...newest, retired: true }),
			`${point.name} removed`
		);
		onclose();
	}
</script>

<Sheet title={isNew ? 'Add a point' : `Change ${point.name}`} {onclose}>
	<FieldsForm
		fields={FIELDS}
		bind:draft
		{units}
		timeZone={app.timeZone}
		problems={correction.problems}
		conflicts={correction.conflicts}
		onsubmit={(next) => void save(next)}
		oncancel={() => onclose()}
	>
		{#snippet extra()}
			<TextField
				label="Where: latitude, longitude"
				bind:value={where}
				hint="As your device shows it: 56.91, -21.62 or 56°54.6' N 21°37.2' W. Or tap the map to fill it in."
				error={(asked || where.trim() !== '') && !position
					? 'a latitude of -90 … 90 and a longitude of -180 … 180'
					: undefined}
			/>
			{#if twin && position}
				<Notice
					><p>
						{twin.name} is {sayApart(kmBetween(twin.position, position), units)} from here. Is this the same place?
					</p></Notice
				>
			{/if}
			<ServicesField
				{services}
				{units}
				reads={(open) => app.engine.ask('trip/readsHours', open)}
				onchange={(next) => (services = next)}
			/>
		{/snippet}
	</FieldsForm>
	{#if !isNew}<p><button onclick={() => void putAway()}>Remove this point</button></p>{/if}
</Sheet>
