<script lang="ts">
	import { page } from '$app/state';
	import { tripInUse } from '$core/logbook';
	import { sayInstant } from '$core/words';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import Card from '$lib/ui/features/trip/card/Card.svelte';
	import { cardOf } from '$lib/ui/features/trip/card/cardFacts';

	const app = useApp();
	const whole = $derived(
		app.records.trips.find(({ id }) => id === page.url.searchParams.get('trip')) ?? app.tripInView
	);
	const trip = $derived(whole && tripInUse(whole));
	const card = latest(() => {
		void app.engine.assessment;
		return trip ? cardOf(app, trip) : undefined;
	});
</script>

<Page up={{ href: trip ? `/trip?trip=${encodeURIComponent(trip.id)}` : '/trip', name: 'Trip' }}>
	{#if card.value && trip}
		<p class="buttons screen-only">
			<button class="primary" onclick={() => window.print()}>Print, or save as PDF</button>
			<span class="soft">Two sides of A5. The browser’s own print makes the PDF.</span>
		</p>
		<Card card={card.value} rig={app.rig?.name ?? ''} made={sayInstant(app.nowMs, app.timeZone)} />
	{:else if trip}<p class="soft" aria-live="polite">Making the card…</p>
	{:else}
		<h1>No trip to print</h1>
		<p><a href="/trip">To the trips</a></p>
	{/if}
</Page>
