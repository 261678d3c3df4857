<script lang="ts">
	import { corrected, instantMs, type Entry, type Problem } from '$core/logbook';
	import { problemsWith, type App } from '$lib/state';
	import { toast } from './toast.svelte';
	import { KIND_WORDS } from './describe';
	import { entryFields } from './entryFields';
	import type { Draft } from './fields';
	import FieldsForm from './FieldsForm.svelte';
	import Sheet from './Sheet.svelte';

	const { app, entry, onclose }: { app: App; entry: Entry; onclose: () => void } = $props();
	// svelte-ignore state_referenced_locally
	let draft = $state.raw<Draft>(entry as unknown as Draft);
	let problems = $state.raw<readonly Problem[]>([]);
	const isFuture = $derived(typeof draft.at === 'string' && instantMs(draft.at) > app.nowMs);

	async function save(next: Draft): Promise<void> {
		const value = corrected(entry, next as unknown as Entry, new Date().toISOString());
		problems = problemsWith(app.logbook(), { kind: 'entry', value });
		if (problems.length > 0) return;
		if (await app.commit([{ kind: 'entry', value }], `${KIND_WORDS[entry.kind]} corrected`))
			toast('Corrected.', { action: { label: 'Undo', onClick: () => void app.undo() } });
		onclose();
	}
</script>

<Sheet title="Correct: {KIND_WORDS[entry.kind].toLowerCase()}" {onclose}>
	{#if app.rig}
		<FieldsForm
			fields={entryFields(draft as unknown as Entry, { rig: app.rig, trips: app.trips, points: app.points })}
			bind:draft
			units={app.prefs.current.units}
			timeZone={app.timeZone}
			{problems}
			onsubmit={(next) => void save(next)}
			oncancel={onclose}
		>
			{#snippet extra()}
				{#if isFuture}<p class="mind">That is still to come. It will count from then on.</p>{/if}
			{/snippet}
		</FieldsForm>
	{/if}
	<p class="soft">
		The entry keeps its place in the logbook; the correction replaces it, on other devices too once they
		merge.
	</p>
</Sheet>

<style>
	.mind {
		color: var(--caution);
	}
</style>
