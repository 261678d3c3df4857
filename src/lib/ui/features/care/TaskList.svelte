<script lang="ts">
	import { careIdea, type TaskDue } from '$core/care';
	import type { Rig } from '$core/logbook';
	import type { UnitChoice } from '$core/units';
	import { sayCareProblem, sayTaskDone, sayDue, sayRhythm } from '$core/words';

	interface Props {
		rig: Rig;
		tasks: readonly TaskDue[];
		units: UnitChoice;
		nowMs: number;
		timeZone: string;
		ondone: (task: TaskDue['task']) => void;
		onchange: (id: string) => void;
	}
	/** What is looked after, the most pressing first: when it is due, how it is done, and a tap when it is. */
	const { rig, tasks, units, nowMs, timeZone, ondone, onchange }: Props = $props();

	const sorted = $derived(
		[...tasks].sort(
			(a, b) => Number(b.overdue) - Number(a.overdue) || (a.dueMs ?? Infinity) - (b.dueMs ?? Infinity) || 0
		)
	);
</script>

<ul>
	{#each sorted as due (due.task.id)}
		{@const { task, overdue, problem } = due}
		{@const idea = careIdea(task.idea)}
		<li>
			<span class="what">
				<strong>{task.name}</strong>
				<span class="soft">{sayRhythm(task, rig, units)}</span>
			</span>
			<span class="when">
				<span class:mind={overdue}>{sayDue(due, nowMs, timeZone, units)}</span>
				<span class="soft">{sayTaskDone(due, units)}</span>
			</span>
			<span class="buttons">
				<button aria-label="Done: {task.name}" onclick={() => ondone(task)}>Done</button>
				<button class="quiet" aria-label="Change {task.name}" onclick={() => onchange(task.id)}>Change</button
				>
			</span>
			{#if problem}<p class="mind wide">{sayCareProblem(problem)}</p>{/if}
			{#if idea || task.note}
				<details class="wide">
					<summary>How</summary>
					{#if task.note}<p>{task.note}</p>{/if}
					{#if idea}
						<p>{idea.how}</p>
						{#if idea.caution}<p class="mind">{idea.caution}</p>{/if}
					{/if}
				</details>
			{/if}
		</li>
	{/each}
</ul>

<style>
	ul {
		width: 100%;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
		gap: 0 var(--gap-3);
		align-items: center;
		border-top: var(--hairline);
		padding: var(--gap-2) 0;
		overflow-wrap: anywhere;
	}
	.what,
	.when {
		display: grid;
	}
	.buttons {
		flex-wrap: nowrap;
	}
	.wide {
		grid-column: 1 / -1;
	}
	summary {
		cursor: pointer;
		min-height: 1.6rem;
	}
	@media (pointer: coarse) {
		summary {
			min-height: var(--touch);
			padding-top: 0.6rem;
		}
	}
	@media (max-width: 640px) {
		li {
			grid-template-columns: minmax(0, 1fr);
			gap: var(--gap-1, 0.2rem);
		}
	}
</style>
