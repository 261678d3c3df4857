<script lang="ts">
	import type { Verdict } from '$core/words';
	import PageHead from '../../kit/page/PageHead.svelte';
	import Spans from '../../kit/page/Spans.svelte';

	interface Props {
		verdict: Verdict;
		/** the plan is on its way: the place of its sentence is kept */
		planComes: boolean;
		/** asks why a tank lasts as long as it does */
		onwhy: (tank: string) => void;
		/** looks at all gauges at once, where there are any */
		onglance?: (() => void) | undefined;
	}
	/** How long it lasts and what binds, with the ways to the tap and to the drain. */
	const { verdict, planComes, onwhy, onglance }: Props = $props();
	const { binds } = $derived(verdict);
</script>

<div>
	<PageHead>
		{#snippet title()}<Spans spans={verdict.headline} />{/snippet}
		{#snippet says()}
			{#if binds !== undefined || verdict.detail.length > 0}
				<p class="detail soft">
					<Spans spans={verdict.detail} />
					{#if binds !== undefined}<button class="why small" onclick={() => onwhy(binds)}>Why?</button>{/if}
				</p>
			{/if}
			{#if planComes || verdict.next.length > 0}
				<p class="detail soft next"><Spans spans={verdict.next} /></p>
			{/if}
		{/snippet}
	</PageHead>
	<nav aria-label="At the tap and at the drain">
		<a class="as-button" href="/run/fill">Fill</a>
		<a class="as-button" href="/run/dump">Dump</a>
		<a class="as-button" href="/run/carry">Carry</a>
		{#if onglance}<button onclick={onglance}>Glance</button>{/if}
	</nav>
</div>

<style>
	div {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: var(--gap-3);
	}
	nav {
		display: grid;
		gap: var(--gap-2);
		align-content: start;
	}
	nav a {
		justify-content: center;
	}
	@media (max-width: 640px) {
		div {
			grid-template-columns: minmax(0, 1fr);
		}
		nav {
			grid-template-columns: repeat(auto-fit, minmax(4.5rem, 1fr));
		}
	}
	/* As many lines as its sentence nearly always has, before it comes as well as after. */
	.next {
		min-height: 1lh;
	}
	@media (max-width: 900px) {
		.next {
			min-height: 2lh;
		}
	}
</style>
