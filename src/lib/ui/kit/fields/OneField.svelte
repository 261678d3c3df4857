<script lang="ts">
	import { zonedIso, zonedMs } from '$core/time';
	import { instantMs } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import { percentOf, shareOf, type Field } from './fields';
	import MeaningField from './MeaningField.svelte';
	import NumberField from './NumberField.svelte';
	import SelectField from './SelectField.svelte';
	import TextField from './TextField.svelte';

	interface Props {
		field: Field;
		value: unknown;
		units: UnitChoice;
		timeZone: string;
		error: string | undefined;
		/** `undefined` takes the value out */
		onput: (value: unknown) => void;
	}
	/** One field of a form, as its description says. */
	const { field, value, units, timeZone, error, onput }: Props = $props();

	const asText = $derived(typeof value === 'string' ? value : '');
	/** what is ticked of several: a list, or what `true` means of it */
	const chosen = $derived.by((): readonly string[] => {
		if (field.type !== 'checks') return [];
		if (Array.isArray(value)) return value.map(String);
		return value === true ? field.allMeans : [];
	});
	const asNumber = $derived(typeof value === 'number' ? value : undefined);
	const local = $derived(
		asText === '' || field.type !== 'moment' ? '' : zonedIso(instantMs(asText), timeZone).slice(0, 16)
	);
	/** A day alone, or the day of an instant in the zone of the trip. */
	const dayOf = (text: string): string =>
		text.includes('T') ? zonedIso(instantMs(text), timeZone).slice(0, 10) : text;
	/** A clock time typed into the browser's own field, in the zone of the trip. */
	function putMoment(typed: string): void {
		const [day = '', clock = ''] = typed.split('T');
		const [hour, minute] = clock.split(':').map(Number);
		if (day !== '' && hour !== undefined && minute !== undefined)
			onput(zonedIso(zonedMs(day, timeZone, hour, minute), timeZone));
	}
</script>

{#if field.type === 'number'}
	<NumberField
		label={field.label}
		value={field.percent ? percentOf(asNumber) : asNumber}
		of={field.of}
		units={field.of ? units : undefined}
		suffix={field.percent ? '%' : field.suffix}
		hint={field.hint}
		optional={field.optional}
		{error}
		onchange={(next) => onput(field.percent ? shareOf(next) : next)}
	/>
{:else if field.type === 'meaning'}
	<MeaningField
		label={field.label}
		value={asNumber ?? field.usual}
		options={field.options}
		other={field.other}
		hint={field.hint}
		onchange={onput}
	/>
{:else if field.type === 'select'}
	<SelectField
		label={field.label}
		value={asText}
		hint={field.hint}
		{error}
		options={field.optional ? [{ value: '', label: '—' }, ...field.options] : field.options}
		onchange={(next) => onput(next === '' ? undefined : next)}
	/>
{:else if field.type === 'check'}
	<label class="check"
		><input
			type="checkbox"
			checked={value === true}
			onchange={(event) => onput(event.currentTarget.checked || (field.both ? false : undefined))}
		/>
		{field.label}</label
	>
{:else if field.type === 'checks'}
	<fieldset class="checks">
		<legend>{field.label}</legend>
		{#each field.options as option (option.value)}
			<label class="check"
				><input
					type="checkbox"
					checked={chosen.includes(option.value)}
					onchange={(event) =>
						onput(
							event.currentTarget.checked
								? [...chosen, option.value]
								: chosen.filter((one) => one !== option.value)
						)}
				/>
				{option.label}</label
			>
		{/each}
		{#if field.hint}<p class="soft small">{field.hint}</p>{/if}
	</fieldset>
{:else if field.type === 'moment'}
	<div class="moment">
		<TextField label={field.label} type="datetime-local" value={local} {error} onchange={putMoment} />
	</div>
{:else}
	<TextField
		label={field.label}
		type={field.type === 'day' ? 'date' : 'text'}
		value={field.type === 'day' ? dayOf(asText) : asText}
		hint={field.hint}
		maxlength={2000}
		{error}
		onchange={(next) => onput(next === '' && field.optional ? undefined : next)}
	/>
{/if}

<style>
	.checks {
		border: 0;
		padding: 0;
		margin: 0;
		display: grid;
		grid-column: 1 / -1;
	}
	.moment {
		grid-column: 1 / -1;
		max-width: 18rem;
	}
</style>
