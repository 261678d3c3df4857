<script lang="ts">
	import type { Ration } from '$core/forecast';
	import { formatFigure, fromBase, unitSymbol, type UnitChoice } from '$core/units';
	import { sayWhen } from '$core/words';

	interface Props {
		ration: Ration;
		atMs: number;
		timeZone: string;
		units: UnitChoice;
	}
	/** How much a day each, to reach a moment; against what is used. */
	const { ration, atMs, timeZone, units }: Props = $props();
	const figure = (litres: number): string => formatFigure(fromBase(litres, units.volume));
</script>

<section>
	<h2>To reach {sayWhen(ration.untilMs, atMs, timeZone)}</h2>
	<p>
		<span class="figure">{figure(ration.allowedL)} {unitSymbol(units.volume)}</span>
		a day each. You are using
		<strong class:mind={ration.usingL > ration.allowedL}>{figure(ration.usingL)}</strong>.
	</p>
</section>

<style>
	h2 {
		font-family: var(--text);
		font-size: var(--step-0);
		color: var(--soft-ink);
		letter-spacing: 0;
	}
	.figure {
		font-family: var(--display);
		font-weight: 650;
		font-size: 1.9rem;
		margin-right: 0.3rem;
	}
</style>
