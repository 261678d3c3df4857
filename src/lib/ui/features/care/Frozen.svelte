<script lang="ts">
	import { dayPlus, zonedIso, zonedMs, zonedTime } from '$core/time';
	import { instantMs, type Rig, type Tank } from '$core/logbook';
	import { isFrozenAt } from '$core/rig';
	import { sayFrozen, THAW_CAUTION } from '$core/words';
	import type { App } from '$lib/state';
	import { notifyDone } from '../../parts/acts/notify';

	/** Waste tanks whose valve or contents are frozen: forecasts and plans do not count on emptying them until they thaw. */
	const { app, rig }: { app: App; rig: Rig } = $props();

	const NOON = 12;
	const waste = $derived(rig.tanks.filter(({ holds, portable }) => holds !== 'fresh' && portable !== true));
	const frozen = $derived(waste.filter((tank) => isFrozenAt(tank, app.nowMs)));

	async function put({ id, name }: Tank, until: 'noon' | 'open' | 'thawed'): Promise<void> {
		const noonMs = zonedMs(dayPlus(zonedTime(app.nowMs, app.timeZone).day, 1), app.timeZone, NOON);
		const since = zonedIso(app.nowMs, app.timeZone);
		const state =
			until === 'thawed'
				? {}
				: { frozen: { since, ...(until === 'noon' ? { until: zonedIso(noonMs, app.timeZone) } : {}) } };
		const label = until === 'thawed' ? `${name} has thawed` : `${name} is frozen`;
		const kept = await app.commands.change(
			'rig',
			rig.id,
			(newest) => ({
				...newest,
				tanks: newest.tanks.map((tank) => {
					if (tank.id !== id) return tank;
					const { frozen: _before, ...rest } = tank;
					return { ...rest, ...state };
				})
			}),
			label
		);
		if (kept) notifyDone(app, label);
	}
</script>

{#each frozen as tank (tank.id)}
	<p class="mind">
		{sayFrozen(
			tank.name,
			tank.frozen?.until === undefined ? undefined : instantMs(tank.frozen.until),
			app.nowMs,
			app.timeZone
		)}
		<button class="small" onclick={() => void put(tank, 'thawed')}>It has thawed</button>
	</p>
{/each}
{#if waste.length > frozen.length}
	<details>
		<summary>A valve or a tank is frozen</summary>
		<p class="soft">
			{THAW_CAUTION}
		</p>
		{#each waste.filter((tank) => !frozen.includes(tank)) as tank (tank.id)}
			<p class="buttons">
				<span>{tank.name}:</span>
				<button class="small" onclick={() => void put(tank, 'noon')}>Frozen until tomorrow noon</button>
				<button class="small" onclick={() => void put(tank, 'open')}>Frozen until I say otherwise</button>
			</p>
		{/each}
	</details>
{/if}
