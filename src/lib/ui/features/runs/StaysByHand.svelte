<script lang="ts">
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import Section from '../../kit/page/Section.svelte';

	/** What the longer stays of a trip ask of one's containers, before one books them. */
	const { app, trip }: { app: App; trip: string } = $props();

	const stays = latest(
		() => app.engine.ask('runs/staysByHand', { trip, hoseM: app.prefs.current.hoseM?.[app.rig?.id ?? ''] }),
		() => [app.engine.written, trip]
	);
</script>

{#if stays.value && stays.value.length > 0}
	<Section title="Carried by hand" ruled>
		<ul>
			{#each stays.value as { stop, container, says } (`${stop}|${container}`)}<li>{says}</li>{/each}
		</ul>
		<p class="soft small">
			For longer stays without a tap or drain. Choose another length, or a place that has one: <a
				href="/run/carry">Carry</a
			>.
		</p>
	</Section>
{/if}
