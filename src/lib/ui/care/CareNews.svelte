<script lang="ts">
	import { dueNow, nextDue } from '$core/care';
	import { sayDue, sayFrostNight } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import { doneSaying } from './done';

	/** What is due, in one line: a tap on it and it is done. And what may freeze tonight. */
	const { app }: { app: App } = $props();

	const care = latest(
		() => app.engine.care(),
		() => app.engine.written
	);
	const due = $derived(care.value ? dueNow(care.value.tasks, care.value) : []);
	const next = $derived(nextDue(care.value?.tasks ?? []));
	const night = $derived(care.value?.frost[0]);
	const lower = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);
	const MOST = 3;
</script>

{#if due.length > 0}
	<p class="line">
		<strong>Due:</strong>
		{#each due.slice(0, MOST) as { task } (task.id)}
			<button class="small" aria-label="Done: {task.name}" onclick={() => void doneSaying(app, task)}
				>{lower(task.name)} <span aria-hidden="true">✓</span></button
			>
		{/each}
		<a href="/rig/care">{due.length > MOST ? `and ${due.length - MOST} more` : 'Care'}</a>
	</p>
{:else if next}
	<p class="line soft">
		<span
			>Next to look after: <a href="/rig/care">{lower(next.task.name)}</a>, {sayDue(
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
