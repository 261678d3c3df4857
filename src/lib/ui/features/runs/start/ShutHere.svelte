<script lang="ts">
	import { goto } from '$app/navigation';
	import { zonedTime } from '$core/time';
	import type { Service } from '$core/logbook';
	import { capital, foundAt, SERVICE_NAMES, type FoundAt } from '$core/words';
	import type { App } from '$lib/state';
	import { notifyDone } from '../../../parts/acts/notify';
	import { reportAt } from '../../../parts/acts/reports';
	import { stopAtHand } from './sources';

	interface Props {
		app: App;
		/** the stop that was asked for; else the one that one is at */
		stop: string | null;
		kinds: readonly Service['kind'][];
	}
	/** One came to fill or dump and cannot: said in one tap, and the plan is made again from what is in the tanks. */
	const { app, stop: asked, kinds }: Props = $props();

	const trip = $derived(app.tripAtHand);
	const stop = $derived(stopAtHand(app, asked));
	const services = $derived((stop?.services ?? []).filter(({ kind }) => kinds.includes(kind)));

	async function report(service: Service, { works, note }: FoundAt): Promise<void> {
		if (!trip || !stop) return;
		const said = `${stop.name}, ${SERVICE_NAMES[service.kind]}: ${note ?? 'works'}`;
		const where = { point: stop.point, trip: trip.id, stop: stop.id };
		const day = zonedTime(app.nowMs, trip.timeZone).day;
		if (!(await reportAt(app, where, service.kind, { day, works, ...(note ? { note } : {}) }, said))) return;
		notifyDone(app, said);
		await goto('/trip');
	}
</script>

{#each services as service, i (i)}
	<p class="buttons">
		<span class="soft">{capital(SERVICE_NAMES[service.kind])} at {stop?.name}:</span>
		{#each foundAt(service.kind).filter(({ works }) => !works) as found (found.says)}<button
				class="quiet"
				aria-label="{capital(SERVICE_NAMES[service.kind])} at {stop?.name}: {found.says.toLowerCase()}"
				onclick={() => void report(service, found)}>{found.says}</button
			>{/each}
	</p>
{/each}
