<script lang="ts">
	import { currentStep } from '$core/runs';
	import { instantMs } from '$core/logbook';
	import { sayAgo, sayJugs, sayProgress, sayRun } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import { isOver, isStaleRun, runsBeside } from '$lib/state/runBook.svelte';
	import { onMount } from 'svelte';
	import Notice from '../../kit/page/Notice.svelte';
	import JugStore from './start/JugStore.svelte';
	import { stopNow } from './start/sources';

	/** Runs that wait to be gone on with, when to go with the tote, and what is near where one is without a service. */
	const { app }: { app: App } = $props();

	// svelte-ignore state_referenced_locally
	const book = runsBeside(app);
	onMount(() => {
		book.load().catch((error: unknown) => console.warn('Runs couldn’t be read:', error));
		return () => book.close();
	});
	const rig = $derived(app.liveRig);
	const open = $derived(book.runs.filter((run) => run.rig === rig?.id && !isOver(run)));
	const go = latest(() => {
		void app.engine.written;
		return app.engine.ask('runs/whenToGo', { hoseM: app.prefs.current.hoseM?.[rig?.id ?? ''] });
	});
	const near = $derived.by(() => {
		const stop = stopNow(app.tripAtHand, app.nowMs);
		return stop && rig ? app.engine.ask('runs/nearByHand', stop.id) : undefined;
	});

	/** Jugs that take turns at the tap: one in use, the others behind it. */
	const jugs = $derived(
		(rig?.tanks ?? [])
			.filter((tank) => tank.portable === true && rig?.tanks.some(({ feeds }) => feeds === tank.id))
			.map((tank) => {
				const outlook = app.engine.assessment?.tanks;
				const spares = (rig?.tanks ?? [])
					.filter(({ feeds }) => feeds === tank.id)
					.flatMap(({ id, name }) => {
						const addsDays = outlook?.find((one) => one.id === id)?.addsDays;
						return addsDays === undefined ? [] : [{ name, addsDays }];
					});
				const { bindsMs, flags = [] } = outlook?.find((one) => one.id === tank.id) ?? {};
				// By itself it lasts until the next one is wanted; all together until it binds.
				const aloneMs = flags.find(({ pours }) => pours)?.ms ?? bindsMs;
				return sayJugs(tank.name, aloneMs, spares, app.nowMs, app.timeZone, bindsMs);
			})
	);
	const levels = $derived(new Map(app.engine.assessment?.levels.tanks.map((one) => [one.id, one.litres])));
</script>

{#if rig}
	{#each open as run (run.id)}
		{@const step = currentStep(run)}
		<Notice calm>
			<p class="sentence">
				{sayRun(run.setup, rig)}:
				{isStaleRun(run, app.nowMs)
					? `started ${sayAgo(instantMs(run.begun), app.nowMs, app.timeZone)}, not ended.`
					: step
						? `${sayProgress(run, step)}.`
						: ''}
				<a class="as-button" href="/run/{run.id}">{isStaleRun(run, app.nowMs) ? 'Look' : 'Continue'}</a>
			</p>
		</Notice>
	{/each}
	{#each go.value ?? [] as says (says)}
		<p class="mind"><strong>{says}</strong></p>
	{/each}
	{#if jugs.length > 0}
		{#each jugs as says (says)}<p><strong>{says}</strong></p>{/each}
		<JugStore {app} {rig} {levels} />
	{/if}
	{#await near then offers}
		{#each offers ?? [] as offer (offer.says)}
			<p class="sentence">
				{offer.says}
				<a
					class="as-button"
					href={offer.service === 'water'
						? `/run/carry?by=${encodeURIComponent(offer.container)}`
						: `/run/dump?into=${encodeURIComponent(offer.container)}`}>Carry</a
				>
			</p>
		{/each}
	{:catch}<!-- What is near is an extra; why the engine fails is said above. -->{/await}
{/if}
