<script lang="ts">
	import type { Instrument, Shape, Tank } from '$core/logbook';
	import type { DayFlag } from '$core/now';
	import { STEEPEST_DEG, type Lean } from '$core/rig';
	import { formatLitres, type UnitChoice } from '$core/units';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import SelectField from '../../../kit/fields/SelectField.svelte';
	import Section from '../../../kit/page/Section.svelte';
	import { depthText, dipLines, rodOf, STEPPINGS, type Stepping } from './dipView';
	import WhatIs from '../../../parts/glossary/WhatIs.svelte';

	interface Props {
		tank: Tank & { readonly shape: Shape };
		instruments: readonly Instrument[];
		flags: readonly DayFlag[];
		units: UnitChoice;
	}
	/** From a wet length to litres, by depth, by volume or by days of use; and the way to print it. */
	const { tank, instruments, flags, units }: Props = $props();

	let stepping = $state<string>('L10');
	let roll = $state<number | undefined>(0);
	let pitch = $state<number | undefined>(0);
	const within = (degrees: number | undefined): number =>
		Math.min(STEEPEST_DEG, Math.max(-STEEPEST_DEG, degrees ?? 0));
	const lean = $derived<Lean>({ rollDeg: within(roll), pitchDeg: within(pitch) });
	const dipping = $derived({ lean, at: rodOf(instruments, tank.id)?.at, deadL: tank.deadL });
	const lines = $derived(dipLines(tank, stepping as Stepping, dipping, units, flags));
	const print = $derived(
		`/rig/tank/${encodeURIComponent(tank.id)}/print?marks=${stepping}&roll=${lean.rollDeg}&pitch=${lean.pitchDeg}`
	);
</script>

<Section title="Dip table and sight marks">
	<div class="fields">
		<SelectField label="Marks" bind:value={stepping} options={STEPPINGS(units)} />
		<NumberField label="Tilt to starboard" bind:value={roll} suffix="°" />
		<NumberField label="Front up" bind:value={pitch} suffix="°" />
	</div>
	<p class="soft">
		{stepping === 'days'
			? 'Where the level will be at each coming dawn, as you live now.'
			: tank.deadL
				? `Usable litres; the ${formatLitres(tank.deadL, units)} the pump can’t reach is not counted.`
				: 'Litres by the wet length of the dipstick.'}
	</p>
	{#if lines.length === 0}<p>There is nothing to mark.</p>{:else}
		<ol>
			{#each lines as line, i (i)}
				<li><span class="number">{depthText(line.depthMm, units)}</span><span>{line.label}</span></li>
			{/each}
		</ol>
	{/if}
	<p><a class="as-button" href={print}>Print table and strip</a></p>
	<WhatIs words={['dipstick', 'tilt']} />
</Section>

<style>
	.fields {
		max-width: 40rem;
	}
	ol {
		columns: 12rem;
		column-gap: var(--gap-4);
		column-rule: var(--hairline);
		width: 100%;
		font-variant-numeric: tabular-nums;
	}
	li {
		display: grid;
		grid-template-columns: 5rem 1fr;
		gap: var(--gap-3);
		border-bottom: var(--hairline);
		break-inside: avoid;
	}
</style>
