<script lang="ts">
	import type { App } from '$lib/state';
	import { Command, computeCommandScore } from 'bits-ui';
	import Sheet from '../kit/page/Sheet.svelte';
	import type { ShellContext } from '../parts/acts/shellContext';
	import { actsHere, everyAct, keysShown, wordActs, type ShellAct } from './acts';

	/** Everything that can be gone to or done, found by a few letters of its name. */
	const { app, reach, onclose }: { app: App; reach: ShellContext; onclose: () => void } = $props();

	const acts = $derived([
		...everyAct(app, reach).filter(({ keys }) => keys !== '$mod+k'),
		...actsHere(app, reach),
		...wordActs(reach)
	]);
	const groups = $derived(
		(['Acts', 'Views', 'Tanks and instruments', 'Stops', 'Words'] as const)
			.map((group) => ({ group, acts: acts.filter((act) => act.group === group) }))
			.filter((one) => one.acts.length > 0)
	);
	let typed = $state('');
	/** Letters that are merely somewhere in a name in that order are no match. */
	const LEAST = 0.1;
	function fits(_: string, typed: string, [name = '']: string[] = []): number {
		const score = computeCommandScore(name, typed);
		return score < LEAST ? 0 : score;
	}
	/** Puts what was typed into the quick line. */
	function say(): void {
		onclose();
		setTimeout(() => reach.line(typed.trim()));
	}
	/** Where nothing is called so, it is something to say. */
	function enter(event: KeyboardEvent & { currentTarget: HTMLElement }): void {
		if (event.key !== 'Enter' || typed.trim() === '') return;
		if (event.currentTarget.querySelector('[data-command-item]') === null) say();
	}
	function choose(act: ShellAct): void {
		onclose();
		// The list gives the focus back as it closes; what is done then may want it.
		setTimeout(act.does);
	}
</script>

<Sheet title="Go and do" {onclose}>
	<Command.Root label="Go and do" loop filter={fits} onkeydown={enter}>
		<Command.Input
			bind:value={typed}
			placeholder="A view, an act, a tank, a stop, a word; or what happened"
			aria-label="Go and do"
		/>
		<Command.List>
			<Command.Viewport>
				{#each groups as { group, acts: some } (group)}
					<Command.Group value={group}>
						<Command.GroupHeading>{group}</Command.GroupHeading>
						<Command.GroupItems>
							{#each some as act, i (i)}
								<Command.Item
									value="{group} {i} {act.name}"
									keywords={[act.name]}
									onSelect={() => choose(act)}
								>
									<span>{act.name}</span>
									{#if act.keys}<span class="soft small">{keysShown(act.keys).join(' ')}</span>{/if}
								</Command.Item>
							{/each}
						</Command.GroupItems>
					</Command.Group>
				{/each}
			</Command.Viewport>
		</Command.List>
		{#if typed.trim() !== ''}
			<button class="quiet line" onclick={say}>Log or ask “{typed.trim()}”</button>
		{/if}
	</Command.Root>
</Sheet>

<style>
	:global([data-command-input]) {
		width: 100%;
		min-height: var(--touch);
		margin-bottom: var(--gap-3);
	}
	:global([data-command-group-heading]) {
		color: var(--soft-ink);
		font-size: var(--step--1);
		padding: var(--gap-2) 0 var(--gap-1);
	}
	:global([data-command-item]) {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: var(--gap-3);
		min-height: 2.25rem;
		padding: 0 var(--gap-2);
		border-top: var(--hairline);
		cursor: pointer;
	}
	:global([data-command-item][data-selected]) {
		background: var(--shoal);
		box-shadow: inset 3px 0 0 var(--ink);
	}
	.line {
		display: block;
		margin-top: var(--gap-2);
		padding: var(--gap-2);
	}
	@media (pointer: coarse) {
		:global([data-command-item]) {
			min-height: var(--touch);
		}
	}
</style>
