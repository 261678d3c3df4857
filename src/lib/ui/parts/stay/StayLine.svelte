<script lang="ts">
	import type { Habit, Tank } from '$core/logbook';
	import { sayAheadDays } from '$core/words';
	import { stayGeometry, type StayFacts } from './stayLineGeometry';

	interface Props extends StayFacts {
		/** what the tank that ends the stay holds: the line has its colour */
		holds: Tank['holds'] | undefined;
		/** the day that is wanted, on its flag */
		goal?: string | undefined;
		/** what stands over the line as it is */
		asItIs: string;
		/** read to those who do not see the line */
		label: string;
		/** what is said of days is said of these */
		habits?: readonly Habit[];
	}
	/** The days of a stay on a line: as one lives now, what lengthens it or bites from it, and the day that is wanted. */
	const { holds, goal, asItIs, label, habits = [], ...facts }: Props = $props();
	let width = $state(0);
	const id = $props.id();
	const drawn = $derived(stayGeometry(facts, width));
	const BAR = $derived({ y: goal === undefined ? 26 : 48, height: 20 });
	const GOAL_PX = 118;
	const LETTER_PX = 6.7;
	const roomForLabel = $derived(
		(drawn.segments.find(({ label: says }) => says !== '')?.x ?? width) >= asItIs.length * LETTER_PX
	);
	/** The flag turns to the left where there is no room at the right. */
	const flagLeft = $derived(drawn.goalX !== undefined && drawn.goalX + GOAL_PX > width);
</script>

<div class="line {holds ?? ''}" bind:clientWidth={width}>
	<svg {width} height={BAR.y + BAR.height + 30} role="img" aria-label={label}>
		<defs>
			<pattern
				id="{id}-doubt"
				width="6"
				height="6"
				patternUnits="userSpaceOnUse"
				patternTransform="rotate(45)"
			>
				<rect class="own" width="2.600" height="6" />
			</pattern>
			<pattern
				id="{id}-then"
				width="5"
				height="5"
				patternUnits="userSpaceOnUse"
				patternTransform="rotate(45)"
			>
				<rect class="ink" width="2" height="5" />
			</pattern>
			<pattern
				id="{id}-bite"
				width="5"
				height="5"
				patternUnits="userSpaceOnUse"
				patternTransform="rotate(-45)"
			>
				<rect class="caution" width="1.800" height="5" />
			</pattern>
		</defs>
		{#if roomForLabel}<text class="soft" x="2" y={BAR.y - 8}>{asItIs}</text>{/if}
		<line class="axis" x1="0" x2={width} y1={BAR.y + BAR.height} y2={BAR.y + BAR.height} />
		{#each drawn.notches as { x, label: day }, i (i)}
			<line class="axis" x1={x} x2={x} y1={BAR.y + BAR.height} y2={BAR.y + BAR.height + 7} />
			<text class="day" x={Math.min(Math.max(x, 14), width - 14)} y={BAR.y + BAR.height + 22}>{day}</text>
		{/each}
		<rect class="own" x="0" width={drawn.sure.width} y={BAR.y} height={BAR.height} />
		<rect
			class="edge"
			x={drawn.doubt.x}
			width={drawn.doubt.width}
			y={BAR.y}
			height={BAR.height}
			fill="url(#{id}-doubt)"
		/>
		<rect
			class="edge"
			fill="none"
			x="0"
			width={drawn.sure.width + drawn.doubt.width}
			y={BAR.y}
			height={BAR.height}
		/>
		{#each drawn.segments as { id: of, x, width: wide, bites, label: says }, i (`${of}-${i}`)}
			<rect
				class="segment edge"
				{x}
				width={wide}
				y={BAR.y}
				height={BAR.height}
				style:fill={bites ? `url(#${id}-bite)` : undefined}
			/>
			{#if says}<text class:mind={bites} x={x + 2} y={BAR.y - 8}>{says}</text>{/if}
		{/each}
		{#each drawn.unlike as { x, width: wide }, i (i)}
			<rect class="unlike" {x} width={wide} y={BAR.y + BAR.height + 2} height="4" />
		{/each}
		{#if drawn.doubtThen}
			<rect
				class="edge"
				x={drawn.doubtThen.x}
				width={drawn.doubtThen.width}
				y={BAR.y}
				height={BAR.height}
				fill="url(#{id}-then)"
			/>
		{/if}
		{#if drawn.goalX !== undefined && goal}
			<g class="goal" transform="translate({drawn.goalX} 0)">
				<line y1="2" y2={BAR.y + BAR.height + 5} />
				<path
					d={flagLeft
						? `M0 2h-${GOAL_PX - 10}l-9 9l9 9h${GOAL_PX - 10}z`
						: `M0 2h${GOAL_PX - 10}l9 9l-9 9h-${GOAL_PX - 10}z`}
				/>
				<text x={(flagLeft ? -1 : 1) * (GOAL_PX / 2 - 4)} y="15.500">{goal}</text>
			</g>
		{/if}
	</svg>
	{#if drawn.unlike.length > 0 && facts.said}<p class="soft small">
			Includes {facts.said
				.map((one) => sayAheadDays(one, { rig: { habits }, nowMs: facts.atMs, timeZone: facts.timeZone }))
				.join('; ')}.
		</p>{/if}
	{#if drawn.segments.some(({ label: short, says }) => short !== says)}
		<p class="soft small" aria-hidden="true">{drawn.segments.map(({ says }) => says).join(' · ')}</p>
	{/if}
</div>

<style>
	.line {
		width: 100%;
		min-width: 0;
		overflow: hidden;
		--own: var(--ink);
	}
	.fresh {
		--own: var(--fresh);
	}
	.grey {
		--own: var(--grey);
	}
	.black {
		--own: var(--black);
	}
	svg {
		display: block;
	}
	.own {
		fill: var(--own);
	}
	.unlike {
		fill: var(--soft-ink);
	}
	.ink {
		fill: var(--ink);
	}
	.caution {
		fill: var(--caution);
	}
	.edge {
		stroke: var(--ink);
		stroke-width: 1.2;
	}
	.segment {
		fill: var(--air);
	}
	.axis {
		stroke: var(--ink);
		stroke-width: 1.2;
	}
	text {
		font-size: 13px;
		fill: var(--ink);
		font-variant-numeric: tabular-nums;
	}
	text.soft,
	text.day {
		fill: var(--soft-ink);
	}
	text.day {
		text-anchor: middle;
	}
	text.mind {
		fill: var(--caution);
		font-weight: 650;
	}
	.goal line {
		stroke: var(--caution);
		stroke-width: 2;
	}
	.goal path {
		fill: var(--caution);
	}
	.goal text {
		fill: var(--on-caution);
		text-anchor: middle;
		font-weight: 650;
	}
</style>
