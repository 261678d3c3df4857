<script lang="ts">
	import { page } from '$app/state';
	import { useApp } from '$lib/state';
	import TakeView from '$lib/ui/features/exchange/handover/TakeView.svelte';

	const app = useApp();
</script>

<TakeView
	{app}
	fragment={page.url.hash.slice(1)}
	scan={page.url.searchParams.has('scan')}
	from={page.url.searchParams.get('from')}
/>
