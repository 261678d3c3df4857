<script lang="ts">
	import { useApp } from '$lib/state';
	import PointPreview from '$lib/ui/features/exchange/PointPreview.svelte';
	import PlacesView from '$lib/ui/features/places/PlacesView.svelte';
	import StopForm from '$lib/ui/features/trip/StopForm.svelte';

	const app = useApp();
</script>

<PlacesView {app}>
	{#snippet preview(found, ondone)}
		<PointPreview {app} {found} label="From the directory" {ondone} />
	{/snippet}
	{#snippet newStop(trip, at, onclose)}
		<StopForm {app} {trip} stop={undefined} {at} {onclose} />
	{/snippet}
</PlacesView>
