<script lang="ts">
	import { useApp } from '$lib/state';
	import HeardDays from '$lib/ui/features/listen/HeardDays.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';

	const app = useApp();
</script>

<Page>
	<PageHead title="Heard by the meter">
		{#snippet acts()}<a class="as-button" href="/ledger">Ledger</a>{/snippet}
	</PageHead>
	<HeardDays {app} />
</Page>
