<script lang="ts">
	import { careIdeasFor, dueNow, nextDue, taskFrom, type CareIdea } from '$core/care';
	import { sayDue, sayDueNow } from '$core/words';
	import { latest } from '$lib/engine';
	import { useApp } from '$lib/state';
	import { coldNight, keepColdNight } from '$lib/ui/features/care/coldNight';
	import { doneSaying } from '$lib/ui/features/care/done';
	import Frozen from '$lib/ui/features/care/Frozen.svelte';
	import FrostAhead from '$lib/ui/features/care/FrostAhead.svelte';
	import IdeaList from '$lib/ui/features/care/IdeaList.svelte';
	import TaskList from '$lib/ui/features/care/TaskList.svelte';
	import WaterTable from '$lib/ui/features/care/WaterTable.svelte';
	import Notice from '$lib/ui/kit/page/Notice.svelte';
	import Page from '$lib/ui/kit/page/Page.svelte';
	import PageHead from '$lib/ui/kit/page/PageHead.svelte';
	import Section from '$lib/ui/kit/page/Section.svelte';
	import RigForm from '$lib/ui/features/rig/RigForm.svelte';
	import { notifyDone } from '$lib/ui/parts/acts/notify';
	import { v7 as uuid } from 'uuid';

	const app = useApp();
	let open = $state<{ id?: string }>();

	const rig = $derived(app.liveRig);
	const units = $derived(app.prefs.current.units);
	/** what is due changes with what is written, and with the hours */
	const typed = $derived(coldNight(app));
	const care = latest(
		() => app.engine.ask('care/care', typed),
		() => [app.engine.written, app.rig?.id, app.hour, typed]
	);
	const aged = latest(
		() => app.engine.ask('care/water'),
		() => [app.engine.written, app.rig?.id, app.hour]
	);
	const water = $derived(aged.value?.rig === app.rig?.id ? aged.value : undefined);
	const now = $derived(care.value?.rig === app.rig?.id ? care.value : undefined);
	const due = $derived(now ? dueNow(now.tasks, now) : []);
	const next = $derived(now && nextDue(now.tasks));
	const title = $derived(
		!now
			? 'Care'
			: due.length > 0
				? `${sayDueNow(due.map(({ task }) => task))}.`
				: next
					? `Nothing is due. Next: ${next.task.name}, ${sayDue(next, app.nowMs, app.timeZone, units)}.`
					: 'Nothing is due.'
	);
	const ideas = $derived(rig ? careIdeasFor(rig) : []);

	async function add(idea: CareIdea): Promise<void> {
		if (!rig) return;
		const task = taskFrom(idea, rig, uuid());
		const label = `Task added: ${idea.name}`;
		if (
			await app.commands.change(
				'rig',
				rig.id,
				(newest) => ({ ...newest, care: [...newest.care, task] }),
				label
			)
		)
			notifyDone(app, label);
	}
</script>

{#if rig && app.rig}
	<Page up={{ href: '/rig', name: 'Rig' }}>
		<PageHead {title}>
			{#snippet acts()}
				<button onclick={() => (open = {})}>New task</button>
				<a class="as-button" href="/rig/doses">Doses</a>
				<a class="as-button" href="/rig/lay-up">Winter storage</a>
			{/snippet}
		</PageHead>
		{#if care.trouble}<p class="mind" role="alert">{care.trouble}</p>{/if}
		{#if now}
			<Section title="Tasks">
				{#if now.tasks.length === 0}
					<Notice calm><p>No tasks yet. Add what fits from the list below.</p></Notice>
				{:else}
					<TaskList
						{rig}
						tasks={now.tasks}
						{units}
						nowMs={app.nowMs}
						timeZone={app.timeZone}
						ondone={(task) => void doneSaying(app, task)}
						onchange={(id) => (open = { id })}
					/>
				{/if}
			</Section>
			<Section title="Frost">
				<FrostAhead
					nights={now.frost}
					{typed}
					aboard={(app.engine.assessment?.persons ?? 1) > 0}
					ontype={(night) => void keepColdNight(app, night)}
					nowMs={app.nowMs}
					timeZone={app.timeZone}
					{units}
				/>
				<Frozen {app} {rig} />
			</Section>
			<Section title="Water in the tanks">
				{#if water}<WaterTable
						states={water.states}
						{rig}
						ages={water.ages}
						warnings={water.warnings}
						points={app.records.points}
						{units}
						nowMs={app.nowMs}
						timeZone={app.timeZone}
					/>{/if}
			</Section>
			{#if ideas.length > 0}
				<Section title="More to look after">
					<p class="soft">Common intervals; change them to what the label or the maker says.</p>
					<IdeaList {ideas} onadd={(idea) => void add(idea)} />
				</Section>
			{/if}
		{:else if care.waiting}<p class="soft" aria-live="polite">Checking what is due…</p>{/if}
	</Page>
	{#if open}<RigForm {app} rig={app.rig} part="care" {...open} onclose={() => (open = undefined)} />{/if}
{/if}
