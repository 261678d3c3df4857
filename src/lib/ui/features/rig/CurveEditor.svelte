<script lang="ts">
	import { parseNumber, type UnitChoice } from '$core/units';
	import type { Draft } from '../../kit/fields/fields';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import TextField from '../../kit/fields/TextField.svelte';

	/** What a gauge shows at how many litres: lights by their names, or numbers. */
	let { draft = $bindable(), units }: { draft: Draft; units: UnitChoice } = $props();

	interface Point {
		readonly reads: string | number;
		readonly litres?: number | undefined;
	}
	const points = $derived((draft.curve ?? []) as readonly Point[]);
	const put = (curve: readonly Point[]): void => void (draft = { ...draft, curve });
	const change = (at: number, part: Partial<Point>): void =>
		put(points.map((point, i) => (i === at ? { ...point, ...part } : point)));
	/** A number where it is one: a gauge shows either lights or numbers. */
	const readsOf = (text: string): string | number =>
		/^[-\d.,\s]+$/.test(text) ? (parseNumber(text) ?? text) : text;
</script>

<fieldset>
	<legend>What it shows</legend>
	<p class="soft">
		For lights, where each comes on; for percent or a sender, a few points with straight lines between them.
	</p>
	{#each points as point, i (i)}
		<div class="point">
			<TextField
				label="Shows"
				value={String(point.reads)}
				onchange={(text) => change(i, { reads: readsOf(text) })}
			/>
			<NumberField
				label="at"
				value={point.litres}
				of="volume"
				{units}
				onchange={(litres) => change(i, { litres })}
			/>
			<button
				type="button"
				class="quiet"
				onclick={() => put(points.filter((_, k) => k !== i))}
				aria-label="Remove {point.reads}">Remove</button
			>
		</div>
	{/each}
	<button type="button" onclick={() => put([...points, { reads: '' }])}>Add a point</button>
</fieldset>

<style>
	fieldset {
		border: 0;
		border-top: var(--hairline);
		padding: var(--gap-2) 0 0;
		margin: 0;
		display: grid;
		gap: var(--gap-2);
		justify-items: start;
	}
	legend {
		font-weight: 650;
		padding-right: var(--gap-2);
	}
	.point {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
		gap: var(--gap-2);
		align-items: end;
		width: 100%;
	}
</style>
