<script lang="ts">
	import type { UnitChoice } from '$core/units';
	import Rod from './Rod.svelte';
	import type { TankView } from './tankView';

	interface Props {
		/** none as long as the levels are being worked out: their place is kept */
		tanks: readonly TankView[] | undefined;
		units: UnitChoice;
	}
	const { tanks, units }: Props = $props();
	const shown = $derived(tanks?.filter(({ carried }) => !carried) ?? []);
</script>

<aside aria-label="Tanks now">
	<ul>
		{#each shown as tank (tank.id)}
			<li>
				<Rod
					facts={tank.facts}
					size="slim"
					{units}
					label={tank.label}
					first={tank.first}
					heightPx={shown.length > 3 ? 84 : 112}
				/>
				<div>
					<p class="name">{tank.name}</p>
					<p class="figure">{tank.level}</p>
					<p class="lasts" class:first={tank.first}>{tank.lasts}{tank.first ? `, ${tank.limits}` : ''}</p>
				</div>
			</li>
		{/each}
		{#if !tanks}
			<li>
				<div>
					{#each ['name', 'figure', 'lasts'] as line (line)}<p class={line}>&nbsp;</p>{/each}
				</div>
			</li>
		{/if}
	</ul>
</aside>

<style>
	aside {
		border-right: var(--hairline);
		padding: var(--gap-3) var(--gap-2) var(--gap-3) var(--gap-3);
		width: 11rem;
		overflow-y: auto;
	}
	ul {
		display: grid;
		gap: var(--gap-2);
	}
	li {
		display: flex;
		gap: 0;
		align-items: center;
	}
	.name {
		font-size: var(--step--1);
		overflow-wrap: anywhere;
	}
	.figure {
		font-family: var(--display);
		font-weight: 650;
		font-size: var(--step-1);
		white-space: nowrap;
	}
	.lasts {
		font-size: var(--step--1);
		color: var(--soft-ink);
	}
	.lasts.first {
		color: var(--caution);
		font-weight: 650;
	}
	@media (max-width: 800px) {
		aside {
			width: auto;
			border-right: 0;
			border-bottom: var(--hairline);
			padding: var(--gap-2) var(--gap-3);
			overflow-x: auto;
		}
		ul {
			display: flex;
			gap: var(--gap-3);
		}
		li {
			flex: 0 0 auto;
		}
		li :global(svg) {
			display: none;
		}
	}
	@media print {
		aside {
			display: none;
		}
	}
</style>
