<script lang="ts">
	import type { Container, Rig } from '$core/logbook';
	import { toteSetup, type Setup } from '$core/runs';
	import { emptyOf, isFrozenAt, loadsOf, USUAL_WASTE_HOSE } from '$core/rig';
	import { formatLitres } from '$core/units';
	import {
		DUMP_START_CAUTION,
		listed,
		NEVER_ON_THE_GROUND,
		sayKeepFree,
		sayLoads,
		sayNoDischarge,
		sayOutsideCaution
	} from '$core/words';
	import { errorMessage } from '$lib/errorMessage';
	import type { App } from '$lib/state';
	import type { RunBook } from '$lib/state/runBook.svelte';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import SelectField from '../../../kit/fields/SelectField.svelte';
	import Notice from '../../../kit/page/Notice.svelte';
	import Begin from './Begin.svelte';
	import { keepOfRig } from './ofRig';
	import RunFrame from '../RunFrame.svelte';
	import ShutHere from './ShutHere.svelte';
	import { placesFor, stopAtHand } from './sources';

	interface Props {
		app: App;
		book: RunBook;
		rig: Rig;
		/** from the address: what is wanted */
		wanted: { readonly tanks: readonly string[]; readonly into: string | null; readonly stop: string | null };
	}
	const { app, book, rig, wanted }: Props = $props();

	const DESIGNATED = '';
	/** no place of the file format: a service that calls, where one lies */
	const PUMPED = 'pump-out';
	const units = $derived(app.prefs.current.units);
	const litres = (l: number): string => formatLitres(l, units);
	const waste = $derived(rig.tanks.filter(({ holds }) => holds !== 'fresh'));
	const levels = $derived(new Map(app.engine.assessment?.levels.tanks.map((one) => [one.id, one.litres])));
	const here = $derived(stopAtHand(app, wanted.stop));
	const places = $derived(placesFor(app.records.points, ['grey', 'black', 'sewer'], here));
	const containers = $derived(
		rig.containers.filter(({ carries, count }) => carries !== 'fresh' && count > 0)
	);

	// svelte-ignore state_referenced_locally
	let tanks = $state.raw<readonly string[]>(
		wanted.tanks.length > 0
			? wanted.tanks
			: waste
					.filter(
						({ holds }) =>
							wanted.into === null || holds === containers.find(({ id }) => id === wanted.into)?.carries
					)
					.slice(0, wanted.into === null ? undefined : 1)
					.map(({ id }) => id)
	);
	// svelte-ignore state_referenced_locally
	let where = $state(
		containers.some(({ id }) => id === wanted.into)
			? (wanted.into ?? '')
			: here?.point !== undefined && places.some(({ id }) => id === here.point)
				? here.point
				: DESIGNATED
	);
	let partL = $state<number | undefined>(0);
	// svelte-ignore state_referenced_locally
	let hoseM = $state<number | undefined>(app.prefs.current.hoseM?.[rig.id] ?? USUAL_WASTE_HOSE.lengthM);

	const chosen = $derived(waste.filter(({ id }) => tanks.includes(id)));
	/** where nothing may go overboard, if one is there: the stop itself, or its point */
	const noDischarge = $derived(
		here?.noDischarge
			? here.name
			: app.records.points.find(({ id, noDischarge: none }) => none && id === here?.point)?.name
	);
	const onlyGrey = $derived(chosen.every(({ holds }) => holds === 'grey'));
	const container = $derived(containers.find(({ id }) => id === where));
	const options = $derived([
		...places.map(({ id, name }) => ({ value: id, label: name })),
		{
			value: DESIGNATED,
			label: `${places.length > 0 ? 'another' : 'a'} ${rig.kind === 'boat' ? 'pump-out or place' : 'place'} meant for it`
		},
		...(rig.kind === 'boat' ? [] : [{ value: PUMPED, label: 'a visiting pump-out' }]),
		{ value: 'sewer', label: 'a sewer connection' },
		...(onlyGrey ? [{ value: 'ground', label: 'on the ground, where that is allowed' }] : []),
		...(rig.kind === 'boat' ? [{ value: 'overboard', label: 'overboard, where that is allowed' }] : []),
		...containers.map(({ id, name }) => ({ value: id, label: `into ${name}` }))
	]);

	/** What does not fit between what is chosen, or nothing. */
	const problem = $derived.by((): string | undefined => {
		if (waste.length === 0)
			return 'Nothing in this rig runs into a waste tank. Enter in Rig where the water goes.';
		if (chosen.length === 0) return 'Choose a tank to get the steps in order.';
		const frozen = chosen.filter((tank) => isFrozenAt(tank, app.nowMs));
		if (frozen.length > 0)
			return `${listed(frozen.map(({ name }) => name))} can’t be emptied until it thaws.`;
		if (where === 'overboard' && noDischarge) return sayNoDischarge(noDischarge);
		if (where === 'ground' && !onlyGrey) return NEVER_ON_THE_GROUND;
		if (container && chosen.length > 1) return 'Empty one tank at a time into a container.';
		return undefined;
	});
	const hose = $derived(
		container && !chosen[0]?.portable && hoseM !== undefined && hoseM > 0
			? { ...USUAL_WASTE_HOSE, lengthM: hoseM }
			: undefined
	);
	const runsL = $derived(
		chosen.reduce((sum, tank) => sum + Math.max(0, (levels.get(tank.id) ?? 0) - emptyOf(tank)), 0)
	);
	/** The loads of a container, or what does not fit. */
	const tote = $derived.by((): { setup: Setup; says: string } | { wrong: string } | undefined => {
		const [tank] = chosen;
		if (!container || !tank || problem) return undefined;
		try {
			const setup = toteSetup(tank, container, Math.max(runsL, 0.1), hose, partL ?? 0);
			return { setup, says: sayTote(container) };
		} catch (error) {
			return { wrong: `${errorMessage(error)}.` };
		}
	});
	function sayTote(of: Container): string {
		const loads = loadsOf(of.carries, runsL, of, hose, partL ?? 0);
		return `${sayKeepFree(of.name, of.capacityL, loads.keepFreeL, hose !== undefined, units)} ${sayLoads(loads, units)}`;
	}

	const setup = (): Promise<Setup | undefined> | Setup | undefined =>
		tote && 'setup' in tote
			? tote.setup
			: app.engine.ask('runs/dumpSetup', {
					tanks,
					...(where === PUMPED ? { pumped: true } : where === DESIGNATED ? {} : { where })
				});
</script>

<RunFrame title="Dump" progress={chosen.length > 0 ? `${litres(runsL)} will run` : ''}>
	{#snippet body()}
		{#if waste.length > 0}
			<fieldset>
				<legend>Empty</legend>
				{#each waste as one (one.id)}
					<label class="check"
						><input
							type="checkbox"
							checked={tanks.includes(one.id)}
							onchange={(event) =>
								(tanks = event.currentTarget.checked
									? [...tanks, one.id]
									: tanks.filter((id) => id !== one.id))}
						/>
						{one.name}
						<span class="soft"
							>{litres(levels.get(one.id) ?? 0)}{one.portable ? ', carried by hand' : ''}</span
						></label
					>
				{/each}
			</fieldset>
			<SelectField label="Where" bind:value={where} {options} />
		{/if}
		{#if container}
			<div class="fields">
				<NumberField label="In {container.name} already" bind:value={partL} of="volume" {units} />
				{#if !chosen[0]?.portable}
					<NumberField
						label="Hose, metres"
						bind:value={hoseM}
						onchange={(metres) => void keepOfRig(app, 'hoseM', rig.id, metres)}
						suffix="m"
						hint="Calculated for 75 mm inside, the usual size; 0 for a bucket under the outlet."
					/>
				{/if}
			</div>
		{/if}
		{#if problem}<Notice><p>{problem}</p></Notice>
		{:else if tote && 'wrong' in tote}<Notice><p>{tote.wrong}</p></Notice>
		{:else if tote}<p class="says">{tote.says}</p>{/if}
		{#if where === 'ground' || where === 'overboard'}
			<Notice><p>{sayOutsideCaution(where === 'overboard')}</p></Notice>
		{/if}
		{#if waste.length > 0}
			<Notice calm><p>{DUMP_START_CAUTION}</p></Notice>
			{#if containers.length === 0}
				<p class="soft">
					A tote, a drum, a bucket? Add it under <a href="/rig">Rig, Containers</a>, and its loads are
					calculated here.
				</p>
			{/if}
		{/if}
		<ShutHere {app} stop={wanted.stop} kinds={['grey', 'black', 'sewer']} />
	{/snippet}
	{#snippet foot()}
		<Begin
			{app}
			{book}
			rig={rig.id}
			disabled={problem !== undefined || (tote !== undefined && 'wrong' in tote)}
			{setup}
		/>
	{/snippet}
</RunFrame>

<style>
	fieldset {
		border: 0;
		padding: 0;
		margin: 0;
		display: grid;
		gap: var(--gap-1);
	}
	.says {
		font-size: var(--step-1);
	}
</style>
