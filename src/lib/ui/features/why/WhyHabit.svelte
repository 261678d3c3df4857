<script lang="ts">
	import { Z90 } from '$core/numerics';
	import type { Habit } from '$core/logbook';
	import { formatLitres } from '$core/units';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import Sheet from '../../kit/page/Sheet.svelte';
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
		void app.engine.assessment;
		return app.engine.ask('habits/informationGain', habit.id);
	});
	const say = (litres: number): string => formatLitres(litres, units);
</script>

<Sheet title="Why {say(believed.litresEach)} for {habit.name}?" {onclose}>
	<p>
		You entered {say(habit.litresEach.mean)}, give or take {say(Z90 * habit.litresEach.sd)}. It is now
		estimated at
		<strong>{say(believed.litresEach)}</strong>, give or take {say(Z90 * believed.sd)}.
	</p>
	{#if taught.trouble}
		<p role="alert">It couldn’t be worked out: {taught.trouble}</p>
	{:else if !taught.value}
		<p class="soft">Going through the log…</p>
	{:else if taught.value.basis.length > 0 && app.rig}
		<p>
			Of what is known of it, {Math.round(100 * taught.value.stated)} % is your own figure. The rest was learned
			from these: a measured use counts most, and a reading tells about everything since the last one.
		</p>
		<BasisTable
			basis={taught.value.basis}
			entries={app.rigEntries}
			context={{ rig: app.rig, trips: app.records.trips, units }}
			timeZone={app.timeZone}
			since="helped a little"
		/>
	{:else}
		<p>
			Nothing in the log has refined it yet: it is your own figure. Measure one ({habit.name.toLowerCase()} with
			litres in the line below), or read an instrument before and after.
		</p>
	{/if}
	<p><button onclick={onclose}>Close</button></p>
</Sheet>
