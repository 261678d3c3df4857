<script lang="ts">
	import { zonedTime } from '$core/time';
	import { seenOn, toConfirm, type Visit } from '$core/places';
	import { capital, sayAgo, sayServices } from '$core/words';
	import type { App } from '$lib/state';
	import { notifyDone } from '../shell/saying';

	interface Props {
		app: App;
		/** only of this point */
		of?: string | undefined;
		most?: number;
	}
	/** After a visit: is it still so? A tap keeps the directory right. */
	const { app, of, most = 2 }: Props = $props();
	const DID: Readonly<Record<Visit['did'], string>> = {
		fill: 'You filled',
		dump: 'You dumped',
		stop: 'You were'
	};

	const visits = $derived(
		toConfirm(app.records.points, app.rigEntries, app.records.trips, app.nowMs, app.timeZone)
			.filter(({ point }) => of === undefined || point.id === of)
			.slice(0, most)
	);
	async function confirm({ point }: Visit): Promise<void> {
		const today = zonedTime(app.nowMs, app.timeZone).day;
		const said = `${point.name}: still so`;
		if (await app.commands.change('point', point.id, (newest) => seenOn(newest, today), said))
			notifyDone(app, said);
	}
</script>

{#each visits as visit (visit.point.id)}
	<p class="sentence">
		<span
			>{DID[visit.did]} at <strong>{visit.point.name}</strong>,
			{sayAgo(visit.atMs, app.nowMs, app.timeZone)}. {capital(sayServices(visit.point.services))}: still so?</span
		>
		<button class="small" aria-label="{visit.point.name} is still so" onclick={() => void confirm(visit)}
			>Still so</button
		>
		<a class="small" href="/trip/points?point={encodeURIComponent(visit.point.id)}&change">It has changed</a>
	</p>
{/each}
