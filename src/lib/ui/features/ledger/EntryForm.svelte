<script lang="ts">
	import { instantMs, type Entry } from '$core/logbook';
	import { CORRECTION_REPLACES, KIND_WORDS, sayKind } from '$core/words';
	import type { App } from '$lib/state';
	import { Correction } from '../../../state/correction.svelte';
	import type { Draft } from '../../kit/fields/fields';
	import FieldsForm from '../../kit/fields/FieldsForm.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';
	import { notifyDone } from '../../parts/acts/notify';
	import { entryFields } from './entryFields';

	const { app, entry, onclose }: { app: App; entry: Entry; onclose: () => void } = $props();
	// The form works on the entry as it was when it was opened.
	// svelte-ignore state_referenced_locally
	const correction = new Correction(app, 'entry', entry);
	// svelte-ignore state_referenced_locally
	let draft = $state.raw<Draft>(entry as unknown as Draft);
	const isFuture = $derived(typeof draft.at === 'string' && instantMs(draft.at) > app.nowMs);

	async function save(next: Draft): Promise<void> {
		if (!(await correction.save(next as unknown as Entry, `${KIND_WORDS[entry.kind]} corrected`))) return;
		notifyDone(app, 'Corrected.');
		onclose();
	}
</script>

<Sheet title="Correct: {sayKind(entry)}" {onclose}>
	{#if app.rig}
		<FieldsForm
			fields={entryFields(draft as unknown as Entry, {
				rig: app.rig,
				trips: app.records.trips,
				points: app.records.points
			})}
			bind:draft
			units={app.prefs.current.units}
			timeZone={app.timeZone}
			problems={correction.problems}
			conflicts={correction.conflicts}
			onsubmit={(next) => void save(next)}
			oncancel={onclose}
		>
			{#snippet extra()}
				{#if isFuture}<p class="mind">That is still to come. It counts from then on.</p>{/if}
			{/snippet}
		</FieldsForm>
	{/if}
	<p class="soft">
		{CORRECTION_REPLACES}
	</p>
</Sheet>
