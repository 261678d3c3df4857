<script lang="ts">
	import { zonedTime } from '$core/time';
	import { type Rig, type Trip } from '$core/logbook';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import { Correction } from '../../../state/correction.svelte';
	import type { Draft } from '../../kit/fields/fields';
	import FieldsForm from '../../kit/fields/FieldsForm.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';
	import { newTrip, tripFields } from './tripFields';

	const { app, rig, trip, onclose }: { app: App; rig: Rig; trip: Trip | undefined; onclose: () => void } =
		$props();
	const deviceZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
	const fresh = (): Trip =>
		newTrip(uuid(), rig.id, zonedTime(app.nowMs, deviceZone).day, deviceZone, rig.crew);
	// The form works on the trip as it was when it was opened.
	// svelte-ignore state_referenced_locally
	const correction = new Correction(app, 'trip', trip);
	// svelte-ignore state_referenced_locally
	let draft = $state.raw<Draft>((trip ?? fresh()) as unknown as Draft);

	async function save(next: Draft): Promise<void> {
		if (await correction.save(next as unknown as Trip, trip ? 'Trip changed' : 'New trip')) onclose();
	}
</script>

<Sheet title={trip ? 'Change the trip' : 'New trip'} {onclose}>
	<FieldsForm
		fields={tripFields(draft, deviceZone)}
		bind:draft
		units={app.prefs.current.units}
		timeZone={app.timeZone}
		problems={correction.problems}
		conflicts={correction.conflicts}
		onsubmit={(next) => void save(next)}
		oncancel={onclose}
	/>
</Sheet>
