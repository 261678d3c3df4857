<script lang="ts">
	import type { Trip } from '$core/logbook';
	import type { App } from '$lib/state';
	import { Correction } from '../../../state/correction.svelte';
	import type { Draft } from '../../kit/fields/fields';
	import FieldsForm from '../../kit/fields/FieldsForm.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';
	import { tripFields } from './tripFields';

	const { app, trip, onclose }: { app: App; trip: Trip; onclose: () => void } = $props();
	const deviceZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
	// The form works on the trip as it was when it was opened.
	// svelte-ignore state_referenced_locally
	const correction = new Correction(app, 'trip', trip);
	// svelte-ignore state_referenced_locally
	let draft = $state.raw<Draft>(trip as unknown as Draft);

	async function save(next: Draft): Promise<void> {
		if (await correction.save(next as unknown as Trip, 'Trip changed')) onclose();
	}
</script>

<Sheet title="Change the trip" {onclose}>
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
