<script lang="ts">
	import { tankById } from '$core/rig';
	import { LOOK_AHEAD_DAYS } from '$core/now';
	import { LIMITS_CAUTION, sayWaterWarning } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import FileReminder from './FileReminder.svelte';

	/** What is good to know once one has seen what one came for: old or doubtful water, a file that is due, corrected ranges, what the days look ahead to. */
	const { app }: { app: App } = $props();

	const aged = latest(
		() => app.engine.ask('care/water'),
		() => [app.engine.written, app.rig?.id, app.hour]
	);
	const rig = $derived(app.liveRig);
	const warnings = $derived(aged.value?.rig === rig?.id ? (aged.value?.warnings ?? []) : []);
</script>

{#if rig}
	{#each warnings as warning (warning.tank + warning.kind)}
		<p class="small">
			{sayWaterWarning(warning, (id) => tankById(rig, id)?.name ?? '', app.prefs.current.units)}
			<a href="/rig/care">Where it came from</a>
		</p>
	{/each}
{/if}
<FileReminder {app} />
{#if (app.spread ?? 1) !== 1}
	<p class="soft small">
		Ranges are drawn as <a href="/ledger/record">the forecast record</a> asks.
	</p>
{/if}
<p class="soft small">Looks {LOOK_AHEAD_DAYS} days ahead, as you live now. {LIMITS_CAUTION}</p>
