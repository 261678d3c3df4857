<script lang="ts">
	import { dueNow, nextDue } from '$core/care';
	import { sayDue, sayFrostNight } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import { coldNight } from './coldNight';
	import { doneSaying } from './done';

	/** What is due, in one line: a tap on it and it is done. And what may freeze tonight. */
	const { app }: { app: App } = $props();

	/** what is due changes with what is written, and with the hours */
	const care = latest(
		() => app.engine.ask('care/care', coldNight(app)),
		() => [app.engine.written, app.rig?.id, app.hour, coldNight(app)]
	);
	/** of the rig in view, and of no other that was in view before */
	const now = $derived(care.value?.rig === app.rig?.id ? care.value : undefined);
	const due = $derived(now ? dueNow(now.tasks, now) : []);
	const next = $derived(nextDue(now?.tasks ?? []));
	const night = $derived(now?.frost[0]);
	const MOST = 3;
</script>

{#if due.length > 0}
	<p class="line">
		<strong>Due:</strong>
		{#each due.slice(0, MOST) as { task } (task.id)}
			<button class="small" aria-label="Done: {task.name}" onclick={() => void doneSaying(app, task)}
				>{task.name} <span aria-hidden="true">✓</span></button
			>
		{/each}
		<a href="/rig/care">{due.length > MOST ? `and ${due.length - MOST} more` : 'Care'}</a>
	</p>
{:else if next}
	<p class="line soft">
		<span
			>Next to look after: <a href="/rig/care">{next.task.name}</a>, {sayDue(
				next,
				app.nowMs,
				app.timeZone,
				app.prefs.current.units
			)}.</span
		>
	</p>
{/if}
{#if night}
	<p class="mind">
		<strong>Frost: {sayFrostNight(night, app.nowMs, app.timeZone, app.prefs.current.units)}.</strong>
		<a href="/rig/care#frost">What to do</a>
	</p>
{/if}

<style>
	.line {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-2);
		align-items: center;
	}
</style>
