<script lang="ts">
	import type { Rig } from '$core/logbook';
	import { carryLoads, carrySetup, type CarryWish } from '$core/runs';
	import { isCarried, usableOf } from '$core/rig';
	import { formatLitres } from '$core/units';
	import { sayGoingIn, sayLoadOf, sayLoads } from '$core/words';
	import { errorMessage } from '$lib/errorMessage';
	import type { App } from '$lib/state';
	import Section from '../../../kit/page/Section.svelte';
	import type { RunBook } from '$lib/state/runBook.svelte';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import SelectField from '../../../kit/fields/SelectField.svelte';
	import Notice from '../../../kit/page/Notice.svelte';
	import Begin from './Begin.svelte';
	import JugStore from './JugStore.svelte';
	import RunFrame from '../RunFrame.svelte';
	import StayLoads from './StayLoads.svelte';
	import { placesFor, stopNow, waterAt } from './sources';

	interface Props {
		app: App;
		book: RunBook;
		rig: Rig;
		/** from the address: the container that was thought of */
		by: string | null;
	}
	const { app, book, rig, by }: Props = $props();

	const JUGS = 'jugs';
	const BOTTLES = 'bottles';
	const units = $derived(app.prefs.current.units);
	const litres = (l: number): string => formatLitres(l, units);
	const fresh = $derived(rig.tanks.filter((tank) => tank.holds === 'fresh' && !isCarried(rig, tank)));
	const levels = $derived(new Map(app.engine.assessment?.levels.tanks.map((one) => [one.id, one.litres])));
	const cans = $derived(rig.containers.filter(({ carries, count }) => carries === 'fresh' && count > 0));
	const here = $derived(stopNow(app.tripAtHand, app.nowMs));
	const places = $derived(placesFor(app.records.points, ['water'], here));

	// svelte-ignore state_referenced_locally
	let into = $state(fresh[0]?.id ?? '');
	const tank = $derived(fresh.find(({ id }) => id === into));
	const jugs = $derived(rig.tanks.filter(({ feeds }) => feeds === into));
	// svelte-ignore state_referenced_locally
	let vessel = $state(
		cans.find(({ id }) => id === by)?.id ??
			(rig.tanks.some((one) => one.feeds === fresh[0]?.id) ? JUGS : (cans[0]?.id ?? BOTTLES))
	);
	const roomL = $derived(tank ? Math.max(0, usableOf(tank) - (levels.get(tank.id) ?? 0)) : 0);
	let asked = $state<number | undefined>();
	const wantL = $derived(asked ?? Math.floor(roomL));
	/** so far over the room is no doubt of the level */
	const DOUBTED_SHARE = 0.15;
	const tooMuch = $derived(tank !== undefined && wantL > roomL + DOUBTED_SHARE * usableOf(tank));
	let bottleL = $state<number | undefined>(1.5);
	let how = $state<'gravity' | 'pump'>('gravity');
	// svelte-ignore state_referenced_locally
	let place = $state(places.find(({ id }) => id === here?.point)?.id ?? '');

	const wish = $derived.by((): CarryWish | undefined => {
		const container = cans.find(({ id }) => id === vessel);
		const carried: CarryWish['by'] | undefined = container
			? { kind: 'container', container }
			: vessel === JUGS && jugs.length > 0
				? { kind: 'jugs', ids: jugs.map(({ id }) => id) }
				: vessel === BOTTLES && bottleL !== undefined && bottleL > 0
					? { kind: 'bottles', litresEach: bottleL }
					: undefined;
		const water = waterAt(
			places.find(({ id }) => id === place),
			undefined
		);
		const potable = vessel === BOTTLES ? true : water?.potable;
		return carried && tank && wantL > 0
			? {
					into,
					litres: wantL,
					by: carried,
					how,
					source: {
						...(place === '' || vessel === BOTTLES ? {} : { point: place }),
						...(potable === undefined ? {} : { potable })
					}
				}
			: undefined;
	});
	const goingIn = $derived(wish && sayGoingIn(wish.source.potable));
	/** The trips of it, or what does not fit. */
	const found = $derived.by(() => {
		if (!wish) return undefined;
		try {
			const setup = carrySetup(rig, wish);
			const loads = carryLoads(rig, wish);
			const bottles = wish.by.kind === 'bottles';
			return {
				setup,
				lift: bottles ? undefined : sayLoadOf(loads.heaviestKg, units),
				says: bottles ? `${loads.loads} bottles.` : sayLoads(loads, units)
			};
		} catch (error) {
			return { wrong: `${errorMessage(error)}.` };
		}
	});
</script>

<RunFrame title="Carry" progress={tank ? `${tank.name} has room for ${litres(roomL)}` : ''}>
	{#snippet body()}
		<Section title="Water, by hand">
			{#if fresh.length === 0}<p>This rig has no fresh tank. Add one under <a href="/rig">Rig</a>.</p>
			{:else}
				<div class="fields">
					<SelectField
						label="With"
						bind:value={vessel}
						options={[
							...(jugs.length > 0 ? [{ value: JUGS, label: jugs.map(({ name }) => name).join(', ') }] : []),
							...cans.map(({ id, name, count }) => ({
								value: id,
								label: count > 1 ? `${count} × ${name}` : name
							})),
							{ value: BOTTLES, label: 'bought bottles' }
						]}
					/>
					{#if fresh.length > 1}
						<SelectField
							label="Into"
							bind:value={into}
							options={fresh.map(({ id, name }) => ({ value: id, label: name }))}
						/>
					{/if}
					<NumberField
						label="How much"
						value={asked}
						of="volume"
						{units}
						optional
						hint="Leave blank for what fits, {litres(Math.floor(roomL))}."
						onchange={(value) => (asked = value)}
					/>
					{#if vessel === BOTTLES}
						<NumberField label="One bottle holds" bind:value={bottleL} of="volume" {units} />
					{:else}
						<SelectField
							label="From"
							bind:value={place}
							options={[
								...places.map(({ id, name }) => ({ value: id, label: name })),
								{ value: '', label: 'another tap' }
							]}
						/>
						<SelectField
							label="Into the tank"
							bind:value={how}
							options={[
								{ value: 'gravity', label: 'by gravity' },
								{ value: 'pump', label: 'by a small pump' }
							]}
						/>
					{/if}
				</div>
				{#if asked !== undefined && asked > roomL + 1}
					<p class="mind">There is room for about {litres(roomL)}; the rest would overflow.</p>
				{/if}
				{#if found && 'wrong' in found}<p class="mind">{found.wrong}</p>
				{:else if found}
					<p class="says">{found.says}</p>
					{#if found.lift}<Notice><p>{found.lift}</p></Notice>{/if}
					{#if goingIn}<Notice><p>{goingIn}</p></Notice>{/if}
				{:else if roomL < 1}<p class="soft">{tank?.name} is full.</p>{/if}
			{/if}
		</Section>
		<JugStore {app} {rig} {levels} />
		<Section title="Waste, away">
			{#each rig.containers.filter(({ carries, count }) => carries !== 'fresh' && count > 0) as one (one.id)}
				<p>
					<a class="as-button" href="/run/dump?into={encodeURIComponent(one.id)}">{one.name}: {one.carries}</a
					>
				</p>
			{:else}
				<p class="soft">
					A tote, a drum on a carrier, a bucket: add it under <a href="/rig">Rig, Containers</a>.
				</p>
			{/each}
		</Section>
		<StayLoads {app} {rig} />
	{/snippet}
	{#snippet foot()}
		<Begin
			{app}
			{book}
			rig={rig.id}
			disabled={!found || 'wrong' in found || tooMuch}
			setup={() => (found && 'setup' in found ? found.setup : undefined)}
			does="Carry the water"
		/>
	{/snippet}
</RunFrame>

<style>
	.says {
		font-size: var(--step-1);
	}
</style>
