<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import type { Price } from '$core/forecast';
	import type { App } from '$lib/state';
	import PriceList from '$lib/ui/features/now/PriceList.svelte';
	import Ration from '$lib/ui/features/now/Ration.svelte';
	import KeptPlace from '$lib/ui/kit/page/KeptPlace.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import { logSaying, mendSaying } from '$lib/ui/parts/acts/notify';

	interface Props {
		app: App;
		prices: readonly Price[];
		/** what can wait may come */
		later: boolean;
	}
	/** What is left for each day, what each habit costs, and what does not fit. */
	const { app, prices, later }: Props = $props();

	const now = $derived(app.engine.assessment);
	const units = $derived(app.prefs.current.units);
	/** what one would like to do is being put together */
	const basket = $derived(page.url.hash === '#basket');
	const showBasket = (shown: boolean): Promise<void> =>
		goto(shown ? '#basket' : '/', { noScroll: true, keepFocus: true, replaceState: true });

	const logOne = (habit: string, name: string): Promise<boolean> =>
		logSaying(app, [{ kind: 'use', habit, times: 1, source: 'hand', ...app.nowOnTrip() }], name);
</script>

{#if prices.length > 0}
	<Ration {app} />
	{#if basket}
		{#await import('$lib/ui/features/now/Basket.svelte') then { default: Basket }}
			<Basket {app} {prices} onclose={() => void showBasket(false)} />
		{/await}
	{:else}
		<PriceList {prices} {units} onlog={(price) => void logOne(price.habit, price.name)} />
		<p class="buttons"><button onclick={() => void showBasket(true)}>Enough for tonight?</button></p>
		<KeptPlace height="1lh">
			{#if later}
				{#await import('$lib/ui/parts/glossary/WhatIs.svelte') then { default: WhatIs }}<WhatIs
						words={['time left', 'spare']}
					/>{/await}
			{/if}
		</KeptPlace>
	{/if}
{:else}
	<p class="soft">
		No habit yet. Add what you do with water under <a href="/habits">Habits</a>, and its price in hours
		appears here.
	</p>
{/if}
{#if now?.findings && now.findings.length > 0}
	{@const { findings } = now}
	{#await import('$lib/ui/parts/notices/Findings.svelte') then { default: Findings }}<Findings
			{findings}
			onmend={(mend, label) => void mendSaying(app, mend, label)}
		/>{/await}
{/if}
{#if now?.plan && !now.plan.feasible}
	<Notice><p>The plan falls short: see <a href="/trip">Trip</a>.</p></Notice>
{/if}
