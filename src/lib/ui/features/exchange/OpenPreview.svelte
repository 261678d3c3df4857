<script lang="ts">
	import type { OpenFile } from '$lib/exchange';
	import type { App } from '$lib/state';
	import Notice from '../../kit/page/Notice.svelte';
	import Section from '../../kit/page/Section.svelte';
	import EntryPreview from './EntryPreview.svelte';
	import PointPreview from './PointPreview.svelte';
	import StopPreview from './StopPreview.svelte';
	import WayPreview from './WayPreview.svelte';

	/** What was found in a file of an open format, part by part; each part is kept, or not, by itself. */
	const { app, found, fileName }: { app: App; found: OpenFile; fileName: string } = $props();
	let done = $state.raw<ReadonlySet<string>>(new Set());
	const FORMATS: Readonly<Record<OpenFile['format'], string>> = {
		csv: 'a table (CSV)',
		gpx: 'GPX',
		geojson: 'GeoJSON',
		ics: 'a calendar (iCalendar)'
	};
	const MOST = 12;
	let allProblems = $state(false);
	const finish = (part: string) => (): void => void (done = new Set([...done, part]));
	const name = $derived(fileName.replace(/\.[^.]+$/, ''));
</script>

<p role="status">
	{fileName} is {FORMATS[found.format]}{found.encoding === 'UTF-8' ? '' : `, read as ${found.encoding}`}: {found
		.points.length} points,
	{found.stops.length} stops, {found.entries.length} entries{found.way ? ', a route' : ''}.
	{#if found.encoding === 'Latin-1'}Letters with accents may be wrong: look at the names.{/if}
</p>
{#if found.problems.length > 0}
	<Notice>
		<p>
			{found.problems.length === 1
				? 'One thing in it doesn’t fit'
				: `${found.problems.length} things in it don’t fit`}{found.points.length +
				found.stops.length +
				found.entries.length >
				0 || found.way
				? '; the rest is fine'
				: ''}:
		</p>
		<ul aria-label="What doesn’t fit">
			{#each allProblems ? found.problems : found.problems.slice(0, MOST) as { path, expected, got }, i (i)}
				<li><strong>{path}</strong>: expected {expected}; found {got}</li>
			{/each}
		</ul>
		{#if found.problems.length > MOST && !allProblems}<button
				class="quiet"
				onclick={() => (allProblems = true)}>Show all</button
			>{/if}
	</Notice>
{/if}
{#if found.points.length > 0 && !done.has('points')}
	<Section title="Points"
		><PointPreview {app} found={found.points} label={fileName} ondone={finish('points')} /></Section
	>
{/if}
{#if found.stops.length > 0 && !done.has('stops')}
	<Section title="Stops"><StopPreview {app} found={found.stops} {name} ondone={finish('stops')} /></Section>
{/if}
{#if found.entries.length > 0 && !done.has('entries')}
	<Section title="Entries"><EntryPreview {app} found={found.entries} ondone={finish('entries')} /></Section>
{/if}
{#if found.way && !done.has('way')}
	<Section title="The route"
		><WayPreview {app} way={found.way} trip={app.tripInView} ondone={finish('way')} /></Section
	>
{/if}
