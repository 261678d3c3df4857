<script lang="ts">
	import type { Stop, Trip } from '$core/logbook';
	import type { App } from '$lib/state';
	import StopForm from './StopForm.svelte';
	import TripForm from './TripForm.svelte';
	import type { OpenOfTrip } from './openOfTrip';

	interface Props {
		app: App;
		/** with what is retired in it */
		trip: Trip | undefined;
		open: OpenOfTrip | undefined;
		onclose: () => void;
	}
	/** The forms of a trip and its stops, one of which is open, or none. */
	const { app, trip, open, onclose }: Props = $props();

	const stopOf = (id: string): Stop | undefined => trip?.stops.find((stop) => stop.id === id);
</script>

{#if trip && open?.form === 'trip'}<TripForm {app} {trip} {onclose} />
{:else if trip && open?.form === 'new stop'}<StopForm
		{app}
		{trip}
		stop={undefined}
		after={open.after}
		{onclose}
	/>
{:else if trip && open?.form === 'stop'}<StopForm {app} {trip} stop={stopOf(open.stop)} {onclose} />
{/if}
