<script lang="ts">
	import { HOUR_MS } from '$core/time';
	import type { EntryDraft, Tank } from '$core/logbook';
	import { pourOf, swapOf, tankById, usableOf } from '$core/rig';
	import { sayNeeded } from '$core/words';
	import type { App } from '$lib/state';
	import Notice from '../../kit/page/Notice.svelte';
	import { logSaying } from '../../parts/acts/notify';

	/** At its hour: what stands behind a tank is poured in, switched over, or takes over. */
	const { app }: { app: App } = $props();

	/** So long before a tank comes to its end one is told. */
	const AHEAD_MS = 3 * HOUR_MS;
	const now = $derived(app.engine.assessment);
	const rig = $derived(app.liveRig);
	const wanted = $derived(
		(now?.tanks ?? []).flatMap(({ id, flags, behind }) => {
			const flag = flags.find(({ pours }) => pours);
			const [of, other] = [rig && tankById(rig, id), rig && tankById(rig, behind?.tanks[0] ?? '')];
			return flag && of && other && flag.ms <= app.nowMs + AHEAD_MS ? [{ of, other }] : [];
		})
	);
	const levelOf = ({ id }: Tank): number => now?.levels.tanks.find((one) => one.id === id)?.litres ?? 0;

	/** What is done, and what it is called. */
	function act(of: Tank, other: Tank): { readonly does: string; readonly drafts: readonly EntryDraft[] } {
		const common = { source: 'hand', ...app.nowOnTrip() } as const;
		const room = (tank: Tank): number => Math.max(0, usableOf(tank) - levelOf(tank));
		const drafts =
			of.holds !== 'fresh'
				? [pourOf(of, other, { fromL: levelOf(of), roomL: room(other) })]
				: of.portable
					? swapOf(of, other, levelOf(other))
					: [pourOf(other, of, { fromL: levelOf(other), roomL: room(of) })];
		return {
			does:
				of.holds !== 'fresh' || of.portable
					? `Swap in ${other.name}`
					: other.portable
						? `Pour ${other.name} into ${of.name}`
						: `Switch ${other.name} into ${of.name}`,
			drafts: drafts.map((one) => ({ ...one, ...common }) as EntryDraft)
		};
	}
</script>

{#each wanted as { of, other } (of.id)}
	{@const { does, drafts } = act(of, other)}
	<Notice>
		<p>
			{sayNeeded(of, other.name)}
		</p>
		<p class="buttons"><button onclick={() => void logSaying(app, drafts, does)}>{does}: done</button></p>
	</Notice>
{/each}
