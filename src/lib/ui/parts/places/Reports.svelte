<script lang="ts">
	import type { Service } from '$core/logbook';
	import type { Report } from '$core/places';
	import { capital, foundAt, SERVICE_NAMES, sayReport } from '$core/words';

	interface Props {
		services: readonly Service[];
		/** a calendar day */
		today: string;
		onreport: (at: number, report: Report) => void;
	}
	/** What is known of the services of a place and since when, and one tap to say what one found. */
	const { services, today, onreport }: Props = $props();
</script>

<ul class="reports">
	{#each services as service, at (at)}
		<li>
			<span class="small soft"
				>{capital(sayReport(service, today) ?? `${SERVICE_NAMES[service.kind]}: no report yet`)}.</span
			>
			<span class="taps">
				{#each foundAt(service.kind) as { says, works, note } (says)}<button
						type="button"
						class="quiet small"
						aria-label="{capital(SERVICE_NAMES[service.kind])}: {says.toLowerCase()}"
						onclick={() => onreport(at, { day: today, works, ...(note ? { note } : {}) })}>{says}</button
					>{/each}
			</span>
		</li>
	{/each}
</ul>

<style>
	.reports {
		display: grid;
		gap: var(--gap-1);
		padding: 0;
		list-style: none;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 var(--gap-3);
		align-items: center;
	}
	.taps {
		display: flex;
		gap: var(--gap-1);
	}
</style>
