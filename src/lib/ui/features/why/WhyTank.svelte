<script lang="ts">
	import { bearsOn } from '$core/findings';
	import { LOOK_AHEAD_DAYS } from '$core/now';
	import { formatLitres } from '$core/units';
	import { NOTHING_OF_TANK, sayLevelRange } from '$core/words';
	import { latest } from '$lib/engine';
	import { lastingOf } from '$core/forecast';
	import type { App } from '$lib/state';
	import Findings from '../../parts/notices/Findings.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';
	import Spans from '../../kit/page/Spans.svelte';
	import { mendSaying } from '../../parts/acts/notify';
	import BasisTable from './BasisTable.svelte';
	import Lasting from './Lasting.svelte';
	import WhatIs from '../../parts/glossary/WhatIs.svelte';

	/** Why a tank holds what it holds and lasts as long as it does, from the entries up. */
	const { app, tank: id, onclose }: { app: App; tank: string; onclose: () => void } = $props();

	const now = $derived(app.engine.assessment);
	const units = $derived(app.prefs.current.units);
	const tank = $derived(app.rig?.tanks.find((one) => one.id === id));
	const level = $derived(now?.levels.tanks.find((one) => one.id === id));
	const foretold = $derived(now?.forecast.tanks.find((one) => one.id === id));
	const days = $derived(foretold && lastingOf(foretold));
	const lasting = latest(() => {
		void now;
		return app.engine.ask('tank/whyLasting', id);
	});
	const findings = $derived(
		now?.findings?.filter(({ finding }) => app.rig && bearsOn(finding, app.rig, id)) ?? []
	);
	const rests = latest(() => {
		void now;
		return app.engine.ask('tank/whyLevel', id);
	});
	const say = (litres: number): string => formatLitres(litres, units);
</script>

{#if app.rig && tank && level}
	<Sheet title="Why {say(level.litres)} in {tank.name}?" {onclose}>
		<p><Spans spans={sayLevelRange(level, units)} /></p>
		{#if rests.value?.why}<p>{rests.value.why}</p>{/if}
		{#if lasting.value}
			<h3>How long it lasts</h3>
			<Lasting
				name={tank.name}
				fresh={tank.holds === 'fresh'}
				lasting={lasting.value}
				days={days && days.p90 < LOOK_AHEAD_DAYS ? days : undefined}
				{units}
			/>
		{/if}
		{#if rests.trouble}<p role="alert">
				What the level is based on couldn’t be worked out: {rests.trouble}
			</p>{/if}
		{#if lasting.trouble}<p role="alert">How long it lasts couldn’t be worked out: {lasting.trouble}</p>{/if}
		{#if rests.value && rests.value.basis.length > 0}
			<h3>The level is based on</h3>
			<BasisTable
				basis={rests.value.basis}
				entries={app.rigEntries}
				context={{ rig: app.rig, trips: app.records.trips, units }}
				timeZone={app.timeZone}
				since="since the tank was last known full or empty"
			/>
		{:else if rests.value}
			<p>{NOTHING_OF_TANK}</p>
		{/if}
		{#if findings.length > 0}
			<h3>Mind</h3>
			<Findings {findings} onmend={(mend, label) => void mendSaying(app, mend, label)} />
		{/if}
		<WhatIs words={['range', 'usable', 'reserve', 'headroom']} />
		<p><button onclick={onclose}>Close</button></p>
	</Sheet>
{/if}
