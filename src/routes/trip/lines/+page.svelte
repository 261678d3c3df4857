<script lang="ts">
	import { page } from '$app/state';
	import { useApp } from '$lib/state';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import TripInLines from '$lib/ui/features/trip/lines/TripInLines.svelte';

	const app = useApp();
	const id = $derived(page.url.searchParams.get('trip'));
	const trip = $derived(app.records.trips.find((one) => one.id === id));
	const back = $derived(trip ? `/trip?trip=${encodeURIComponent(trip.id)}` : '/trip');
</script>

<Page up={{ href: back, name: 'Trip' }}>
	{#if app.liveRig}
		{#key `${app.liveRig.id} ${trip?.id}`}<TripInLines {app} rig={app.liveRig} {trip} {back} />{/key}
	{:else}<PageHead title="No rig yet" says="Set up your rig first; a trip is planned for it." />{/if}
</Page>
