<script lang="ts">
	import type { Entry } from '$core/logbook';
	import type { FoundWords } from '$core/assess';
	import type { WhyLasting } from '$core/assess/later';
	import type { Spread } from '$core/forecast';
	import type { TankLevel } from '$core/estimate';
	import { formatLitres, type UnitChoice } from '$core/units';
	import type { Mend } from '$core/verdict';
	import BasisTable from './BasisTable.svelte';
	import Lasting from './Lasting.svelte';
	import Findings from './Findings.svelte';
	import Sheet from './Sheet.svelte';
	import type { DescribeContext } from './describe';

	interface Props {
		name: string;
		level: TankLevel;
		entries: readonly Entry[];
		findings: readonly FoundWords[];
		/** the reason in a sentence */
		why: string;
		/** the sum behind the days it lasts; nothing for a tank that never binds */
		lasting: Promise<WhyLasting | undefined>;
		days: Spread | undefined;
		fresh: boolean;
		onmend: (mend: Mend, label: string) => void;
		context: DescribeContext;
		timeZone: string;
		units: UnitChoice;
		onclose: () => void;
	}
	const {
		name,
		level,
		entries,
		findings,
		why,
		lasting,
		days,
		fresh,
		onmend,
		context,
		timeZone,
		units,
		onclose
	}: Props = $props();
</script>

<Sheet title="Why {formatLitres(level.litres, units)} in {name}?" {onclose}>
	<p>
		Nine chances in ten that it is between <strong>{formatLitres(level.low, units)}</strong> and
		<strong>{formatLitres(level.high, units)}</strong>, of {formatLitres(level.usableL, units)} usable.
	</p>
	{#if why}<p>{why}</p>{/if}
	{#await lasting then sum}
		{#if sum}
			<h3>How long it lasts</h3>
			<Lasting {name} {fresh} lasting={sum} {days} {units} />
		{/if}
	{:catch error}
		<p role="alert">
			How long it lasts could not be worked out: {error instanceof Error ? error.message : String(error)}
		</p>
	{/await}
	{#if level.basis.length > 0}
		<h3>The level rests on</h3>
		<BasisTable
			basis={level.basis}
			{entries}
			{context}
			{timeZone}
			since="since the tank was last known full or empty"
		/>
	{:else}
		<p>
			Nothing has been written down for this tank yet: it may hold anything. Fill it to the brim, empty it or
			read an instrument, and write that.
		</p>
	{/if}
	{#if findings.length > 0}
		<h3>To mind</h3>
		<Findings {findings} {onmend} />
	{/if}
	<button class="close" onclick={onclose}>Close</button>
</Sheet>

<style>
	.close {
		justify-self: start;
	}
</style>
