<script lang="ts">
	import { THOUGHT_OF, withIdea, type RigIdea } from '$core/plan';
	import { tankById, usableOf } from '$core/rig';
	import { FITTING_CAUTION, sayGain, TRIED_WITH } from '$core/words';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Comparison from '$lib/ui/features/rig/weighing/Comparison.svelte';
	import IdeaFields from '$lib/ui/features/rig/weighing/IdeaFields.svelte';

	const app = useApp();
	let tankId = $state('');
	let idea = $state.raw<RigIdea | undefined>();

	const units = $derived(app.prefs.current.units);
	const rig = $derived(app.liveRig);
	const tank = $derived(rig && (tankById(rig, tankId) ?? rig.tanks[0]));
	const next = $derived(rig && tank && idea && withIdea(rig, tank, idea));
	const thenL = $derived(
		tank && idea ? (idea.kind === 'capacity' ? idea.usableL : usableOf(tank) + idea.litres) : 0
	);
	// Both rigs are lived through in the worker.
	const both = latest(() => {
		const [now, then] = [rig, next];
		if (!now || !then) return undefined;
		return Promise.all([
			app.engine.ask('tank/autonomyFromFull', now),
			app.engine.ask('tank/autonomyFromFull', then)
		]);
	});
	const asIs = $derived(next && both.value?.[0]);
	const changed = $derived(next && both.value?.[1]);
	const nameOf = (id: string | undefined): string =>
		id === THOUGHT_OF ? (tank?.name ?? '') : (rig && id && tankById(rig, id)?.name) || 'none';
	const words = $derived(
		asIs && changed
			? sayGain(changed.autonomyDays.p50 - asIs.autonomyDays.p50, nameOf(asIs.binds), nameOf(changed.binds))
			: undefined
	);
</script>

{#if rig && tank}
	<Page up={{ href: '/rig', name: 'Rig' }} measure="text">
		<PageHead says={TRIED_WITH}>
			{#snippet title()}
				{#if words}{words.figure}<span class="soft">{words.says}</span>{:else}What if it held more?{/if}
			{/snippet}
		</PageHead>
		<IdeaFields {rig} {tank} {units} ontank={(id) => (tankId = id)} onidea={(thought) => (idea = thought)} />
		{#if both.trouble}<p class="mind" role="alert">{both.trouble}</p>{/if}
		<div aria-live="polite" aria-busy={both.waiting}>
			{#if asIs && changed}
				<Comparison
					{asIs}
					{changed}
					tank={{ name: tank.name, nowL: usableOf(tank), thenL }}
					{nameOf}
					{units}
				/>
			{:else if both.waiting}<p class="soft">Playing it through…</p>
			{:else}<p class="soft">Enter how much.</p>{/if}
		</div>
		<Notice calm
			><p>
				Nothing is changed in {rig.name}. {FITTING_CAUTION}
			</p></Notice
		>
	</Page>
{/if}
