<script lang="ts">
	import type { Rig, Service } from '$core/logbook';
	import { sayStayLoads, SERVICE_NAMES } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import NumberField from '../fields/NumberField.svelte';
	import SelectField from '../fields/SelectField.svelte';

	/** A whole stay on a container, before one books it, beside the places that have the service. */
	const { app, rig }: { app: App; rig: Rig } = $props();

	const MOST_DAYS = 60;
	const units = $derived(app.prefs.current.units);
	const containers = $derived(rig.containers.filter(({ count }) => count > 0));
	let chosen = $state('');
	const container = $derived(containers.find(({ id }) => id === chosen) ?? containers[0]);
	let days = $state<number | undefined>(14);
	const fits = $derived(days !== undefined && days >= 1 && days <= MOST_DAYS);
	const stay = latest(() =>
		container && fits && days !== undefined
			? app.engine.runs({ kind: 'stay', container: container.id, days })
			: undefined
	);
	const SERVES: Readonly<Record<string, readonly Service['kind'][]>> = {
		fresh: ['mains', 'water'],
		grey: ['sewer', 'grey'],
		black: ['sewer', 'black']
	};
	const others = $derived(
		app.records.points.flatMap(({ id, name, services }) => {
			const service = services.find(({ kind }) => container && SERVES[container.carries]?.includes(kind));
			return service ? [{ id, name, service }] : [];
		})
	);
</script>

{#if container}
	<section>
		<h2>A whole stay</h2>
		<div class="two">
			{#if containers.length > 1}
				<SelectField
					label="With"
					value={container.id}
					options={containers.map(({ id, name }) => ({ value: id, label: name }))}
					onchange={(id) => (chosen = id)}
				/>
			{/if}
			<NumberField
				label="Days in one place"
				bind:value={days}
				error={fits || days === undefined ? undefined : `1 to ${MOST_DAYS}`}
			/>
		</div>
		{#if stay.trouble}<p class="mind" role="alert">{stay.trouble}</p>
		{:else if stay.value}
			<p class="says" aria-live="polite">{sayStayLoads(stay.value, units)}</p>
			{#if others.length > 0}
				<p class="soft">Beside it, with the service there:</p>
				<ul>
					{#each others as { id, name, service } (id)}
						<li>
							{name}: {SERVICE_NAMES[service.kind]}{service.fee
								? `, ${service.fee} a time`
								: ', no fee known'}{service.minutes ? `, ${service.minutes} min` : ''}
						</li>
					{/each}
				</ul>
			{/if}
		{/if}
	</section>
{/if}

<style>
	section {
		display: grid;
		gap: var(--gap-2);
	}
	h2 {
		font-size: var(--step-1);
	}
	.two {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
		gap: var(--gap-2) var(--gap-3);
		align-items: start;
	}
	.says {
		font-size: var(--step-1);
	}
</style>
