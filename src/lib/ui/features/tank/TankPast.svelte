<script lang="ts">
	import { DAY_MS, zonedIso, zonedMs } from '$core/time';
	import { type Tank } from '$core/logbook';
	import { formatLitres } from '$core/units';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import PastChart from '../../parts/charts/PastChart.svelte';
	import TextField from '../../kit/fields/TextField.svelte';

	/** What was in a tank over the trip, and why at any moment of it. */
	const { tank }: { tank: Tank } = $props();
	const app = useApp();
	/** No more than a chart can show, and what is shown without a trip. */
	const [MOST_DAYS, USUAL_DAYS] = [21, 14];
	const units = $derived(app.prefs.current.units);
	const litres = (l: number): string => formatLitres(l, units);
	/** From the trip's first day on, when it has begun. */
	function fromMs(): number {
		const { trip, nowMs, timeZone } = app;
		const begun = trip && trip.from <= zonedIso(nowMs, timeZone).slice(0, 10);
		const from = begun ? zonedMs(trip.from, timeZone) : nowMs - USUAL_DAYS * DAY_MS;
		return Math.max(from, nowMs - MOST_DAYS * DAY_MS);
	}
	const account = latest(
		() => app.engine.ask('tank/smoothedPast', fromMs()),
		() => [app.engine.written, app.rig?.id, app.trip?.id]
	);
	const past = $derived(account.value?.find(({ id, levels }) => id === tank.id && levels.length > 1));

	let moment = $state('');
	const askedMs = $derived.by(() => {
		const [day = '', clock = ''] = moment.split('T');
		const [hour, minute] = clock.split(':').map(Number);
		return day === '' || hour === undefined || minute === undefined
			? undefined
			: zonedMs(day, app.timeZone, hour, minute);
	});
	const then = latest(
		() => (askedMs === undefined ? undefined : app.engine.ask('tank/levelAt', tank.id, askedMs)),
		() => [app.engine.written, tank.id, askedMs]
	);
</script>

{#if account.trouble}<p class="mind" role="alert">{account.trouble}</p>{/if}
{#if past || (!account.trouble && (account.waiting || !account.value))}
	<PastChart {tank} {past} {units} timeZone={app.timeZone} theme={app.prefs.current.theme} />
{:else if !account.trouble}<p class="soft">Nothing is logged yet.</p>{/if}
<div class="ask">
	<TextField label="Estimated at" type="datetime-local" bind:value={moment} />
	{#if then.trouble}<p class="mind" role="alert">{then.trouble}</p>{/if}
	{#if then.value}
		<p aria-live="polite">
			<strong>{litres(then.value.level.litres)}</strong>, between {litres(then.value.level.low)} and {litres(
				then.value.level.high
			)}. {then.value.why}
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
</style>
