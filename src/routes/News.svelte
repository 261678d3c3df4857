<script lang="ts">
	import type { App } from '$lib/state';
	import AheadNews from '$lib/ui/features/ahead/AheadNews.svelte';
	import CrewNews from '$lib/ui/features/now/CrewNews.svelte';
	import RunNews from '$lib/ui/features/runs/RunNews.svelte';
	import ValvesNews from '$lib/ui/features/now/ValvesNews.svelte';

	interface Props {
		app: App;
		/** waste goes into a sewer, or past the tanks */
		hasValves: boolean;
	}
	/** What Now asks and tells once one has seen what one came for. */
	const { app, hasValves }: Props = $props();
	const isHeard = $derived(app.prefs.current.listening?.[app.rig?.id ?? ''] !== undefined);
</script>

{#if isHeard}{#await import('$lib/ui/features/listen/HeardList.svelte') then { default: HeardList }}<HeardList
			{app}
		/>{/await}{/if}
<CrewNews {app} />
<AheadNews {app} />
{#if hasValves}<ValvesNews {app} />{/if}
<RunNews {app} />
