<script lang="ts">
	import { Z90 } from '$core/numerics';
	import { page } from '$app/state';
	import type { Rig, Shape } from '$core/logbook';
	import { neverBinds, suspicionsOf, tankById, withTank } from '$core/rig';
	import { formatLitres } from '$core/units';
	import { saySuspicion } from '$core/words';
	import { useApp } from '$lib/state';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import Sheet from '$lib/ui/kit/page/Sheet.svelte';
	import HeldChange from '$lib/ui/features/rig/change/HeldChange.svelte';
	import { Proposals } from '$lib/ui/features/rig/change/proposals.svelte';
	import RigForm from '$lib/ui/features/rig/RigForm.svelte';
	import DipSection from '$lib/ui/features/tank/dip/DipSection.svelte';
	import DrainCard from '$lib/ui/features/tank/dip/DrainCard.svelte';
	import ShapeEditor from '$lib/ui/features/tank/shape/ShapeEditor.svelte';
	import ShapeSection from '$lib/ui/features/tank/shape/ShapeSection.svelte';
	import TankAhead from '$lib/ui/features/tank/TankAhead.svelte';
	import TankPast from '$lib/ui/features/tank/TankPast.svelte';
	import TrialsSection from '$lib/ui/features/tank/trial/TrialsSection.svelte';

	const app = useApp();
	const proposals = new Proposals(app);
	let open = $state<'shape' | 'tank' | undefined>();

	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.liveRig);
	const tank = $derived(rig && tankById(rig, page.params.id ?? ''));
	const now = $derived(app.engine.assessment);
	const level = $derived(now?.levels.tanks.find(({ id }) => id === tank?.id));
	const flags = $derived(now?.tanks.find(({ id }) => id === tank?.id)?.flags ?? []);
	const litres = (l: number): string => formatLitres(l, units);
	const suspicions = $derived(
		rig && tank
			? suspicionsOf(rig, app.records.entries).filter((one) => 'tank' in one && one.tank === tank.id)
			: []
	);
	const about = $derived(
		tank &&
			[
				tank.holds,
				`rated ${litres(tank.nominalL)}`,
				tank.usableL === undefined
					? `usable volume not measured yet${level ? `; it seems to be ${litres(level.usableL)}, give or take ${litres(Z90 * level.usableSdL)}` : ''}`
					: `${litres(tank.usableL)} usable`,
				...(tank.deadL ? [`${litres(tank.deadL)} the pump can’t reach`] : [])
			].join(', ')
	);

	const put = (change: (rig: Rig) => Rig, label: string): void =>
		void (rig && proposals.put(rig.id, change, label));
	function keepShape(shape: Shape | undefined): void {
		open = undefined;
		const of = tank;
		if (of) put((now) => withTank(now, of.id, { shape }), `${of.name}: shape changed`);
	}
</script>

{#if app.rig && rig && tank}
	<Page up={{ href: '/rig', name: 'Rig' }} measure="text">
		<PageHead title={tank.name} says={about}>
			{#snippet acts()}<button onclick={() => (open = 'tank')}>Change tank</button>{/snippet}
		</PageHead>
		{#each suspicions as suspicion, i (i)}<Notice><p>{saySuspicion(rig, suspicion, units)}</p></Notice>{/each}
		<HeldChange {proposals} {rig} {units} />
		<Section title="Over the trip"><TankPast {tank} /></Section>
		{#if !neverBinds(rig, tank)}<Section title="In the days ahead"><TankAhead {tank} /></Section>{/if}
		<TrialsSection {rig} {tank} {units} timeZone={app.timeZone} {put} />
		<ShapeSection {tank} litresNow={level?.litres} {units} onchange={() => (open = 'shape')} />
		{#if tank.shape}
			<DipSection tank={{ ...tank, shape: tank.shape }} instruments={rig.instruments} {flags} {units} />
			{#if tank.shape.form !== 'table'}
				<Section title="What is left after draining">
					<DrainCard {tank} shape={tank.shape} engine={app.engine} {units} />
				</Section>
			{/if}
		{/if}
	</Page>
	{#if open === 'shape'}
		<Sheet title="Shape of {tank.name}" wide onclose={() => (open = undefined)}>
			<ShapeEditor {rig} {tank} {units} onsave={keepShape} oncancel={() => (open = undefined)} />
		</Sheet>
	{:else if open === 'tank'}
		<RigForm {app} rig={app.rig} part="tanks" id={tank.id} onclose={() => (open = undefined)} />
	{/if}
{:else if rig}
	<Page up={{ href: '/rig', name: 'Rig' }}>
		<PageHead title="No such tank" says="{rig.name} has no tank at that address." />
	</Page>
{/if}
