<script lang="ts">
	import type { EntryDraft } from '$core/logbook';
	import { isDrainedBy, openTanks, usableOf, type SeaState } from '$core/rig';
	import { capital, saySea, sayValveCaution, sayValves, sayValveToSea, SEA_CAUTION } from '$core/words';
	import type { App } from '$lib/state';
	import Notice from '../../kit/page/Notice.svelte';
	import { logSaying } from '../../parts/acts/notify';

	/** Which valves are set how: a boat's to the sea or the tank, a hook-up's open or shut; each set by one tap. */
	const { app }: { app: App } = $props();

	/** A black tank at a sewer is dumped when it is so full. */
	const TWO_THIRDS = 2 / 3;
	const now = $derived(app.engine.assessment);
	const rig = $derived(app.liveRig);
	const black = $derived(
		(rig?.tanks ?? []).filter(({ holds, portable }) => holds === 'black' && portable !== true)
	);
	const toilets = $derived((rig?.outlets ?? []).filter(({ to }) => black.some(({ id }) => id === to)));
	const sea = $derived<SeaState>(now?.sea ?? {});
	const bySea = $derived((sea.flush?.length ?? 0) > 0);
	/** tanks past which waste may go overboard */
	const built = $derived((rig?.tanks ?? []).filter(({ holds, portable }) => holds !== 'fresh' && !portable));
	const atSea = (id: string): boolean => sea.waste?.includes(id) === true;
	const open = $derived(rig && now ? openTanks(rig, now.sewer) : []);
	const full = $derived(
		black.filter(
			(tank) =>
				!isDrainedBy(now?.sewer ?? false, tank) &&
				(now?.levels.tanks.find(({ id }) => id === tank.id)?.litres ?? 0) >= TWO_THIRDS * usableOf(tank)
		)
	);
	const boat = $derived(rig?.kind === 'boat' && toilets.length > 0);
	const noDischarge = $derived(
		app.tripAtHand?.stops.find(
			({ arrive, depart, noDischarge: none }) =>
				none && Date.parse(arrive) <= app.nowMs && Date.parse(depart) > app.nowMs
		)?.name
	);

	const set = (more: object, label: string): Promise<boolean> =>
		logSaying(
			app,
			[
				{
					kind: 'hookup',
					mains: now?.mains ?? false,
					sewer: now?.sewer ?? false,
					...(now?.sea ? { sea: now.sea } : {}),
					...more,
					source: 'hand',
					...app.nowOnTrip()
				} as EntryDraft
			],
			label
		);
	const seaSet = (next: SeaState, label: string): Promise<boolean> =>
		set({ sea: { flush: [], waste: [], ...sea, ...next } }, label);
	const toggled = (id: string): readonly string[] =>
		open.includes(id) ? open.filter((one) => one !== id) : [...open, id];
</script>

{#if rig && boat}
	<p class="line">
		<span>{capital(saySea(rig, sea))}.</span>
		<button
			class="small"
			onclick={() =>
				void seaSet(
					{ flush: bySea ? [] : toilets.map(({ id }) => id) },
					bySea ? 'Flushed from the tank' : 'Flushed with sea water'
				)}>{bySea ? 'Flush from the tank' : 'Flush with sea water'}</button
		>
		{#each built.filter(({ id }) => atSea(id) || noDischarge === undefined) as tank (tank.id)}
			{@const says = atSea(tank.id) ? `Keep ${tank.name} aboard` : `${tank.name} to sea`}
			<button
				class="small"
				onclick={() =>
					void seaSet(
						{
							waste: atSea(tank.id)
								? (sea.waste ?? []).filter((id) => id !== tank.id)
								: [...(sea.waste ?? []), tank.id]
						},
						says
					)}>{says}</button
			>
		{/each}
	</p>
	{#if (sea.waste ?? []).length > 0}
		{#if noDischarge !== undefined}
			<Notice
				><p>
					{sayValveToSea(noDischarge)}
				</p></Notice
			>
		{:else}<p class="soft small">{SEA_CAUTION}</p>{/if}
	{/if}
{/if}
{#if rig && now && now.sewer !== false}
	<p class="line">
		<span>At the sewer: {sayValves(rig, now.sewer)}.</span>
		{#each built as tank (tank.id)}
			<button
				class="small"
				onclick={() =>
					void set({ sewer: toggled(tank.id) }, `${tank.name} ${open.includes(tank.id) ? 'shut' : 'open'}`)}
				>{open.includes(tank.id) ? 'Shut' : 'Open'} {tank.name}</button
			>
		{/each}
	</p>
	{#each full as tank (tank.id)}
		<p class="mind">
			<strong>{tank.name} is two thirds full:</strong>
			<a href="/run/dump?tank={encodeURIComponent(tank.id)}">dump and rinse it</a>.
		</p>
	{:else}
		{@const caution = sayValveCaution(rig, now.sewer)}
		{#if caution}<p class="soft small">{caution}</p>{/if}
	{/each}
{/if}

<style>
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2);
		align-items: center;
	}
</style>
