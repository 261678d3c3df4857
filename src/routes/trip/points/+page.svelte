<script lang="ts">
	import { useApp } from '$lib/state';
	import PlacesView from '$lib/ui/places/PlacesView.svelte';

	const app = useApp();
</script>

<PlacesView {app} />
