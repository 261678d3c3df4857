<script lang="ts">
	import { instantMs, zonedIso, zonedMs, type Problem } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import type { Snippet } from 'svelte';
	import { valueAt, withValue, type Draft, type Field } from './fields';
	import NumberField from './NumberField.svelte';
	import SelectField from './SelectField.svelte';
	import TextField from './TextField.svelte';

	interface Props {
		fields: readonly Field[];
		draft: Draft;
		units: UnitChoice;
		timeZone: string;
		/** what is wrong with the draft, by JSON path within it */
		problems?: readonly Problem[];
		submit?: string;
		onsubmit: (draft: Draft) => void;
		oncancel: () => void;
		extra?: Snippet;
	}
	let {
		fields,
		draft = $bindable(),
		units,
		timeZone,
		problems = [],
		submit = 'Save',
		onsubmit,
		oncancel,
		extra
	}: Props = $props();

	const put = (key: string, value: unknown): void => void (draft = withValue(draft, key, value));
	const wrongAt = (key: string): string | undefined => {
		const found = problems.find(({ path }) => path === `$.${key}`);
		return found && `expected ${found.expected}, got ${found.got}`;
	};
	const elsewhere = $derived(problems.filter(({ path }) => !fields.some(({ key }) => path === `$.${key}`)));
	const asNumber = (value: unknown): number | undefined => (typeof value === 'number' ? value : undefined);
	const asText = (value: unknown): string => (typeof value === 'string' ? value : '');
	const localOf = (value: unknown): string =>
		typeof value === 'string' && value !== '' ? zonedIso(instantMs(value), timeZone).slice(0, 16) : '';
	/** A clock time typed into the browser's own field, in the zone of the trip. */
	function putMoment(key: string, local: string): void {
		const [day = '', clock = ''] = local.split('T');
		const [hour, minute] = clock.split(':').map(Number);
		if (day !== '' && hour !== undefined && minute !== undefined)
			put(key, zonedIso(zonedMs(day, timeZone, hour, minute), timeZone));
	}
</script>

<form
	novalidate
	onsubmit={(event) => {
		event.preventDefault();
		onsubmit(draft);
	}}
>
	<div class="fields">
		{#each fields as field (field.key)}
			{@const value = valueAt(draft, field.key)}
			{#if field.type === 'number'}
				<NumberField
					label={field.label}
					value={asNumber(value)}
					of={field.of}
					units={field.of ? units : undefined}
					suffix={field.suffix}
					hint={field.hint}
					optional={field.optional}
					error={wrongAt(field.key)}
					onchange={(next) => put(field.key, next)}
				/>
			{:else if field.type === 'select'}
				<SelectField
					label={field.label}
					value={asText(value)}
					options={field.optional ? [{ value: '', label: '—' }, ...field.options] : field.options}
					onchange={(next) => put(field.key, next === '' ? undefined : next)}
				/>
			{:else if field.type === 'check'}
				<label class="check"
					><input
						type="checkbox"
						checked={value === true}
						onchange={(event) =>
							put(field.key, event.currentTarget.checked || (field.both ? false : undefined))}
					/>
					{field.label}</label
				>
			{:else if field.type === 'moment'}
				<div class="moment">
					<TextField
						label={field.label}
						type="datetime-local"
						value={localOf(value)}
						error={wrongAt(field.key)}
						onchange={(next) => putMoment(field.key, next)}
					/>
				</div>
			{:else}
				<TextField
					label={field.label}
					type={field.type === 'day' ? 'date' : 'text'}
					value={asText(value)}
					hint={field.hint}
					maxlength={2000}
					error={wrongAt(field.key)}
					onchange={(next) => put(field.key, next === '' && field.optional ? undefined : next)}
				/>
			{/if}
		{/each}
	</div>
	{@render extra?.()}
	{#if elsewhere.length > 0}
		<ul role="alert">
			{#each elsewhere.slice(0, 8) as { path, expected, got }, i (i)}<li>
					<strong>{path.replace('$.', '')}</strong>: expected {expected}, got {got}
				</li>{/each}
		</ul>
	{/if}
	<p class="buttons">
		<button class="primary" type="submit">{submit}</button>
		<button type="button" onclick={oncancel}>Cancel</button>
	</p>
</form>

<style>
	form {
		display: grid;
		gap: var(--gap-3);
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(11.5rem, 1fr));
		gap: var(--gap-3);
		align-items: start;
	}
	.moment {
		grid-column: 1 / -1;
		max-width: 18rem;
	}
	.check {
		display: flex;
		gap: var(--gap-2);
		align-items: center;
		min-height: var(--touch);
	}
	.check input {
		width: 1.25rem;
		height: 1.25rem;
		flex: none;
	}
	ul {
		border-left: 3px solid var(--caution);
		padding-left: var(--gap-3);
		overflow-wrap: anywhere;
	}
	.buttons {
		display: flex;
		gap: var(--gap-3);
	}
</style>
