<script lang="ts">
	import type { Service } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import { capital, SERVICE_NAMES } from '$core/words';
	import NumberField from '../fields/NumberField.svelte';

	interface Props {
		services: readonly Service[];
		units: UnitChoice;
		onchange: (services: readonly Service[]) => void;
	}
	/** What there is at a stop: a tick for each kind, and what it costs. Further services of a kind stay as they are. */
	const { services, units, onchange }: Props = $props();

	const KINDS = Object.keys(SERVICE_NAMES) as readonly Service['kind'][];
	const first = (kind: Service['kind']): Service | undefined =>
		services.find((service) => service.kind === kind);
	const toggle = (kind: Service['kind'], on: boolean): void => {
		const others = services.filter((service) => service.kind !== kind);
		onchange(on ? [...others, { kind, ...(kind === 'water' ? { potable: true } : {}) }] : others);
	};
	const change = (service: Service, part: Partial<Service>): void =>
		onchange(services.map((one) => (one === service ? { ...service, ...part } : one)));
</script>

<fieldset>
	<legend>What there is</legend>
	{#each KINDS as kind (kind)}
		{@const service = first(kind)}
		<label class="check"
			><input
				type="checkbox"
				checked={service !== undefined}
				onchange={(event) => toggle(kind, event.currentTarget.checked)}
			/>
			{capital(SERVICE_NAMES[kind])}</label
		>
		{#if service}
			<div class="facts">
				{#if kind === 'water'}
					<label class="check"
						><input
							type="checkbox"
							checked={service.potable !== false}
							onchange={(event) => change(service, { potable: event.currentTarget.checked })}
						/> drinking water (a sign or a person says so)</label
					>
				{/if}
				<NumberField label="Fee" value={service.fee} optional onchange={(fee) => change(service, { fee })} />
				<NumberField
					label="Takes"
					value={service.minutes}
					suffix="min"
					optional
					onchange={(minutes) => change(service, { minutes })}
				/>
				<NumberField
					label="Detour"
					value={service.detourKm}
					of="distance"
					{units}
					optional
					onchange={(detourKm) => change(service, { detourKm })}
				/>
			</div>
		{/if}
	{/each}
</fieldset>

<style>
	.facts {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		gap: 0 var(--gap-2);
		padding: 0 0 var(--gap-2) 1.8rem;
	}
	.facts .check {
		grid-column: 1 / -1;
	}
</style>
