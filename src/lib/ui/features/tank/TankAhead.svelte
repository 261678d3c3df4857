<script lang="ts">
	import { DAY_MS } from '$core/time';
	import type { Forecast } from '$core/forecast';
	import type { Tank } from '$core/logbook';
	import { formatLitres } from '$core/units';
	import { READ_AHEAD, sayDay } from '$core/words';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import Chart from '../../parts/charts/Chart.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import DataTable from '../../kit/page/DataTable.svelte';
	import InFigures from '../../kit/page/InFigures.svelte';
	import KeptPlace from '../../kit/page/KeptPlace.svelte';

	/** What is expected in a tank, day by day, as far as one likes; drawn as it comes. */
	const { tank }: { tank: Tank } = $props();
	const app = useApp();
	const HORIZONS = ['14', '30', '90', '365'];
	const HEIGHT_PX = 200;
	/** No more rows than one reads. */
	const ROWS = 14;
	let horizon = $state('14');
	let part = $state.raw<Forecast | undefined>();
	const units = $derived(app.prefs.current.units);
	const litres = (l: number): string => formatLitres(l, units);
	const ahead = latest(
		() => {
			part = undefined;
			return app.engine.ask('now/forecastByDay', Number(horizon), (so) => (part = so));
		},
		() => [app.engine.written, app.rig?.id, horizon]
	);
	const shown = $derived(ahead.waiting ? (part ?? ahead.value) : ahead.value);
	const days = $derived(shown?.tanks.find(({ id }) => id === tank.id)?.byDay ?? []);
	const nowL = $derived(app.engine.assessment?.levels.tanks.find(({ id }) => id === tank.id));
	const levels = $derived([
		...(nowL ? [{ ms: app.nowMs, low: nowL.low, litres: nowL.litres, high: nowL.high }] : []),
		...days.map(({ day, p10, p50, p90 }) => ({
			ms: app.nowMs + day * DAY_MS,
			low: p10,
			litres: p50,
			high: p90
		}))
	]);
	const every = $derived(Math.max(1, Math.ceil(days.length / ROWS)));
</script>

<SelectField
	label="Days ahead"
	bind:value={horizon}
	options={HORIZONS.map((value) => ({ value, label: `${value} days` }))}
/>
{#if ahead.trouble}<p class="mind" role="alert">{ahead.trouble}</p>{/if}
{#if days.length > 1 || (!ahead.trouble && (ahead.waiting || !ahead.value))}
	<KeptPlace height="{HEIGHT_PX}px">
		{#if days.length > 1}
			<Chart
				spec={{
					kind: 'past',
					shown: { tank, past: { id: tank.id, levels, readings: [] }, units, timeZone: app.timeZone }
				}}
				theme={app.prefs.current.theme}
				heightPx={HEIGHT_PX}
				label="Level of {tank.name} expected in the days ahead, with its range"
			/>
		{:else}<p class="soft">Looking ahead…</p>{/if}
	</KeptPlace>
	<p class="soft">
		{READ_AHEAD}{ahead.waiting && days.length > 1 ? ` Worked out so far: ${days.length} days.` : ''}
	</p>
	<InFigures>
		<DataTable
			columns={[
				{ name: 'Day' },
				{ name: 'Level', number: true },
				{ name: '1 in 10 below', number: true },
				{ name: '1 in 10 above', number: true }
			]}
		>
			{#each days.filter((_, i) => i % every === 0) as { day, p10, p50, p90 } (day)}
				<tr>
					<th scope="row">{sayDay(app.nowMs + day * DAY_MS, app.nowMs, app.timeZone)}</th>
					<td class="number">{litres(p50)}</td>
					<td class="number">{litres(p10)}</td>
					<td class="number">{litres(p90)}</td>
				</tr>
			{/each}
		</DataTable>
	</InFigures>
{/if}
