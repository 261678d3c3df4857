<script lang="ts">
	import type { Rig, Service } from '$core/logbook';
	import { whereIs } from '$core/plan';
	import { formatQuantity } from '$core/units';
	import { sayStayLoads, SERVICE_NAMES } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import Section from '../../../kit/page/Section.svelte';
	import NumberField from '../../../kit/fields/NumberField.svelte';
	import SelectField from '../../../kit/fields/SelectField.svelte';
	import { nearestWith, stopNow } from './sources';

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
			? app.engine.ask('runs/stayLoads', {
					container: container.id,
					days,
					hoseM: app.prefs.current.hoseM?.[rig.id]
				})
			: undefined
	);
	const SERVES: Readonly<Record<string, readonly Service['kind'][]>> = {
		fresh: ['mains', 'water'],
		grey: ['sewer', 'grey'],
		black: ['sewer', 'black']
	};
	const MOST = 5;
	const others = $derived.by(() => {
		const stop = stopNow(app.tripAtHand, app.nowMs);
		const here = stop && whereIs(stop, app.records.points);
		return container
			? nearestWith(app.records.points, SERVES[container.carries] ?? [], here).slice(0, MOST)
			: [];
	});
</script>

{#if container}
	<Section title="A whole stay">
		<div class="fields">
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
				<p class="soft">With the tap or drain there:</p>
				<ul>
					{#each others as { point, service, km } (point.id)}
						<li>
							{point.name}{km === undefined ? '' : `, ${formatQuantity(km, 'distance', units)} away`}: {SERVICE_NAMES[
								service.kind
							]}{service.fee ? `, ${service.fee} a time` : ', fee not known'}{service.minutes
								? `, ${service.minutes} min`
								: ''}
						</li>
					{/each}
				</ul>
			{/if}
		{/if}
	</Section>
{/if}

<style>
	.says {
		font-size: var(--step-1);
	}
</style>
