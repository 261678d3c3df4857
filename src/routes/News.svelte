<script lang="ts">
	import type { App } from '$lib/state';
	import AheadNews from '$lib/ui/features/ahead/AheadNews.svelte';
	import PourNews from '$lib/ui/features/now/PourNews.svelte';
	import CrewNews from '$lib/ui/features/now/CrewNews.svelte';
	import PlanNews from '$lib/ui/features/trip/PlanNews.svelte';
	import RunNews from '$lib/ui/features/runs/RunNews.svelte';
	import ValvesNews from '$lib/ui/features/now/ValvesNews.svelte';

	interface Props {
		app: App;
		/** waste goes into a sewer, or past the tanks */
		hasValves: boolean;
	}
	/** What Now asks and tells once one has seen what one came for. */
	const { app, hasValves }: Props = $props();
	const now = $derived(app.engine.assessment);
	const pours = $derived(now?.tanks.some(({ flags }) => flags.some((flag) => flag.pours)) === true);
	/** a service is due, the plan has changed, or something in it was passed by */
	const isPlanned = $derived.by(() => {
		const { plan } = app.prefs.current;
		const isNew =
			plan?.seen.trip === app.tripAtHand?.id && (plan?.note !== undefined || (plan?.asks.length ?? 0) > 0);
		return now?.due !== undefined || isNew;
	});
	const isHeard = $derived(app.prefs.current.listening?.[app.rig?.id ?? ''] !== undefined);
</script>

{#if isHeard}{#await import('$lib/ui/features/listen/HeardList.svelte') then { default: HeardList }}<HeardList
			{app}
		/>{/await}{/if}
<CrewNews {app} />
<AheadNews {app} />
{#if hasValves}<ValvesNews {app} />{/if}
<RunNews {app} />
{#if pours}<PourNews {app} />{/if}
{#if isPlanned}<PlanNews {app} />{/if}
