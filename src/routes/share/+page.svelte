<script lang="ts">
	import { page } from '$app/state';
	import { useApp } from '$lib/state';
	import ShareView from '$lib/ui/features/exchange/handover/ShareView.svelte';

	const app = useApp();
</script>

<ShareView {app} to={page.url.searchParams.get('with') ?? undefined} />
