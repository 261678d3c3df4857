<script lang="ts">
	import type { Nod } from '$core/listen';
	import { sayHabit, sayHowLikely } from '$core/words';
	import type { App } from '$lib/state';

	interface Props {
		app: App;
		nod: Extract<Nod, { kind: 'doubtful' | 'unnamed' }>;
		onlog: (habit: string) => void;
		onskip: () => void;
	}
	/** What a use was that may be this or that: its likeliest names as buttons, any other by choice, or nothing to log. */
	const { app, nod, onlog, onskip }: Props = $props();
	const habits = $derived(app.liveRig?.habits ?? []);
	const offered = $derived(nod.kind === 'doubtful' ? nod.habits : []);
	let chosen = $state('');

	function choose(): void {
		const habit = chosen;
		chosen = '';
		if (habit === SKIP) onskip();
		else if (habit !== '') onlog(habit);
	}
	const SKIP = ' skip';
</script>

<span class="asked">
	{#each offered as { habit, chance } (habit)}
		<button class="small" onclick={() => onlog(habit)}
			>{app.liveRig ? sayHabit(app.liveRig, habit) : habit}
			<span class="soft">{sayHowLikely(chance)}</span></button
		>
	{/each}
	<select aria-label="What it was" bind:value={chosen} onchange={choose}>
		<option value="">{offered.length > 0 ? 'Other…' : 'What was it?'}</option>
		{#each habits as { id, name } (id)}<option value={id}>{name}</option>{/each}
		<option value={SKIP}>Nothing to log</option>
	</select>
</span>

<style>
	.asked {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-1) var(--gap-2);
		align-items: center;
	}
	select {
		width: 6.2rem;
		font-size: var(--step--1);
		padding-inline: 0.4rem;
	}
</style>
