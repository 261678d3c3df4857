<script lang="ts">
	import type { UnitChoice } from '$core/units';
	import InTurn from '../../kit/page/InTurn.svelte';
	import KeptPlace from '../../kit/page/KeptPlace.svelte';
	import Rod, { pictureHeight } from './Rod.svelte';
	import type { TankView } from './tankView';

	interface Props {
		tanks: readonly TankView[];
		units: UnitChoice;
		heightPx?: number;
		onwhy: (tank: string) => void;
		/** a day's flag is tapped */
		onday?: ((ms: number) => void) | undefined;
	}
	const { tanks, units, heightPx = 310, onwhy, onday }: Props = $props();
	const big = $derived(tanks.filter(({ carried }) => !carried));
	const small = $derived(tanks.filter(({ carried }) => carried));
	/** as the browser comes to it: asked for at once, the whole page is laid out in between */
	let room = $state<DOMRectReadOnly>();
	const widthPx = $derived(room?.width ?? innerWidth);
	/** so that three stand side by side on a phone */
	const NARROW_PX = 154;
	const narrow = $derived(big.length === 3 && widthPx < big.length * NARROW_PX);
</script>

{#snippet column(tank: TankView, height: number)}
	<li class:carried={tank.carried}>
		<p class="level">
			<button class="why" onclick={() => onwhy(tank.id)} aria-label="Why {tank.level} in {tank.name}?">
				<span class="figure">{tank.level}</span>
			</button>
			<span class="soft give">{tank.give}</span>
		</p>
		<p class="name">{tank.name}<span class="soft">, {tank.holds}</span></p>
		<KeptPlace height="{pictureHeight(height)}px">
			<InTurn>
				<Rod
					facts={tank.facts}
					size={narrow ? 'narrow' : 'large'}
					{units}
					label={tank.label}
					first={tank.first}
					heightPx={height}
					{onday}
				/>
			</InTurn>
		</KeptPlace>
		<p class="lasts" class:first={tank.first}>
			{tank.lasts}{tank.first ? `, ${narrow ? 'first' : tank.limits}` : ''}
		</p>
		<p class="soft until">{tank.until}</p>
		{#if tank.behind}<p class="until">{tank.behind}</p>{/if}
		{#if tank.drink}<p class="until mind">{tank.drink}</p>{/if}
	</li>
{/snippet}

<ul class="rods" class:narrow bind:contentRect={room}>
	{#each big as tank (tank.id)}{@render column(tank, heightPx)}{/each}
	{#each small as tank (tank.id)}{@render column(tank, Math.round(heightPx / 2))}{/each}
</ul>

<style>
	.rods {
		display: flex;
		gap: var(--gap-2);
		overflow-x: auto;
		padding: 0 0 var(--gap-2) 0;
	}
	li {
		flex: 0 0 auto;
		/* Words may run on under the scale of the next rod, which leaves that room. */
		width: 10.6rem;
	}
	li.carried {
		width: 7.6rem;
	}
	.level,
	.name,
	.lasts,
	.until {
		margin-left: 44px;
		white-space: nowrap;
	}
	.figure {
		font-family: var(--display);
		font-size: 1.6rem;
		font-weight: 650;
		letter-spacing: -0.01em;
	}
	.carried .figure {
		font-size: 1.2rem;
	}
	.name {
		font-size: var(--step--1);
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.lasts {
		font-weight: 650;
		font-size: var(--step-1);
	}
	.carried .lasts {
		font-size: var(--step-0);
	}
	.lasts.first {
		color: var(--caution);
	}
	.until {
		font-size: var(--step--1);
	}
	@media (max-width: 640px) {
		li {
			width: 9.6rem;
		}
		.narrow {
			gap: 0;
		}
		.narrow li {
			width: 120px;
		}
		.narrow :is(.level, .name, .lasts, .until) {
			margin-left: 0;
			overflow: hidden;
			text-overflow: ellipsis;
		}
		.narrow .until {
			white-space: normal;
			line-height: 1.2;
			padding-right: var(--gap-1);
		}
		.narrow .figure {
			font-size: 1.3rem;
		}
		.narrow .lasts {
			font-size: var(--step-0);
		}
	}
</style>
