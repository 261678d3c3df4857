<script lang="ts">
	import { layUpOf, type LayUpStep, type WayBackStep } from '$core/care';
	import { tankById } from '$core/rig';
	import { LAY_UP_CAUTION, sayLayUpStep, sayRemains, sayWayBackStep } from '$core/words';
	import { useApp } from '$lib/state';
	import { drainedEntries } from '$lib/ui/features/care/drained';
	import TickList from '$lib/ui/features/care/TickList.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import { logSaying } from '$lib/ui/parts/acts/notify';

	const app = useApp();
	const rig = $derived(app.liveRig);
	const units = $derived(app.prefs.current.units);
	const litres = $derived(new Map(app.engine.assessment?.levels.tanks.map((one) => [one.id, one.litres])));
	const layUp = $derived(rig && layUpOf(rig, litres));
	const ticked = $derived((rig && app.prefs.current.layUp?.[rig.id]) ?? []);

	/** What a step is about, so that its tick stays with it when the rig changes. */
	const keyOf = (way: 'out' | 'back', step: LayUpStep | WayBackStep): string =>
		[
			way,
			step.do,
			'tank' in step ? step.tank : '',
			'outlet' in step ? step.outlet : '',
			'source' in step ? step.source : ''
		]
			.join(' ')
			.trim();
	const out = $derived(
		rig && layUp
			? layUp.steps.map((step) => ({ key: keyOf('out', step), step, ...sayLayUpStep(step, rig, units) }))
			: []
	);
	const back = $derived(
		rig && layUp
			? layUp.back.map((step) => ({ key: keyOf('back', step), ...sayWayBackStep(step, rig, units) }))
			: []
	);
	const left = $derived(out.filter(({ key }) => !ticked.includes(key)).length);
	/** the tanks of which it is ticked that they are empty, and that the log does not know as empty */
	const drained = $derived(
		out.flatMap(({ key, step }) =>
			ticked.includes(key) && 'tank' in step && step.do !== 'toilet' && (litres.get(step.tank) ?? 0) > 2
				? [step.tank]
				: []
		)
	);

	function put(ticks: readonly string[]): Promise<void> {
		const id = rig?.id ?? '';
		return app.choose(({ layUp: all }) => ({ layUp: { ...all, [id]: ticks } }));
	}
	const tick = (key: string, done: boolean): Promise<void> =>
		put(done ? [...ticked, key] : ticked.filter((one) => one !== key));

	async function write(): Promise<void> {
		if (!rig) return;
		const names = drained.map((id) => tankById(rig, id)?.name ?? id).join(', ');
		await logSaying(app, drainedEntries(rig, drained, app.nowOnTrip(), left === 0), `Emptied: ${names}`);
	}
</script>

{#if rig && layUp}
	<Page up={{ href: '/rig/care', name: 'Care' }} measure="text">
		<PageHead
			title={left === 0 ? 'All the water is out.' : `${left} of ${out.length} steps to go.`}
			says="For the winter, before frost in a rig you leave, or to drive home light."
		>
			{#snippet acts()}
				{#if drained.length > 0}<button class="primary" onclick={() => void write()}
						>Log the emptied tanks</button
					>{/if}
				<button class="screen-only" onclick={() => window.print()}>Print the list</button>
				{#if ticked.length > 0}<button class="screen-only" onclick={() => void put([])}>Start again</button
					>{/if}
			{/snippet}
		</PageHead>
		<Notice><p>{LAY_UP_CAUTION}</p></Notice>
		<Section title="Out">
			<TickList steps={out} {ticked} ontick={(key, done) => void tick(key, done)} />
		</Section>
		<Section title="What stays in">
			<ul class="read">
				{#each layUp.remains as remains, i (i)}<li>{sayRemains(remains, rig, units)}</li>{/each}
			</ul>
		</Section>
		<Section title="Back into use">
			<TickList steps={back} {ticked} ontick={(key, done) => void tick(key, done)} />
		</Section>
	</Page>
{/if}
