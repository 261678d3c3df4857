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
</script>

<CrewNews {app} />
<AheadNews {app} />
{#if hasValves}<ValvesNews {app} />{/if}
<RunNews {app} />
