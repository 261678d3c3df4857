<script lang="ts">
	import type { Rig } from '$core/logbook';
	import { zonedTime } from '$core/time';
	import { axleLoads, fullLoad, payloadOf, spareLitres, weightOf } from '$core/rig';
	import {
		dayText,
		listed,
		OVER_A_LIMIT,
		sayAxle,
		sayOverFull,
		saySpare,
		TOTAL_COUNTS,
		WATER_WEIGHS,
		WEIGHING_CAUTION
	} from '$core/words';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import { elseOf, keepElse } from '$lib/ui/features/runs/start/ofRig';
	import Waiting from '$lib/ui/parts/notices/Waiting.svelte';
	import AxlesForm from '$lib/ui/features/rig/weighing/AxlesForm.svelte';
	import OtherLoad from '$lib/ui/features/rig/weighing/OtherLoad.svelte';
	import RigPlan from '$lib/ui/features/rig/weighing/RigPlan.svelte';
	import WeightTable from '$lib/ui/features/rig/weighing/WeightTable.svelte';

	const app = useApp();
	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.liveRig);
	const otherKg = $derived(rig && elseOf(app, rig));
	const stops = latest(() => {
		void app.engine.written;
		return app.engine.ask('trip/aboard');
	});
	const now = $derived(new Map(app.engine.assessment?.levels.tanks.map(({ id, litres }) => [id, litres])));
	const rows = $derived(
		rig
			? [
					{ name: 'Now', when: '', litres: now },
					...(stops.value ?? []).map((stop) => ({
						name: app.tripAtHand?.stops.find(({ id }) => id === stop.stop)?.name ?? stop.stop,
						when: `${dayText(zonedTime(stop.departMs, app.timeZone).day)}, leaving`,
						litres: stop.onDeparture
					})),
					{ name: 'Everything full', when: 'the most it can weigh', litres: fullLoad(rig) }
				].map((row) => ({ ...row, weight: weightOf(rig, row.litres) }))
			: []
	);
	const spare = $derived(rig && saySpare(spareLitres(rig, now, otherKg), units));
	const heaviestKg = $derived(Math.max(0, ...rows.map(({ weight }) => weight.totalKg)) + (otherKg ?? 0));
	const payloadKg = $derived(rig && payloadOf(rig));
	const overKg = $derived(payloadKg === undefined ? 0 : heaviestKg - payloadKg);
	/** what each axle may still take, where its limits and the places of the tanks are known: now, leaving each stop, everything full */
	const axles = $derived(rig ? rows.map((row) => ({ row, loads: axleLoads(rig, row.litres) ?? [] })) : []);
	const overAxle = $derived(axles.flatMap(({ loads }) => loads).some(({ sparesKg }) => sparesKg < 0));
	const placed = $derived(rig?.tanks.some(({ position }) => position) ?? false);
	const unplaced = $derived(
		rig?.tanks.filter(({ id }) => rows[0]?.weight.unplaced.includes(id)).map(({ name }) => name) ?? []
	);
	const putAxles = (axles: Rig['axles']): Promise<boolean> =>
		app.commands.change(
			'rig',
			rig?.id ?? '',
			({ axles: _before, ...newest }) => (axles ? { ...newest, axles } : newest),
			'Limits of axles and hitch'
		);
</script>

{#if rig && spare && app.engine.assessment}
	<Page up={{ href: '/rig', name: 'Rig' }} measure="text">
		<PageHead>
			{#snippet title()}{spare.figure} <span class="soft">{spare.says}</span>{/snippet}
			{#snippet says()}<p class="soft">{WATER_WEIGHS} {spare.missing ?? ''}</p>{/snippet}
		</PageHead>
		{#if payloadKg}
			<OtherLoad {payloadKg} {otherKg} {units} onchange={(kg) => void keepElse(app, rig.id, kg)} />
		{/if}
		{#if overKg > 0}<Notice
				><p>
					{sayOverFull(overKg, units)}
				</p></Notice
			>{/if}
		<Section title="Water and waste">
			<WeightTable {rows} payload={payloadKg !== undefined} {units} />
			{#if stops.trouble}<p class="mind" role="alert">{stops.trouble}</p>{/if}
			<p class="soft">
				{TOTAL_COUNTS}
			</p>
		</Section>
		{#if rig.axles}
			<Section title="Axles and hitch">
				{#if axles[0]?.loads.length === 0}
					<p class="soft">
						Enter where each tank is, in its form under “More”: {listed(unplaced)}. Then each axle’s load is
						calculated.
					</p>
				{:else}
					<ul class="read">
						{#each axles as { row, loads } (row.name)}
							<li><strong>{row.name}:</strong> {loads.map((load) => sayAxle(load, units)).join(' ')}</li>
						{/each}
					</ul>
				{/if}
				{#if overAxle}<Notice><p>{OVER_A_LIMIT}</p></Notice>{/if}
			</Section>
		{/if}
		<AxlesForm axles={rig.axles} {units} onchange={(axles) => void putAxles(axles)} />
		{#if placed}
			<details>
				<summary>Where the water is, seen from above</summary>
				<RigPlan {rig} litres={now} />
				<p class="soft">
					The cross is where the placed tanks balance.{unplaced.length > 0
						? ` Without a place: ${listed(unplaced)}.`
						: ''}
				</p>
			</details>
		{/if}
		<Notice
			><p>
				{WEIGHING_CAUTION}
			</p></Notice
		>
	</Page>
{:else if rig}<Waiting trouble={app.engine.trouble} />{/if}
