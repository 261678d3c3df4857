<script lang="ts">
	import { heardLitres } from '$core/listen';
	import { formatLitres } from '$core/units';
	import {
		sayHabit,
		sayHeardAt,
		sayHeardLeak,
		sayHeardSince,
		sayNod,
		sayTimes,
		sayUnlogged
	} from '$core/words';
	import type { App } from '$lib/state';
	import { listeningBeside } from '$lib/state/listening.svelte';
	import { Check } from 'lucide';
	import Icon from '../../kit/Icon.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import AskedUse from './AskedUse.svelte';
	import { allNamed, heardRows, type HeardRow } from './heardRows';

	interface Props {
		app: App;
		/** so many lines at most; the others are a tap away */
		most?: number;
	}
	/** What the meter heard and the log has not got: taken in by a tap, asked about where it may be this or that. */
	const { app, most = 5 }: Props = $props();
	// svelte-ignore state_referenced_locally
	const listening = listeningBeside(app);
	const rig = $derived(app.liveRig);
	const units = $derived(app.prefs.current.units);
	const rows = $derived(heardRows(listening.nods));
	const shown = $derived(rows.slice(0, most));
	const all = $derived(allNamed(rows));
	const context = $derived(rig && { rig, units, nowMs: app.nowMs, timeZone: app.timeZone });
	const sinceMs = $derived(Math.min(...rows.map(({ fromMs }) => fromMs)));
	const leaks = $derived(listening.told?.leaks.filter(({ toMs }) => toMs === undefined) ?? []);
	let busy = $state(false);

	async function log(choices: Parameters<typeof listening.log>[0]): Promise<void> {
		busy = true;
		const label = await listening.log(choices);
		busy = false;
		if (label !== undefined) notifyDone(app, label);
	}
	const logRow = (row: HeardRow): Promise<void> => log(allNamed([row]));
</script>

{#if listening.trouble}<p class="mind" role="alert">{listening.trouble}</p>{/if}
{#if context && rig && (rows.length > 0 || leaks.length > 0)}
	<section class="heard" aria-label="Heard by the meter">
		{#if rows.length > 0}
			<h2>{sayHeardSince(sinceMs, context)}</h2>
			<ul>
				{#each shown as row (`${row.kind}${row.fromMs}`)}
					<li class:asks={row.kind === 'asked'}>
						{#if row.kind === 'asked'}
							<span class="when soft">{sayHeardAt(row.fromMs, context)}</span>
							<span class="what"
								>{sayNod(row.nod, context)} <strong>{formatLitres(row.litres, units)}</strong></span
							>
							<AskedUse
								{app}
								nod={row.nod}
								onlog={(habit) => void log([{ nod: row.nod, habit }])}
								onskip={() => void listening.skip(row.nod.use)}
							/>
						{:else}
							<span class="when soft"
								>{row.nods.length > 1 ? sayTimes(row.nods.length) : sayHeardAt(row.fromMs, context)}</span
							>
							<span class="what"
								>{row.kind === 'named' ? sayHabit(rig, row.habit) : 'Litres for what you logged'}</span
							>
							<strong>{formatLitres(row.litres, units)}</strong>
							<button
								class="small"
								disabled={busy}
								aria-label="Log {row.kind === 'named' ? sayHabit(rig, row.habit) : 'litres'}"
								onclick={() => void logRow(row)}><Icon icon={Check} sizePx={16} /></button
							>
						{/if}
					</li>
				{/each}
			</ul>
			<p class="buttons">
				{#if all.length > 1}<button class="primary" disabled={busy} onclick={() => void log(all)}
						>Log all named</button
					>{/if}
				<a href="/ledger/heard"
					>{rows.length > shown.length ? `${rows.length - shown.length} more` : 'The day as a strip'}</a
				>
			</p>
			<p class="soft small">{sayUnlogged(heardLitres(listening.nods).unloggedL, units)}</p>
		{/if}
		{#each leaks as leak (leak.fromMs)}
			<p class="leak">{sayHeardLeak(leak, context)}</p>
		{/each}
	</section>
{/if}

<style>
	.heard {
		display: grid;
		gap: var(--gap-2);
		min-width: 0;
	}
	h2 {
		font-size: var(--step-1);
	}
	li {
		display: grid;
		grid-template-columns: minmax(3rem, auto) minmax(0, 1fr) auto auto;
		gap: 0 var(--gap-2);
		align-items: center;
		border-top: var(--hairline);
		padding: 0.2rem 0;
		min-height: 2.6rem;
	}
	li.asks {
		grid-template-columns: minmax(3rem, auto) minmax(0, 1fr);
	}
	li.asks :global(.asked) {
		grid-column: 1 / -1;
		padding-bottom: 0.2rem;
	}
	.when,
	strong {
		font-variant-numeric: tabular-nums;
	}
	.leak {
		border-left: 3px solid var(--caution);
		padding-left: var(--gap-2);
	}
</style>
