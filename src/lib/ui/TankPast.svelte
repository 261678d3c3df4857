<script lang="ts">
	import { zonedIso, zonedMs, type Tank } from '$core/logbook';
	import type { PastTank } from '$core/estimate';
	import { formatLitres } from '$core/units';
	import { useApp } from '$lib/state';
	import type { LevelThen } from '$lib/workers/engine';
	import PastChart from './PastChart.svelte';
	import TextField from './TextField.svelte';

	/** What was in a tank over the trip, and why at any moment of it. */
	const { tank }: { tank: Tank } = $props();
	const app = useApp();
	const DAY_MS = 86_400_000;
	const units = $derived(app.prefs.current.units);
	const litres = (l: number): string => formatLitres(l, units);
	/** From the trip's first day, but never more than three weeks, which is what a chart can show. */
	const fromMs = $derived(
		Math.max(
			app.trip && app.trip.from <= zonedIso(app.nowMs, app.timeZone).slice(0, 10)
				? zonedMs(app.trip.from, app.timeZone)
				: app.nowMs - 14 * DAY_MS,
			app.nowMs - 21 * DAY_MS
		)
	);
	let past = $state.raw<PastTank | undefined>();
	let trouble = $state('');
	let run = 0;
	// Asks the worker when the log has changed; a late answer is dropped.
	$effect(() => {
		const own = ++run;
		const { id } = tank;
		void app.assessment;
		app.account(fromMs).then(
			(tanks) => {
				if (own === run) past = tanks.find((one) => one.id === id);
			},
			(error: unknown) => (trouble = error instanceof Error ? error.message : String(error))
		);
	});

	let moment = $state('');
	let then = $state.raw<LevelThen | undefined>();
	async function ask(local: string): Promise<void> {
		moment = local;
		const [day = '', clock = ''] = local.split('T');
		const [hour, minute] = clock.split(':').map(Number);
		then =
			day !== '' && hour !== undefined && minute !== undefined
				? await app.levelAt(tank.id, zonedMs(day, app.timeZone, hour, minute))
				: undefined;
	}
</script>

{#if trouble}<p class="mind" role="alert">{trouble}</p>{/if}
{#if past && past.levels.length > 1}
	<PastChart {tank} {past} {units} timeZone={app.timeZone} theme={app.prefs.current.theme} />
{:else}<p class="soft">Nothing has been written down yet.</p>{/if}
<div class="ask">
	<TextField
		label="What was believed at"
		type="datetime-local"
		value={moment}
		onchange={(local) => void ask(local)}
	/>
	{#if then}
		<p aria-live="polite">
			<strong>{litres(then.level.litres)}</strong>, between {litres(then.level.low)} and {litres(
				then.level.high
			)}. {then.why}
		</p>
	{/if}
</div>

<style>
	.ask {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: end;
	}
	.mind {
		color: var(--caution);
	}
</style>
