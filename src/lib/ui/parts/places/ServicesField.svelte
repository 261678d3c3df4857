<script lang="ts">
	import { isShut, SHUT, type Service } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import { capital, REGULATOR, SERVICE_NAMES } from '$core/words';
	import NumberField from '../../kit/fields/NumberField.svelte';
	import SelectField from '../../kit/fields/SelectField.svelte';
	import TextField from '../../kit/fields/TextField.svelte';
	import HoursField from './HoursField.svelte';

	interface Props {
		services: readonly Service[];
		units: UnitChoice;
		/** whether a text of opening hours can be read */
		reads: (open: string) => PromiseLike<boolean | undefined> | undefined;
		onchange: (services: readonly Service[]) => void;
	}
	/** What is here at a stop: a tick for each kind, what it costs, and what else one knows of it; more than one of a kind, too. */
	const { services, units, reads, onchange }: Props = $props();

	const KINDS = Object.keys(SERVICE_NAMES) as readonly Service['kind'][];
	const isWater = (kind: Service['kind']): boolean => kind === 'water' || kind === 'mains';
	/** Nobody has looked at a sign on one's behalf. */
	const DRINKING = { unsaid: undefined, yes: true, no: false } as const;
	const saidOf = ({ potable }: Service): keyof typeof DRINKING =>
		potable === undefined ? 'unsaid' : potable ? 'yes' : 'no';
	const placesOf = (kind: Service['kind']): readonly number[] =>
		services.flatMap((service, i) => (service.kind === kind ? [i] : []));
	const toggle = (kind: Service['kind'], on: boolean): void => {
		const others = services.filter((service) => service.kind !== kind);
		onchange(on ? [...others, { kind }] : others);
	};
	/** A field that is emptied is left out. */
	function change(at: number, part: Partial<Service>): void {
		const next = { ...services[at], ...part } as Record<string, unknown>;
		for (const [key, value] of Object.entries(part))
			if (value === undefined || value === '') delete next[key];
		onchange(services.map((one, i) => (i === at ? (next as unknown as Service) : one)));
	}
	const toDay = (value: string): string | undefined => (value === '' ? undefined : value);
</script>

{#snippet facts(service: Service, at: number)}
	<div class="facts">
		{#if isWater(service.kind)}
			<div class="drinking">
				<SelectField
					label="Is it drinking water?"
					value={saidOf(service)}
					options={[
						{ value: 'unsaid', label: 'not known' },
						{ value: 'yes', label: 'yes: a sign or a person says so' },
						{ value: 'no', label: 'no' }
					]}
					onchange={(said) => change(at, { potable: DRINKING[said as keyof typeof DRINKING] })}
				/>
			</div>
		{/if}
		<NumberField label="Fee" value={service.fee} optional onchange={(fee) => change(at, { fee })} />
		<NumberField
			label="Takes"
			value={service.minutes}
			suffix="min"
			optional
			onchange={(minutes) => change(at, { minutes })}
		/>
		<NumberField
			label="Detour"
			value={service.detourKm}
			of="distance"
			{units}
			optional
			onchange={(detourKm) => change(at, { detourKm })}
		/>
		{#if !isShut(service)}
			<div class="whole">
				<HoursField open={service.open} {reads} onchange={(open) => change(at, { open })} />
			</div>
		{/if}
		<details>
			<summary>More of it</summary>
			<label class="check"
				><input
					type="checkbox"
					checked={isShut(service)}
					onchange={(event) => change(at, { open: event.currentTarget.checked ? SHUT : undefined })}
				/>
				shut: frozen or out of order</label
			>
			<div class="more">
				<NumberField
					label="Flow"
					value={service.flowLpm}
					suffix="L/min"
					optional
					onchange={(flowLpm) => change(at, { flowLpm })}
				/>
				{#if isWater(service.kind)}
					<NumberField
						label="Pressure up to"
						value={service.barMax}
						suffix="bar"
						optional
						hint={REGULATOR}
						onchange={(barMax) => change(at, { barMax })}
					/>
				{/if}
				<TextField
					label="Last checked on"
					type="date"
					value={service.verified ?? ''}
					onchange={(value) => change(at, { verified: toDay(value) })}
				/>
				<TextField
					label="Note"
					value={service.note ?? ''}
					onchange={(note) => change(at, { note: note === '' ? undefined : note })}
				/>
			</div>
		</details>
	</div>
{/snippet}

<fieldset>
	<legend>What is here</legend>
	{#each KINDS as kind (kind)}
		{@const places = placesOf(kind)}
		<label class="check"
			><input
				type="checkbox"
				checked={places.length > 0}
				onchange={(event) => toggle(kind, event.currentTarget.checked)}
			/>
			{capital(SERVICE_NAMES[kind])}</label
		>
		{#each places as at, i (i)}
			{@const service = services[at]}
			{#if service}
				{#if i > 0}
					<p class="another">
						<strong>{capital(SERVICE_NAMES[kind])}, another one</strong>
						<button
							type="button"
							class="quiet small"
							onclick={() => onchange(services.filter((_, place) => place !== at))}>Remove</button
						>
					</p>
				{/if}
				{@render facts(service, at)}
			{/if}
		{/each}
		{#if places.length > 0}
			<p class="another">
				<button type="button" class="quiet small" onclick={() => onchange([...services, { kind }])}
					>Another {SERVICE_NAMES[kind]} here</button
				>
			</p>
		{/if}
	{/each}
</fieldset>

<style>
	.facts,
	.more {
		display: grid;
		gap: 0 var(--gap-2);
	}
	.facts {
		grid-template-columns: repeat(auto-fit, minmax(7.25rem, 1fr));
		row-gap: var(--gap-1);
		padding-left: 1.8rem;
	}
	.more {
		grid-template-columns: repeat(2, minmax(0, 1fr));
	}
	.drinking,
	.whole,
	details {
		grid-column: 1 / -1;
	}
	summary {
		min-height: var(--touch);
		padding-top: 0.6rem;
		cursor: pointer;
	}
	.another {
		padding-left: 1.8rem;
		display: flex;
		gap: var(--gap-2);
		align-items: center;
	}
</style>
