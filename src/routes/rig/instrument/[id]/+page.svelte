<script lang="ts">
	import { zonedTime } from '$core/time';
	import { page } from '$app/state';
	import { inOrder, instantMs } from '$core/logbook';
	import { suspicionsOf, tankById, withCurve, type CurveStep } from '$core/rig';
	import { INSTRUMENT_NAMES, dayText, saySuspicion } from '$core/words';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import GaugeLessons from '$lib/ui/features/rig/instrument/GaugeLessons.svelte';
	import MeterFacts from '$lib/ui/features/rig/instrument/MeterFacts.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import HeldChange from '$lib/ui/features/rig/change/HeldChange.svelte';
	import { Proposals } from '$lib/ui/features/rig/change/proposals.svelte';
	import RigForm from '$lib/ui/features/rig/RigForm.svelte';

	const app = useApp();
	const proposals = new Proposals(app);
	let changing = $state(false);

	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.liveRig);
	const instrument = $derived(rig?.instruments.find(({ id }) => id === page.params.id));
	const gauge = $derived(instrument?.kind === 'gauge' ? instrument : undefined);
	const tank = $derived(rig && instrument && tankById(rig, instrument.tank));
	const now = $derived(app.engine.assessment);
	const seen = latest(
		() => gauge && app.engine.ask('tank/calibrationPairs', gauge.id),
		() => [app.engine.written, gauge]
	);
	const doubted = $derived(new Set(now?.levels.doubts.map(({ entry }) => entry)));
	const suspicions = $derived(
		rig
			? suspicionsOf(rig, app.records.entries).filter(
					(one) => 'instrument' in one && one.instrument === instrument?.id
				)
			: []
	);
	const last = $derived(
		inOrder(
			app.rigEntries.filter(
				(entry) => entry.kind === 'reading' && entry.instrument === instrument?.id && !entry.void
			)
		).at(-1)
	);
	function take(steps: readonly CurveStep[]): void {
		const of = gauge;
		if (rig && of)
			void proposals.put(rig.id, (then) => withCurve(then, of.id, steps), `${of.name}: learned calibration`);
	}
</script>

{#if app.rig && rig && instrument && tank}
	<Page up={{ href: '/rig', name: 'Rig' }} measure="text">
		<PageHead title={instrument.name}>
			{#snippet says()}
				<p class="soft">
					{#if last?.kind === 'reading'}Last read {last.value} on
						{dayText(zonedTime(instantMs(last.at), app.timeZone).day)},{/if}
					{INSTRUMENT_NAMES[instrument.kind]} of
					<a href="/rig/tank/{encodeURIComponent(tank.id)}">{tank.name}</a>
				</p>
			{/snippet}
			{#snippet acts()}<button onclick={() => (changing = true)}>Change instrument</button>{/snippet}
		</PageHead>
		{#each suspicions as suspicion, i (i)}<Notice><p>{saySuspicion(rig, suspicion, units)}</p></Notice>{/each}
		<HeldChange {proposals} {rig} {units} />
		{#if gauge}
			<GaugeLessons
				{gauge}
				{tank}
				seen={seen.value ?? []}
				{doubted}
				trouble={seen.trouble}
				{units}
				theme={app.prefs.current.theme}
				onuse={take}
			/>
		{:else if instrument.kind === 'meter'}
			<MeterFacts meter={instrument} {units} />
		{:else}
			<Section title="What it says">
				<p>
					{tank.shape
						? 'A depth becomes litres by the tank’s shape.'
						: 'The tank has no shape yet, so a depth can’t be turned into litres.'}
					<a href="/rig/tank/{encodeURIComponent(tank.id)}">To {tank.name}</a>
				</p>
			</Section>
		{/if}
	</Page>
	{#if changing}
		<RigForm {app} rig={app.rig} part="instruments" id={instrument.id} onclose={() => (changing = false)} />
	{/if}
{:else if rig}
	<Page up={{ href: '/rig', name: 'Rig' }}><PageHead title="No such instrument" /></Page>
{/if}
