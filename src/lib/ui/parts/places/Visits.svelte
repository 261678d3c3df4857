<script lang="ts">
	import type { Visit } from '$core/places';
	import { capital, sayAgo, sayServices } from '$core/words';

	interface Props {
		visits: readonly Visit[];
		nowMs: number;
		timeZone: string;
		onconfirm: (visit: Visit) => void;
	}
	/** After a visit: is it still so? A tap keeps the directory right. */
	const { visits, nowMs, timeZone, onconfirm }: Props = $props();
	const DID: Readonly<Record<Visit['did'], string>> = {
		fill: 'You filled',
		dump: 'You dumped',
		stop: 'You were'
	};
</script>

{#each visits as visit (visit.point.id)}
	<p class="sentence">
		<span
			>{DID[visit.did]} at <strong>{visit.point.name}</strong>,
			{sayAgo(visit.atMs, nowMs, timeZone)}. {capital(sayServices(visit.point.services))}: is that still
			right?</span
		>
		<button class="small" aria-label="{visit.point.name} is still right" onclick={() => onconfirm(visit)}
			>Still right</button
		>
		<a class="small" href="/trip/points?point={encodeURIComponent(visit.point.id)}&change">It has changed</a>
	</p>
{/each}
