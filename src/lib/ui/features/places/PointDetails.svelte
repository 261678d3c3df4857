<script lang="ts">
	import { zonedTime } from '$core/time';
	import { type Point } from '$core/logbook';
	import { hoursFromWords, placeText, sayHours, seenOn, type Report } from '$core/places';
	import { DRINK_ONLY, sayEach, sayVerified, SERVICE_NAMES } from '$core/words';
	import type { App } from '$lib/state';
	import { isOldNews } from '../../parts/map/content';
	import { notifyDone } from '../../parts/acts/notify';
	import { reportAt } from '../../parts/acts/reports';
	import Reports from '../../parts/places/Reports.svelte';

	interface Props {
		app: App;
		point: Point;
		onchange: () => void;
		onshow: () => void;
		/** nothing where there is no trip to add it to */
		onstop: (() => void) | undefined;
	}
	/** All that is known of a point, and what can be done with it. */
	const { app, point, onchange, onshow, onstop }: Props = $props();
	const today = $derived(zonedTime(app.nowMs, app.timeZone).day);
	const each = $derived(sayEach(point.services, app.prefs.current.units));
	const facts = $derived(
		[
			['Access', point.access],
			['Hours', point.hours],
			['Season', point.season],
			['Source', point.source],
			['Note', point.note]
		].filter((fact): fact is [string, string] => Boolean(fact[1]))
	);
	const spring = $derived(point.services.some(({ kind, potable }) => kind === 'water' && potable !== true));
	/** hours and season of old are a note; where they can be read they are offered as hours of every service that has none */
	const noted = $derived([point.season, point.hours].filter(Boolean).join(', '));
	const offered = $derived(
		noted !== '' && point.services.some(({ open }) => open === undefined) ? hoursFromWords(noted) : undefined
	);
	async function useHours(open: string): Promise<void> {
		const said = `${point.name}: open ${sayHours(open)}`;
		const changed = await app.commands.change(
			'point',
			point.id,
			(newest) => ({
				...newest,
				services: newest.services.map((service) =>
					service.open === undefined ? { ...service, open } : service
				)
			}),
			said
		);
		if (changed) notifyDone(app, said);
	}
	async function found(at: number, report: Report): Promise<void> {
		const service = point.services[at];
		if (!service) return;
		const said = `${point.name}, ${SERVICE_NAMES[service.kind]}: ${report.works ? 'works' : (report.note ?? 'does not work')}`;
		if (await reportAt(app, { point: point.id }, service.kind, report, said)) notifyDone(app, said);
	}
	async function stillSo(): Promise<void> {
		const said = `${point.name}: still right`;
		if (await app.commands.change('point', point.id, (newest) => seenOn(newest, today), said))
			notifyDone(app, said);
	}
</script>

<div class="details">
	<ul>
		{#each each as line, i (i)}<li>{line}</li>{/each}
	</ul>
	<Reports services={point.services} {today} onreport={(at, report) => void found(at, report)} />
	{#if offered}
		<p class="small">
			Its hours are a note so far: “{noted}”.
			<button class="small" onclick={() => void useHours(offered)}
				>Use as opening hours: {sayHours(offered)}</button
			>
		</p>
	{/if}
	{#if facts.length > 0}
		<dl>
			{#each facts as [name, value] (name)}<div>
					<dt class="soft">{name}</dt>
					<dd>{value}</dd>
				</div>{/each}
		</dl>
	{/if}
	<p class="soft small">{placeText(point.position)} · {sayVerified(point, isOldNews(point, app.nowMs))}</p>
	{#if spring}<p class="mind small">{DRINK_ONLY}</p>{/if}
	<p class="buttons">
		{#if onstop}<button class="small" onclick={onstop}>Stop here…</button>{/if}
		{#if point.verified !== today}<button class="small" onclick={() => void stillSo()}>Still right</button
			>{/if}
		<button class="small" onclick={onchange}>Change</button>
		<button class="quiet small" onclick={onshow}>Show on the map</button>
	</p>
</div>

<style>
	.details {
		display: grid;
		gap: var(--gap-2);
		padding: 0 0 var(--gap-3) 0;
		overflow-wrap: anywhere;
	}
	dl {
		display: grid;
		gap: 0.1rem;
	}
	dl div {
		display: grid;
		grid-template-columns: 5rem minmax(0, 1fr);
		gap: var(--gap-2);
	}
</style>
