<script lang="ts">
	import { goto } from '$app/navigation';
	import { likelyNext } from '$core/quickline';
	import type { Rig } from '$core/logbook';
	import type { App } from '$lib/state';
	import QuickLine from '../features/quickline/QuickLine.svelte';
	import { undoSaying } from '../parts/acts/notify';
	import { useShell } from '../parts/acts/shellContext';

	interface Props {
		app: App;
		rig: Rig;
		/** the view that stands over it */
		path: string;
		/** what can wait may come */
		later: boolean;
		onkeys: () => void;
	}
	/** The quick line, in reach of every view. */
	const { app, rig, path, later, onkeys }: Props = $props();
	const reach = useShell();
	const hand = () => import('./lineHand');
	let line = $state<QuickLine>();

	const now = $derived(app.engine.assessment);
	const context = $derived({
		rig,
		trip: app.trip,
		timeZone: app.timeZone,
		units: app.prefs.current.units,
		litresEach: new Map(now?.levels.habits.map(({ id, litresEach }) => [id, litresEach])),
		levels: new Map(now?.levels.tanks.map(({ id, litres }) => [id, litres])),
		mains: now?.mains,
		sewer: now?.sewer,
		sea: now?.sea,
		persons: now?.persons,
		silentSinceMs: now?.silence?.sinceMs,
		entries: app.rigEntries
	});
	const last = $derived(app.commands.history.done.at(-1));
	/** somebody has a name here: who writes is said beside the line */
	const named = $derived(
		app.prefs.current.by !== undefined || app.rigEntries.some(({ by }) => by !== undefined)
	);

	/** @param text put into the line, where one is given */
	export function focus(text?: string): void {
		line?.focus(text);
	}
</script>

<footer>
	<QuickLine
		bind:this={line}
		{context}
		chips={likelyNext(rig, app.rigEntries, app.nowMs)}
		chipsAlways={path === '/'}
		effectOf={async (choice) => (await hand()).effectOf(app, choice)}
		answerOf={async (question) => app.engine.ask('line/answer', question)}
		actsOf={async (text) => (await hand()).actsNamed(text, app, reach)}
		ongo={(href) => void goto(href)}
		undo={last && { label: last.label, does: () => void undoSaying(app) }}
		onlog={async (choice) => (await hand()).logLine(app, choice)}
	>
		{#snippet writer()}
			{#if named && later}
				{#await import('./Writer.svelte')}<span class="writer"></span>{:then { default: Writer }}<Writer
						{app}
					/>{/await}
			{:else if named}<span class="writer"></span>{/if}
		{/snippet}
	</QuickLine>
	<p class="hints">
		<button onclick={() => void undoSaying(app)} disabled={app.commands.history.done.length === 0}
			><kbd>U</kbd> undo</button
		>
		<button onclick={onkeys}><kbd>?</kbd> keys</button>
	</p>
</footer>

<style>
	footer {
		grid-row: 4;
		display: flex;
		gap: var(--gap-4);
		align-items: end;
		background: var(--shoal);
		border-top: var(--hairline);
		padding: 0.9rem var(--gap-4);
		padding-bottom: max(0.9rem, env(safe-area-inset-bottom));
	}
	.writer {
		min-width: 4rem;
	}
	.hints {
		display: flex;
		gap: var(--gap-3);
		padding-bottom: 0.55rem;
	}
	.hints button {
		border: 0;
		background: none;
		padding: 0;
		white-space: nowrap;
	}
	kbd {
		font: inherit;
		font-weight: 600;
		font-size: var(--step--1);
		background: var(--paper);
		border: 1px solid var(--line);
		border-radius: var(--corner);
		padding: 0.1rem 0.45rem;
		margin-right: 0.2rem;
	}
	@media (max-width: 800px) {
		footer {
			padding: var(--gap-2) var(--gap-3);
			padding-bottom: max(var(--gap-2), env(safe-area-inset-bottom));
		}
	}
	@media (pointer: coarse), (max-width: 640px) {
		/* A thumb has the ledger to undo in, and no keys. */
		.hints {
			display: none;
		}
	}
	@media print {
		footer {
			display: none;
		}
	}
</style>
