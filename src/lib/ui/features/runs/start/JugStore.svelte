<script lang="ts">
	import type { EntryDraft, Rig, Tank } from '$core/logbook';
	import { pourOf, swapOf, usableOf } from '$core/rig';
	import { formatLitres } from '$core/units';
	import type { App } from '$lib/state';
	import Section from '../../../kit/page/Section.svelte';
	import { logSaying } from '../../../parts/acts/notify';

	interface Props {
		app: App;
		rig: Rig;
		/** litres believed in each tank */
		levels: ReadonlyMap<string, number>;
	}
	/** The jugs that feed a tank or take turns at the tap: which stand full, which one in use. */
	const { app, rig, levels }: Props = $props();

	const FULL = 0.9;
	const EMPTY = 0.08;
	const units = $derived(app.prefs.current.units);
	const spares = $derived(rig.tanks.filter(({ feeds }) => feeds !== undefined));
	const fed = $derived(rig.tanks.filter(({ id }) => spares.some(({ feeds }) => feeds === id)));
	const share = (tank: Tank): number => (levels.get(tank.id) ?? 0) / usableOf(tank);
	const stands = (tank: Tank): string =>
		share(tank) >= FULL ? 'full' : share(tank) <= EMPTY ? 'empty' : 'partly full';

	const common = () => ({ source: 'hand', ...app.nowOnTrip() }) as const;
	const swap = (to: Tank, from: Tank): Promise<boolean> =>
		logSaying(
			app,
			swapOf(to, from, levels.get(from.id)).map((one) => ({ ...one, ...common() }) as EntryDraft),
			`${from.name} in use`
		);
	const pour = (to: Tank, from: Tank): Promise<boolean> =>
		logSaying(
			app,
			[
				{
					...pourOf(from, to, {
						fromL: levels.get(from.id),
						roomL: usableOf(to) - (levels.get(to.id) ?? 0)
					}),
					...common()
				} as EntryDraft
			],
			`${from.name} poured into ${to.name}`
		);
</script>

{#if spares.length > 0}
	<Section title="Jugs">
		<ul>
			{#each fed.filter(({ portable }) => portable) as one (one.id)}
				<li>
					<span>{one.name}</span><span class="soft"
						>{formatLitres(levels.get(one.id) ?? 0, units)}, in use</span
					>
				</li>
			{/each}
			{#each spares as one (one.id)}
				{@const to = fed.find(({ id }) => id === one.feeds)}
				<li>
					<span>{one.name}</span>
					<span class="soft">{formatLitres(levels.get(one.id) ?? 0, units)}, {stands(one)}</span>
					{#if to && share(one) > EMPTY}
						<button class="small" onclick={() => void (to.portable ? swap(to, one) : pour(to, one))}
							>{to.portable ? 'Swap in' : `Pour into ${to.name}`}</button
						>
					{/if}
				</li>
			{/each}
		</ul>
	</Section>
{/if}

<style>
	ul {
		width: 100%;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-1) var(--gap-3);
		align-items: center;
		padding: var(--gap-1) 0;
		border-top: var(--hairline);
	}
	.soft {
		flex: 1;
	}
</style>
