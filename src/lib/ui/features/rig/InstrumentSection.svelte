<script lang="ts">
	import type { Instrument, Rig } from '$core/logbook';
	import { tankById } from '$core/rig';
	import { INSTRUMENT_NAMES, sayInstrument } from '$core/words';
	import ItemList from '../../kit/page/ItemList.svelte';
	import Section from '../../kit/page/Section.svelte';
	import WhatIs from '../../parts/glossary/WhatIs.svelte';

	interface Props {
		rig: Rig;
		/** the form of one instrument, or of a new one of a kind */
		onopen: (which: { readonly id?: string; readonly kind?: Instrument['kind'] }) => void;
	}
	/** What measures the tanks of a rig. */
	const { rig, onopen }: Props = $props();
	const KINDS = ['meter', 'gauge', 'rod'] as const;
</script>

<Section title="Instruments">
	<ItemList items={rig.instruments} onchange={({ id }) => onopen({ id })}>
		{#snippet named({ id, name })}<a href="/rig/instrument/{encodeURIComponent(id)}">{name}</a>{/snippet}
		{#snippet says(one)}{tankById(rig, one.tank)?.name ?? one.tank},
			<span class="soft">{sayInstrument(one)}</span>{/snippet}
	</ItemList>
	<p class="buttons">
		{#each KINDS as kind (kind)}
			<button disabled={rig.tanks.length === 0} onclick={() => onopen({ kind })}
				>Add {INSTRUMENT_NAMES[kind]}</button
			>
		{/each}
	</p>
	<WhatIs words={['dipstick', 'calibration']} />
</Section>
