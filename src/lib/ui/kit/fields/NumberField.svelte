<script lang="ts">
	import {
		formatPlain,
		parseNumber,
		parseQuantity,
		unitSymbol,
		type Measurand,
		type UnitChoice
	} from '$core/units';

	interface Props {
		label: string;
		/** in the base unit; undefined when empty */
		value: number | undefined;
		/** what it measures; a plain number when absent */
		of?: Measurand | undefined;
		units?: UnitChoice | undefined;
		/** a unit that is only written behind the field */
		suffix?: string | undefined;
		hint?: string | undefined;
		optional?: boolean | undefined;
		error?: string | undefined;
		/** in a table, whose head names the column: the label is only read out */
		bare?: boolean;
		onchange?: (value: number | undefined) => void;
	}
	let {
		label,
		value = $bindable(),
		of,
		units,
		suffix,
		hint,
		optional = false,
		error,
		bare = false,
		onchange
	}: Props = $props();
	const id = $props.id();
	const shown = (base: number | undefined): string =>
		base === undefined ? '' : of && units ? formatPlain(base, of, units) : String(base);
	// What is typed stays as typed; only a value from elsewhere rewrites it.
	let text = $state('');
	let written: number | undefined | null = null;
	$effect.pre(() => {
		if (value !== written) {
			text = shown(value);
			written = value;
		}
	});
	const read = $derived(
		text.trim() === '' ? undefined : of && units ? parseQuantity(text, of, units) : parseNumber(text)
	);
	const wrong = $derived(
		text.trim() === '' ? (optional ? undefined : 'needed') : read === undefined ? 'not a number' : undefined
	);

	function typed(): void {
		written = read;
		value = read;
		onchange?.(read);
	}
</script>

<div class="field">
	<label for={id} class:visually-hidden={bare}
		>{label}{#if optional}&nbsp;<span class="soft">(optional)</span>{/if}</label
	>
	<span class="entry">
		<input
			{id}
			bind:value={text}
			oninput={typed}
			inputmode="decimal"
			autocomplete="off"
			aria-invalid={Boolean(error ?? (text !== '' && wrong))}
			aria-describedby="{id}-hint"
		/>
		{#if !bare}<span class="soft">{suffix ?? (of && units ? unitSymbol(units[of]) : '')}</span>{/if}
	</span>
	<p id="{id}-hint" class="hint" class:mind={error ?? (text !== '' && wrong)}>
		{error ?? (text !== '' && wrong ? wrong : (hint ?? ''))}
	</p>
</div>

<style>
	.entry {
		display: flex;
		gap: var(--gap-2);
		align-items: center;
	}
	input {
		min-width: 4rem;
		font-variant-numeric: tabular-nums;
	}
</style>
