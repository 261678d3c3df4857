<script lang="ts">
	import type { Rig } from '$core/logbook';
	import { markOf, soFar, type Run, type RunStep } from '$core/runs';
	import { formatLitres, type UnitChoice } from '$core/units';
	import { sayMinutes, sayShown, type StepWords } from '$core/words';
	import Rod from '../../../parts/rods/Rod.svelte';
	import type { LiveMeter } from '../meter/liveMeter.svelte';
	import { nearnessOf } from '../meter/signal';

	interface Props {
		rig: Rig;
		run: Run;
		step: RunStep;
		words: StepWords;
		live: LiveMeter;
		units: UnitChoice;
	}
	/** The one figure to watch, and what is in the tank by now. */
	const { rig, run, step, words, live, units }: Props = $props();

	const part = $derived(step.kind === 'fill-to' ? step.of : undefined);
	const tank = $derived(rig.tanks.find(({ id }) => id === part?.tank));
	const mark = $derived(step.kind === 'fill-to' ? markOf(rig, run, step.part) : undefined);
	const following = $derived(live.state !== 'off' && live.shows !== undefined);
	const now = $derived(
		step.kind === 'fill-to' && following && live.shows !== undefined
			? soFar(rig, run, step.part, live.shows)
			: undefined
	);
	const near = $derived(now ? nearnessOf(now.toGoL) : 'far');
	const litres = $derived(now?.levelL ?? part?.levelL ?? 0);
	const facts = $derived(
		tank && part
			? {
					holds: tank.holds,
					usableL: part.usableL,
					litres: Math.min(litres, part.usableL),
					low: Math.min(litres, part.usableL),
					high: Math.min(litres, part.usableL),
					reserveL: tank.reserveL,
					flags: []
				}
			: undefined
	);
</script>

<div class="figure" class:near={near === 'near'} class:there={near === 'there'}>
	<div class="words">
		<p class="says">{words.figure?.says}</p>
		<p class="value">
			{words.figure?.value}{#if words.figure?.unit}<span class="unit">&nbsp;{words.figure.unit}</span>{/if}
		</p>
		{#if following && mark && live.shows !== undefined}
			<p class="shows">
				it shows <strong>{sayShown(live.shows)}</strong>
				<span class="soft">{live.state === 'lost' ? 'at its last signal' : 'live'}</span>
			</p>
		{/if}
		{#if now}
			<p aria-live="off">
				{#if now.toGoL > 0}<strong>{formatLitres(now.toGoL, units)}</strong> to go{#if live.lpm}<span
							class="soft">, {sayMinutes(now.toGoL / live.lpm)}</span
						>{/if}{:else if part?.toFull}<strong class="mind">It should come back about now.</strong
					>{:else}<strong class="mind">Stop: {formatLitres(-now.toGoL, units)} over</strong>{/if}
			</p>
		{/if}
		{#each words.tells as line, i (i)}<p class="soft">{line}</p>{/each}
	</div>
	{#if facts && tank}
		<Rod
			{facts}
			size="large"
			{units}
			heightPx={230}
			label="{tank.name} by now: {formatLitres(litres, units)}"
		/>
	{/if}
</div>
{#if near === 'there'}<div class="invert" aria-hidden="true"></div>{/if}
<!-- Said once at each mark, not at every tenth of a litre. -->
<p class="visually-hidden" role="status">
	{near === 'near'
		? 'Five litres to go.'
		: near === 'there'
			? part?.toFull
				? 'It should be full now.'
				: 'Stop now.'
			: ''}
</p>

<style>
	.figure {
		display: flex;
		gap: var(--gap-3);
		justify-content: space-between;
		align-items: center;
		padding: var(--gap-2);
		margin: 0 calc(-1 * var(--gap-2));
		border-radius: var(--corner);
	}
	.words {
		display: grid;
		gap: var(--gap-1);
		min-width: 0;
	}
	.figure :global(.rod) {
		flex: none;
		margin-right: -4rem;
	}
	.says,
	.shows {
		font-size: var(--step-1);
	}
	.value {
		font: 700 clamp(3.4rem, 19vw, 6.5rem) / 1 var(--display);
		font-variant-numeric: tabular-nums;
		letter-spacing: -0.03em;
	}
	.unit {
		font-size: 0.42em;
		letter-spacing: 0;
	}
	.near {
		background: var(--caution-wash);
	}
	.there {
		background: var(--caution-wash);
	}
	/* The whole screen is turned over, black for white, and stays so until the step is answered: seen at arm's length, in sun and rain. */
	.invert {
		position: fixed;
		inset: 0;
		z-index: 10;
		background: white;
		mix-blend-mode: difference;
		pointer-events: none;
		animation: flash 800ms steps(2, jump-none) 6;
	}
	@keyframes flash {
		from {
			opacity: 0;
		}
		to {
			opacity: 1;
		}
	}
	@media (prefers-reduced-motion: reduce) {
		.invert {
			animation: none;
		}
	}
</style>
