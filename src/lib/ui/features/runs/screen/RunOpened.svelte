<script lang="ts">
	import { fitsRig } from '$core/runs';
	import { instantMs, inUse } from '$core/logbook';
	import { OLD_RUN, RUN_ELSEWHERE, RUN_WITHOUT_RIG, sayAgo, sayRun } from '$core/words';
	import type { App } from '$lib/state';
	import { isOver, isStaleRun, type RunBook } from '$lib/state/runBook.svelte';
	import Notice from '../../../kit/page/Notice.svelte';
	import { readHanded } from './handOver';
	import RunFrame from '../RunFrame.svelte';
	import RunScreen from './RunScreen.svelte';
	import RunWritten from './RunWritten.svelte';

	interface Props {
		app: App;
		book: RunBook;
		id: string;
		/** a run handed over in the address, from another phone */
		handed: string;
	}
	/** A run by its address: gone on with, looked at, or told why that cannot be. */
	const { app, book, id, handed }: Props = $props();

	const run = $derived(book.get(id));
	const found = $derived(app.records.rigs.find((one) => one.id === run?.rig));
	const rig = $derived(found && inUse(found));
	const stale = $derived(run !== undefined && !isOver(run) && isStaleRun(run, app.nowMs));

	// What was handed over is kept here as if it had been begun here: with the same id, it writes the same entries.
	$effect(() => {
		const given = book.get(id) ? undefined : readHanded(handed);
		if (given?.id === id) void book.change(id, (newest) => newest ?? given);
	});
	// A run of another rig than the one in view is that rig's.
	$effect(() => {
		if (rig && app.rig?.id !== rig.id) void app.openRig(rig.id);
	});
	const end = (): Promise<void> | undefined =>
		run && book.change(run.id, (newest) => ({ ...(newest ?? run), ended: true }));
	const START = { fill: '/run/fill', dump: '/run/dump', tote: '/run/dump', carry: '/run/carry' } as const;
</script>

{#if !run || !rig || !fitsRig(run, rig)}
	<RunFrame title="A run">
		{#snippet body()}
			<h2>
				{run ? 'This run needs something that is not in this rig.' : 'There is no such run on this device.'}
			</h2>
			<p>
				{run ? RUN_WITHOUT_RIG : RUN_ELSEWHERE}
			</p>
		{/snippet}
		{#snippet foot()}<a class="as-button big" href="/">To Now</a>{/snippet}
	</RunFrame>
{:else if stale}
	<RunFrame title={sayRun(run.setup, rig)} progress="interrupted">
		{#snippet body()}
			<h2>Started {sayAgo(instantMs(run.begun), app.nowMs, app.timeZone)}, and not ended.</h2>
			<Notice
				><p>
					{OLD_RUN}
				</p></Notice
			>
			<RunWritten {app} {rig} {run} />
		{/snippet}
		{#snippet foot()}
			<a class="as-button primary big" href={START[run.setup.kind]} onclick={() => void end()}>Start again</a>
			<button class="big" onclick={() => void end()}>End this run</button>
		{/snippet}
	</RunFrame>
{:else if app.rig?.id === rig.id}
	<RunScreen {app} {book} {rig} {run} />
{/if}

<style>
	h2 {
		font-size: var(--step-2);
	}
</style>
