<script lang="ts">
	import { flowOfPours, type Pour } from '$core/habits';
	import { formatFigure, formatLitres, fromBase, unitSymbol, type UnitChoice } from '$core/units';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import { onDestroy } from 'svelte';

	interface Props {
		units: UnitChoice;
		/** the flow that was found, litres a minute */
		onkeep: (lpm: number) => void;
		oncancel: () => void;
	}
	/** Measures a flow with a jug and the stopwatch: three pours give a mean and a spread. */
	const { units, onkeep, oncancel }: Props = $props();

	const POURS = 3;
	const TICK_MS = 100;
	let jugL = $state<number>();
	let startedMs = $state<number>();
	let runMs = $state(0);
	let seconds = $state<number>();
	let pours = $state.raw<readonly Pour[]>([]);
	let timer: ReturnType<typeof setInterval> | undefined;
	const flow = $derived(flowOfPours(pours));
	const perMinute = (lpm: number): string =>
		`${formatFigure(fromBase(lpm, units.volume))} ${unitSymbol(units.volume)}/min`;

	function start(): void {
		startedMs = performance.now();
		seconds = undefined;
		timer = setInterval(() => (runMs = performance.now() - (startedMs ?? 0)), TICK_MS);
	}
	function stop(): void {
		clearInterval(timer);
		seconds = Number(((performance.now() - (startedMs ?? 0)) / 1000).toFixed(1));
		startedMs = undefined;
	}
	function add(): void {
		if (jugL === undefined || seconds === undefined || !(jugL > 0) || !(seconds > 0)) return;
		pours = [...pours, { litres: jugL, seconds }];
		[seconds, runMs] = [undefined, 0];
	}
	onDestroy(() => clearInterval(timer));
</script>

<fieldset>
	<legend>Flow, by jug and stopwatch</legend>
	<p class="soft">
		Open the tap as you usually do and fill a jug of known size, {POURS} times. Start as the water meets the jug,
		stop at its mark.
	</p>
	<div class="fields">
		<NumberField label="The jug holds" bind:value={jugL} of="volume" {units} />
		<NumberField label="It took" bind:value={seconds} suffix="s" hint="Typed, or by the stopwatch." />
	</div>
	<p class="buttons">
		{#if startedMs === undefined}
			<button type="button" onclick={start}>Start the watch</button>
		{:else}
			<button type="button" class="primary" onclick={stop}>Stop at {(runMs / 1000).toFixed(1)} s</button>
		{/if}
		<button type="button" disabled={!(jugL && jugL > 0) || !(seconds && seconds > 0)} onclick={add}
			>Add pour {pours.length + 1}</button
		>
	</p>
	{#if pours.length > 0}
		<ol class="read">
			{#each pours as { litres, seconds: took }, i (i)}<li>
					{formatLitres(litres, units)} in {took} s: {perMinute((60 * litres) / took)}
					<button
						type="button"
						class="quiet small"
						aria-label="Remove pour {i + 1}"
						onclick={() => (pours = pours.filter((_, k) => k !== i))}>Remove</button
					>
				</li>{/each}
		</ol>
	{/if}
	{#if flow}
		<p>
			<strong>{perMinute(flow.mean)}</strong>{flow.sd === undefined
				? ', from one pour'
				: ` ± ${perMinute(flow.sd)}, from ${flow.count} pours`}{flow.count < POURS
				? `; ${POURS - flow.count === 1 ? 'one more makes' : 'two more make'} it sure`
				: ''}.
		</p>
	{/if}
	<p class="buttons">
		<button type="button" disabled={!flow} onclick={() => flow && onkeep(Number(flow.mean.toFixed(2)))}
			>Use this flow</button
		>
		<button type="button" class="quiet" onclick={oncancel}>Cancel</button>
	</p>
</fieldset>

<style>
	fieldset {
		display: grid;
		gap: var(--gap-2);
	}
</style>
