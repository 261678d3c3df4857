<script lang="ts">
	import { instantMs, zonedIso, type Problem, type Service, type Stop, type Trip } from '$core/logbook';
	import { problemsWith, saidProblems, type App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import type { Draft, Field } from './fields';
	import FieldsForm from './FieldsForm.svelte';
	import NumberField from './NumberField.svelte';
	import Sheet from './Sheet.svelte';

	const { app, trip, stop, onclose }: { app: App; trip: Trip; stop: Stop | undefined; onclose: () => void } =
		$props();
	const units = $derived(app.prefs.current.units);

	const FIELDS: readonly Field[] = [
		{ key: 'name', label: 'Name', type: 'text' },
		{ key: 'arrive', label: 'Arrive', type: 'moment' },
		{ key: 'depart', label: 'Leave', type: 'moment' },
		{ key: 'legKm', label: 'Way to get there', type: 'number', of: 'distance' },
		{ key: 'persons', label: 'People from here on', type: 'number', optional: true }
	];
	const KINDS = [
		['water', 'Water'],
		['grey', 'Grey drain'],
		['black', 'Black disposal'],
		['mains', 'Mains water'],
		['sewer', 'Sewer']
	] as const;

	const HOUR = 3_600_000;
	const fresh = (): Draft => {
		const after = Math.max(app.nowMs, ...trip.stops.map(({ depart }) => instantMs(depart))) + HOUR;
		return {
			id: uuid(),
			name: '',
			arrive: zonedIso(after, trip.timeZone),
			depart: zonedIso(after + 24 * HOUR, trip.timeZone),
			legKm: 0,
			services: []
		};
	};
	// svelte-ignore state_referenced_locally
	let draft = $state.raw<Draft>(stop ?? fresh());
	// svelte-ignore state_referenced_locally
	let services = $state.raw<readonly Service[]>(stop?.services ?? []);
	let problems = $state.raw<readonly Problem[]>([]);

	const has = (kind: Service['kind']): Service | undefined =>
		services.find((service) => service.kind === kind);
	const toggle = (kind: Service['kind'], on: boolean): void => {
		const others = services.filter((service) => service.kind !== kind);
		services = on ? [...others, { kind, ...(kind === 'water' ? { potable: true } : {}) }] : others;
	};
	const change = (kind: Service['kind'], part: Partial<Service>): void => {
		services = services.map((service) => (service.kind === kind ? { ...service, ...part } : service));
	};

	async function put(stops: readonly Stop[], label: string): Promise<void> {
		const value: Trip = {
			...trip,
			stops: [...stops].sort((a, b) => instantMs(a.arrive) - instantMs(b.arrive))
		};
		const index = value.stops.findIndex(({ id }) => id === draft.id);
		problems = saidProblems(problemsWith(app.logbook(), { kind: 'trip', value })).map((problem) => ({
			...problem,
			path: problem.path.replace(`$.stops[${index}]`, '$')
		}));
		if (problems.length > 0) return;
		await app.save({ kind: 'trip', value }, label);
		onclose();
	}
	const rest = $derived(trip.stops.filter(({ id }) => id !== stop?.id));
	const save = (next: Draft): Promise<void> =>
		put([...rest, { ...next, services } as unknown as Stop], stop ? 'Stop changed' : 'Stop added');
</script>

<Sheet title={stop ? `Change ${stop.name}` : 'Add a stop'} {onclose}>
	<FieldsForm
		fields={FIELDS}
		bind:draft
		{units}
		timeZone={trip.timeZone}
		{problems}
		onsubmit={(next) => void save(next)}
		oncancel={onclose}
	>
		{#snippet extra()}
			<fieldset>
				<legend>What there is</legend>
				{#each KINDS as [kind, word] (kind)}
					{@const service = has(kind)}
					<div class="service">
						<label class="check"
							><input
								type="checkbox"
								checked={service !== undefined}
								onchange={(event) => toggle(kind, event.currentTarget.checked)}
							/>
							{word}</label
						>
						{#if service}
							<div class="facts">
								{#if kind === 'water'}
									<label class="check"
										><input
											type="checkbox"
											checked={service.potable !== false}
											onchange={(event) => change(kind, { potable: event.currentTarget.checked })}
										/> drinking water (a sign or a person says so)</label
									>
								{/if}
								<NumberField
									label="Fee"
									value={service.fee}
									optional
									onchange={(fee) => change(kind, { fee })}
								/>
								<NumberField
									label="Takes"
									value={service.minutes}
									suffix="min"
									optional
									onchange={(minutes) => change(kind, { minutes })}
								/>
								<NumberField
									label="Detour"
									value={service.detourKm}
									of="distance"
									{units}
									optional
									onchange={(detourKm) => change(kind, { detourKm })}
								/>
							</div>
						{/if}
					</div>
				{/each}
			</fieldset>
		{/snippet}
	</FieldsForm>
	{#if stop}
		<p><button onclick={() => void put(rest, 'Stop taken out')}>Take this stop out</button></p>
	{/if}
</Sheet>

<style>
	fieldset {
		border: 0;
		border-top: var(--hairline);
		padding: var(--gap-2) 0 0;
		margin: 0;
	}
	legend {
		font-weight: 650;
		padding-right: var(--gap-2);
	}
	.check {
		display: flex;
		gap: var(--gap-2);
		align-items: center;
		min-height: var(--touch);
	}
	.check input {
		width: 1.25rem;
		height: 1.25rem;
		flex: none;
	}
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
