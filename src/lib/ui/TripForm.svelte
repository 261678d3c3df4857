<script lang="ts">
	import { zonedTime, type Problem, type Rig, type Trip } from '$core/logbook';
	import { problemsWith, saidProblems, type App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import type { Draft, Field } from './fields';
	import FieldsForm from './FieldsForm.svelte';
	import Sheet from './Sheet.svelte';

	const { app, rig, trip, onclose }: { app: App; rig: Rig; trip: Trip | undefined; onclose: () => void } =
		$props();

	const FIELDS: readonly Field[] = [
		{ key: 'name', label: 'Name', type: 'text' },
		{ key: 'from', label: 'First day', type: 'day' },
		{ key: 'to', label: 'Last day', type: 'day' },
		{ key: 'persons', label: 'People aboard', type: 'number' },
		{ key: 'timeZone', label: 'Time zone', type: 'text', hint: 'An IANA name such as Europe/London' },
		{
			key: 'policy.certainty',
			label: 'How sure the plan must be',
			type: 'number',
			optional: true,
			hint: '0.9 is nine chances in ten'
		},
		{ key: 'policy.feePerMinute', label: 'What a minute is worth', type: 'number', optional: true },
		{ key: 'policy.feePerKm', label: 'What a detour costs per km', type: 'number', optional: true },
		{
			key: 'policy.feePerKgKm',
			label: 'What carrying 1 kg for 1 km costs',
			type: 'number',
			optional: true,
			hint: '0: fill to the brim'
		}
	];
	const fresh = (): Draft => {
		const today = zonedTime(app.nowMs, app.timeZone).day;
		return {
			id: uuid(),
			rig: rig.id,
			name: '',
			timeZone: app.timeZone,
			from: today,
			to: today,
			persons: rig.crew,
			stops: [],
			policy: { certainty: 0.9 }
		};
	};
	// The form works on a copy of what was there when it was opened.
	// svelte-ignore state_referenced_locally
	let draft = $state.raw<Draft>(trip ?? fresh());
	let problems = $state.raw<readonly Problem[]>([]);

	async function save(next: Draft): Promise<void> {
		const change = { kind: 'trip' as const, value: next as unknown as Trip };
		problems = saidProblems(problemsWith(app.logbook(), change));
		if (problems.length > 0) return;
		await app.save(change, trip ? 'Trip changed' : 'New trip');
		onclose();
	}
</script>

<Sheet title={trip ? 'Change the trip' : 'New trip'} {onclose}>
	<FieldsForm
		fields={FIELDS}
		bind:draft
		units={app.prefs.current.units}
		timeZone={app.timeZone}
		{problems}
		onsubmit={(next) => void save(next)}
		oncancel={onclose}
	/>
</Sheet>
