<svelte:options runes />

<script lang="ts">
	import { CSV_TABLES, TAG_ROWS } from '$lib/ui/features/data/formatPage';
	import RecordFields from '$lib/ui/features/data/RecordFields.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import Terms from '$lib/ui/kit/page/Terms.svelte';
</script>

<Page up={{ href: '/data', name: 'Data' }} measure="text">
	<PageHead
		title="How files are written"
		says="You can take everything out and bring it back without this application: one JSON file for all of it; tables, maps and calendars for parts."
	/>
	<Section title="The logbook (*.logbook.json)" ruled>
		<p>
			One JSON file with <code>format: "dipsometer-logbook"</code>, <code>version: 1</code>,
			<code>exportedAt</code>, and four lists: <code>rigs</code>, <code>trips</code>, <code>points</code>,
			<code>entries</code>. Litres, millimetres, kilograms, kilometres, minutes, °C and bar, whatever is shown
			on screen; instants in ISO 8601 with an offset; ids are unique in their list. Fields that are not known
			are kept and written back. Entries are never erased: a later <code>edited</code> wins, <code>void</code>
			voids one. The <a href="/api/schema" data-sveltekit-reload>JSON Schema</a> describes all of it for programs.
		</p>
		<RecordFields />
	</Section>
	<Section title="Tables (CSV)" ruled>
		<p>
			RFC 4180, UTF-8, a header row with the names of the fields, one record a row. Also read: semicolons and
			tabs, decimal commas, UTF-16 and Latin-1, names of tanks and habits in place of ids, times without an
			offset in the zone of the trip. A text that begins like a formula gets a <code>'</code> before it, which is
			removed on import.
		</p>
		<Terms terms={CSV_TABLES.map(({ name, columns }) => ({ term: name, says: columns.join(', ') }))} />
	</Section>
	<Section title="Maps (GPX 1.1, GeoJSON)" ruled>
		<p>
			Points are waypoints or features with the tags of the open map; a trip is a route with its stops, and
			its track where it has one. Besides the tags there is our own record under <code>dipsometer</code>: it
			counts while the tags agree. An imported track or route gives the lengths of the legs along it.
		</p>
		<Terms terms={TAG_ROWS.map(([term, says]) => ({ term, says }))} />
	</Section>
	<Section title="Calendars (iCalendar, RFC 5545)" ruled>
		<p>
			Each stop is an event with what is to be done there; at the last chance for a tank an alarm rings on
			arrival. Imported events become stops: with <code>Z</code>, with a zone by name or by definition, or,
			without one, by the clock of the trip. A repeating event comes once.
		</p>
	</Section>
</Page>
