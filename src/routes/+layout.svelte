<script lang="ts">
	import '$lib/theme/base.css';
	import { goto, afterNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import { dev } from '$app/environment';
	import { daysBetween, zonedTime, type EntryDraft } from '$core/logbook';
	import { provideApp } from '$lib/state';
	import { appInBrowser } from '$lib/state/start';
	import { likelyNext } from '$lib/ui/chips';
	import { downloadLogbook } from '$lib/ui/download';
	import Header from '$lib/ui/Header.svelte';
	import Notice from '$lib/ui/Notice.svelte';
	import QuickLine from '$lib/ui/QuickLine.svelte';
	import SlimRods from '$lib/ui/SlimRods.svelte';
	import { VIEWS } from '$lib/ui/shortcuts';
	import { takeOverNewBuilds } from '$lib/ui/takeover';
	import { tankViews } from '$lib/ui/tankView';
	import { onMount, type Snippet } from 'svelte';
	import { toast, toaster } from '$lib/ui/toast.svelte';
	import { tinykeys } from 'tinykeys';

	const { children }: { children: Snippet } = $props();
	const app = provideApp(appInBrowser());
	let quickline = $state<QuickLine>();
	let keysShown = $state(false);
	let newBuild = $state(false);
	let offerBuild = $state.raw<() => void>(() => undefined);

	const tanks = $derived(
		app.rig && app.assessment ? tankViews(app.rig, app.assessment, app.prefs.current.units, app.timeZone) : []
	);
	const occasion = $derived.by(() => {
		const { trip, assessment } = app;
		const aboard = assessment ? `${assessment.persons} aboard` : '';
		if (!trip) return aboard;
		const today = zonedTime(app.nowMs, trip.timeZone).day;
		const day = daysBetween(trip.from, today) + 1;
		const length = daysBetween(trip.from, trip.to) + 1;
		return `${trip.name}, ${day < 1 ? `begins in ${1 - day} ${day === 0 ? 'day' : 'days'}` : `day ${day} of ${length}`}${aboard ? `, ${aboard}` : ''}`;
	});

	// The theme is an attribute of the document, outside any component.
	$effect(() => {
		document.documentElement.dataset.theme = app.prefs.current.theme;
	});

	async function log(draft: EntryDraft, says: string): Promise<boolean> {
		const kept = await app.log(draft, says);
		if (kept) toast(says, { action: { label: 'Undo', onClick: () => void undo() } });
		return kept;
	}

	async function undo(): Promise<void> {
		const deed = await app.undo();
		toast(
			deed ? `Undone: ${deed.label}` : 'Nothing to undo.',
			deed ? { action: { label: 'Redo', onClick: () => void redo() } } : {}
		);
	}

	async function redo(): Promise<void> {
		const deed = await app.redo();
		toast(deed ? `Done again: ${deed.label}` : 'Nothing to do again.');
	}

	/** Keys count only where nobody is typing and nothing lies over the page. */
	const free = (action: () => void) => (event: KeyboardEvent) => {
		const target = event.target as HTMLElement | null;
		if (target?.closest('input, textarea, select, [role="dialog"]')) return;
		event.preventDefault();
		action();
	};

	onMount(() => {
		void app.start();
		const beat = setInterval(() => void app.tick(), 15_000);
		const wake = (): void => void (document.visibilityState === 'visible' && app.tick());
		document.addEventListener('visibilitychange', wake);
		const keys = tinykeys(window, {
			'/': free(() => quickline?.focus()),
			u: free(() => void undo()),
			'Shift+U': free(() => void redo()),
			'Shift+?': free(() => (keysShown = true)),
			...Object.fromEntries(VIEWS.map(({ path, key }) => [`g ${key}`, free(() => void goto(path))]))
		});
		if (!dev)
			void takeOverNewBuilds(
				() => !document.querySelector('[role="dialog"], [data-unsaved]'),
				() => (newBuild = true)
			).then(
				(offer) => (offerBuild = offer),
				(error: unknown) => console.warn('No offline copy:', error)
			);
		return () => {
			clearInterval(beat);
			document.removeEventListener('visibilitychange', wake);
			keys();
			app.close();
		};
	});
	afterNavigate(() => newBuild && offerBuild());
</script>

<svelte:head>
	<title
		>{app.rig
			? `${VIEWS.find(({ path }) => path === page.url.pathname)?.name ?? 'Dipsometer'} · ${app.rig.name}`
			: 'Dipsometer'}</title
	>
</svelte:head>

{#if toaster.wanted}
	{#await import('svelte-sonner') then { Toaster }}
		<Toaster position="bottom-left" offset="6.5rem" mobileOffset="7.5rem" duration={5000} />
	{/await}
{/if}

{#if app.phase === 'loading'}
	<p class="wait soft">Reading your logbook…</p>
{:else if app.phase === 'newer-store' || app.phase === 'unreadable'}
	{#await import('$lib/ui/StoreTrouble.svelte') then { default: StoreTrouble }}<StoreTrouble {app} />{/await}
{:else if app.phase === 'first-run'}
	{#await import('$lib/ui/FirstRun.svelte') then { default: FirstRun }}<FirstRun {app} />{/await}
{:else if app.rig}
	<div class="shell">
		<Header
			rigs={app.rigs}
			rig={app.rig}
			{occasion}
			path={page.url.pathname}
			onrig={(id) => void app.openRig(id)}
		/>
		{#if app.trouble || app.engineTrouble || newBuild || app.progress !== undefined || app.stopped}
			<div class="troubles">
				{#if app.trouble}
					<Notice>
						<p role="alert">{app.trouble}</p>
						<button onclick={() => downloadLogbook(app.logbook())}>Save everything to a file</button>
						{#if app.unsaved.length > 0}<button onclick={() => void app.retry()}>Try again</button>{/if}
					</Notice>
				{/if}
				{#if app.engineTrouble}<Notice
						><p role="alert">The figures could not be worked out: {app.engineTrouble}</p></Notice
					>{/if}
				{#if app.progress !== undefined}<Notice calm
						><p class="replay">
							<label>Going through the log <progress value={app.progress} max="1"></progress></label>
							<button onclick={() => void app.stop()}>Stop</button>
						</p></Notice
					>{/if}
				{#if app.stopped}<Notice
						><p>
							Stopped: the figures are older than the log. <button onclick={() => void app.refresh()}
								>Go on</button
							>
						</p></Notice
					>{/if}
				{#if newBuild}<Notice calm
						><p>A new version is ready; it is taken over when you leave this view.</p></Notice
					>{/if}
			</div>
		{/if}
		<div class="middle" class:beside={page.url.pathname !== '/'}>
			{#if page.url.pathname !== '/'}<SlimRods {tanks} units={app.prefs.current.units} />{/if}
			<main>{@render children()}</main>
		</div>
		<footer>
			<QuickLine
				bind:this={quickline}
				context={{
					rig: app.rig,
					trip: app.trip,
					timeZone: app.timeZone,
					units: app.prefs.current.units,
					litresEach: new Map(app.assessment?.levels.habits.map(({ id, litresEach }) => [id, litresEach])),
					levels: new Map(app.assessment?.levels.tanks.map(({ id, litres }) => [id, litres])),
					mains: app.assessment?.mains,
					sewer: app.assessment?.sewer
				}}
				chips={likelyNext(app.rig, app.rigEntries, app.nowMs)}
				effectOf={(draft) => app.effect(app.entryFrom(draft, 'preview'))}
				onlog={log}
			/>
			<p class="hints">
				<button onclick={() => void undo()} disabled={app.history.done.length === 0}><kbd>U</kbd> undo</button
				>
				<button onclick={() => (keysShown = true)}><kbd>?</kbd> keys</button>
			</p>
		</footer>
	</div>
{/if}

{#if keysShown}
	{#await import('$lib/ui/Shortcuts.svelte') then { default: Shortcuts }}
		<Shortcuts onclose={() => (keysShown = false)} />
	{/await}
{/if}

<style>
	.wait {
		padding: 3rem;
	}
	.shell {
		display: grid;
		grid-template-rows: auto auto minmax(0, 1fr) auto;
		grid-template-columns: minmax(0, 1fr);
		height: 100dvh;
	}
	.troubles {
		grid-row: 2;
		padding: var(--gap-3) var(--gap-4);
		display: grid;
		gap: var(--gap-3);
		border-bottom: var(--hairline);
	}
	.replay {
		display: flex;
		flex-wrap: wrap;
		gap: var(--gap-3);
		align-items: center;
	}
	.middle {
		grid-row: 3;
		min-height: 0;
		display: grid;
		grid-template-columns: minmax(0, 1fr);
	}
	.middle.beside {
		grid-template-columns: auto minmax(0, 1fr);
	}
	main {
		min-width: 0;
		min-height: 0;
		overflow-y: auto;
	}
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
		.middle.beside {
			grid-template-columns: minmax(0, 1fr);
			grid-template-rows: auto minmax(0, 1fr);
		}
		footer {
			padding: var(--gap-2) var(--gap-3);
			padding-bottom: max(var(--gap-2), env(safe-area-inset-bottom));
			flex-direction: column;
			align-items: stretch;
			gap: var(--gap-1);
		}
		.hints {
			justify-content: space-between;
			padding: 0;
		}
		.hints button {
			min-height: var(--touch);
		}
	}
	@media print {
		footer,
		.shell > :global(header),
		.middle > :global(aside) {
			display: none;
		}
		.middle,
		.middle.beside {
			display: block;
		}
		main {
			overflow: visible;
		}
		.shell {
			display: block;
			height: auto;
		}
	}
</style>
