<script lang="ts">
	import type { Rig } from '$core/logbook';
	import type { Snippet } from 'svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import { kindsOf, UNFILTERED, type LedgerFilter } from './filter';
	import WhatIs from '../../parts/glossary/WhatIs.svelte';

	interface Props {
		rig: Rig | undefined;
		/** names that wrote something */
		people: readonly string[];
		filter: LedgerFilter;
		/** what stands at the end of the line */
		beside: Snippet;
	}
	/** Which entries are shown: of which tank, of what kind, written by whom, and the voided ones or not. */
	let { rig, people, filter = $bindable(UNFILTERED), beside }: Props = $props();

	const kinds = $derived(kindsOf(rig));
	const named = (all: string, values: readonly { value: string; label: string }[]) => [
		{ value: '', label: all },
		...values
	];
</script>

<div>
	<SelectField
		label="Tank"
		bind:value={() => filter.tank, (tank) => (filter = { ...filter, tank })}
		options={named(
			'all tanks',
			(rig?.tanks ?? []).map(({ id, name }) => ({ value: id, label: name }))
		)}
	/>
	<SelectField
		label="Kind"
		bind:value={() => filter.kind, (kind) => (filter = { ...filter, kind })}
		options={named('all kinds', kinds)}
	/>
	{#if people.length > 0}
		<SelectField
			label="Logged by"
			bind:value={() => filter.by, (by) => (filter = { ...filter, by })}
			options={named(
				'everybody',
				people.map((name) => ({ value: name, label: name }))
			)}
		/>
	{/if}
	<label class="check"
		><input
			type="checkbox"
			bind:checked={() => filter.withVoid, (withVoid) => (filter = { ...filter, withVoid })}
		/> show voided</label
	>
	<WhatIs words={['seen full', 'void']} />
	{@render beside()}
</div>

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: end;
	}
</style>
