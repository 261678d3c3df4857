<script lang="ts">
	import type { App } from '$lib/state';
	import AheadDays from '$lib/ui/features/ahead/AheadDays.svelte';
	import BehindNews from '$lib/ui/features/exchange/handover/BehindNews.svelte';
	import Afterthoughts from '$lib/ui/features/now/Afterthoughts.svelte';

	/** What stands at the end of Now: the days ahead, who has not got the last ones, and what is good to know. */
	const { app }: { app: App } = $props();
</script>

<AheadDays {app} />
<BehindNews {app} />
<Afterthoughts {app} />
