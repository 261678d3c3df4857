<script lang="ts">
	import type { Habit } from '$core/logbook';
	import { formatLitres } from '$core/units';
	import { sayHabitWhy, sayNothingLearned, sayOwnShare } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import Sheet from '../../kit/page/Sheet.svelte';
	import Spans from '../../kit/page/Spans.svelte';
	import BasisTable from './BasisTable.svelte';

	interface Props {
		app: App;
		habit: Habit;
		/** litres of one time as believed now */
		believed: { readonly litresEach: number; readonly sd: number };
		onclose: () => void;
	}
	/** From where the litres of one time of a habit are known. */
	const { app, habit, believed, onclose }: Props = $props();

	const units = $derived(app.prefs.current.units);
	const taught = latest(() => {
		void app.engine.written;
		return app.engine.ask('habits/informationGain', habit.id);
	});
	const say = (litres: number): string => formatLitres(litres, units);
</script>

<Sheet title="Why {say(believed.litresEach)} for {habit.name}?" {onclose}>
	<p><Spans spans={sayHabitWhy(habit.litresEach, believed, units)} /></p>
	{#if taught.trouble}
		<p role="alert">It couldn’t be worked out: {taught.trouble}</p>
	{:else if !taught.value}
		<p class="soft">Going through the log…</p>
	{:else if taught.value.basis.length > 0 && app.rig}
		<p>{sayOwnShare(taught.value.stated)}</p>
		<BasisTable
			basis={taught.value.basis}
			entries={app.rigEntries}
			context={{ rig: app.rig, trips: app.records.trips, units }}
			timeZone={app.timeZone}
			since="helped a little"
		/>
	{:else}
		<p>{sayNothingLearned(habit.name)}</p>
	{/if}
	<p><button onclick={onclose}>Close</button></p>
</Sheet>
