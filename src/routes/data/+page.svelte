<script lang="ts">
	import { page } from '$app/state';
	import { sayContent } from '$core/words';
	import { useApp } from '$lib/state';
	import Aside from '$lib/ui/features/data/Aside.svelte';
	import HandOver from '$lib/ui/features/data/HandOver.svelte';
	import ImportLogbook from '$lib/ui/features/exchange/ImportLogbook.svelte';
	import InThisBrowser from '$lib/ui/features/data/InThisBrowser.svelte';
	import LookAndUnits from '$lib/ui/features/data/LookAndUnits.svelte';
	import OwnTiles from '$lib/ui/features/data/OwnTiles.svelte';
	import SaveAs from '$lib/ui/features/exchange/SaveAs.svelte';
	import ListeningSources from '$lib/ui/features/listen/ListeningSources.svelte';
	import Wipe from '$lib/ui/features/data/Wipe.svelte';
	import InTurn from '$lib/ui/kit/page/InTurn.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';

	const app = useApp();
	const { records } = app;
	const content = $derived(sayContent(records));
	/** somebody comes for a part of it: what stands over that stands before one looks */
	const atOnce = $derived(page.url.hash !== '');
</script>

<Page measure="text">
	<PageHead title="Data" />
	<div id="save">
		<Section title="Save and share" ruled>
			<p>Everything in one open file, as JSON: {content}.</p>
			<HandOver {app} />
		</Section>
	</div>
	<InTurn {atOnce}>
		<Section title="For other programs" ruled><SaveAs {app} /></Section>
	</InTurn>
	<InTurn {atOnce}>
		<Section title="In this browser" ruled><InThisBrowser {app} /></Section>
	</InTurn>
	<InTurn {atOnce}>
		<div id="read">
			<Section title="Import" ruled>
				<p>
					A logbook from another device or person is merged with yours. Points, routes, tables and calendars
					come from GPX, GeoJSON, CSV and iCalendar. You see what each changes first; nothing is saved
					unasked.
				</p>
				<ImportLogbook {app} />
			</Section>
		</div>
	</InTurn>
	<InTurn {atOnce}>
		<div id="listen">
			<Section title="A meter that counts by itself" ruled><ListeningSources {app} /></Section>
		</div>
	</InTurn>
	<InTurn {atOnce}>
		<Section title="Look and units" ruled><LookAndUnits {app} /></Section>
	</InTurn>
	<InTurn {atOnce}>
		<Section title="Map" ruled><OwnTiles {app} /></Section>
	</InTurn>
	{#if records.aside.length > 0}
		<InTurn {atOnce}>
			<Section title="Kept aside" ruled><Aside aside={records.aside} /></Section>
		</InTurn>
	{/if}
	<InTurn {atOnce}>
		<Section title="Stand-in devices" ruled>
			<p>
				A simulated flow meter: in <a href="/run/fill">a fill by a hose meter</a> it counts by itself, with or
				without the server. A simulated rig lives through a day in a minute, above. A directory of invented
				places, in <a href="/trip/points">Points and map</a>; simulated weather, at each stop. No real device
				or service is contacted.
			</p>
		</Section>
	</InTurn>
	<InTurn {atOnce}>
		<Section title="Wipe" ruled><Wipe {app} /></Section>
	</InTurn>
</Page>
