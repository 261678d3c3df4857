<script lang="ts">
	import '$lib/theme/base.css';
	import { afterNavigate } from '$app/navigation';
	import { page } from '$app/state';
	import { sayOccasion, type Word } from '$core/words';
	import { errorMessage } from '$lib/errorMessage';
	import { provideApp } from '$lib/state';
	import { appInBrowser } from '$lib/state/start';
	import { tankViews } from '$lib/ui/parts/rods/tankView';
	import SlimRods from '$lib/ui/parts/rods/SlimRods.svelte';
	import Foot from '$lib/ui/shell/Foot.svelte';
	import Frame from '$lib/ui/shell/Frame.svelte';
	import Header from '$lib/ui/shell/Header.svelte';
	import { later } from '$lib/ui/kit/later.svelte';
	import { fontsReady } from '$lib/ui/kit/fontsReady';
	import { provideShell } from '$lib/ui/parts/acts/shellContext';
	import { keepTime } from '$lib/ui/shell/keepTime';
	import { VIEWS } from '$lib/ui/shell/views';
	import { toaster } from '$lib/ui/kit/toast.svelte';
	import { onMount, type Snippet } from 'svelte';

	const { children }: { children: Snippet } = $props();
	document.getElementById('reading')?.remove();
	const app = provideApp(appInBrowser());
	let line = $state<Foot>();
	let over = $state<'keys' | 'list' | 'words'>();
	let word = $state<Word>();
	const reach = provideShell({
		line: (text?: string) => line?.focus(text),
		showKeys: () => (over = 'keys'),
		showList: () => (over = 'list'),
		showWords: (asked) => ([over, word] = ['words', asked]),
		isCovered: () => over !== undefined
	});
	let typeSet = $state(false);
	let newBuild = $state(false);
	let offerBuild = (): void => undefined;

	const path = $derived(page.url.pathname);
	const now = $derived(app.engine.assessment);
	const units = $derived(app.prefs.current.units);
	const tanks = $derived(app.liveRig && now ? tankViews(app.liveRig, now, units, app.timeZone) : undefined);
	/** an act at hand, not a view: a run, or a code that is shown or read */
	const fillsScreen = $derived(/^\/(run\/|share$|take$)/.test(path));
	const view = $derived(VIEWS.find((one) => one.path === path)?.name ?? 'Dipsometer');

	// The theme is an attribute of the document, outside any component.
	$effect(() => {
		document.documentElement.dataset.theme = app.prefs.current.theme;
	});

	// Keys, and what an installed application does more, come when one has seen what one came for, or presses a key.
	const seen = $derived(now !== undefined || (app.phase !== 'loading' && app.phase !== 'ready'));
	const LATER_MS = 1500;
	const rest = later(LATER_MS, () => seen);
	let pressed = $state(false);
	const started = $derived(rest.over || pressed);
	/** keys that were pressed before anything listened */
	let held: KeyboardEvent[] = [];
	const hold = (event: KeyboardEvent): void => {
		if ((event.target as Element).closest('input, textarea, select')) return;
		if (event.key === '/') {
			// What is typed next goes into the line.
			event.preventDefault();
			line?.focus();
		} else held.push(event);
		pressed = true;
	};
	$effect(() => {
		if (!started) return;
		let end = (): void => undefined;
		void import('$lib/ui/shell/deferredStart').then(({ deferredStart }) => {
			removeEventListener('keydown', hold);
			({ end, offerBuild } = deferredStart(app, reach, held, () => (newBuild = true)));
		});
		return () => end();
	});

	/** a link to the demo: it is shown where nothing is kept here yet, and made while that is found out */
	const wantsDemo = page.url.searchParams.has('demo');
	const fetchDemo = async () => {
		const { makeDemo, lookAround } = await import('$lib/ui/shell/lookAround');
		return { making: makeDemo(app), lookAround };
	};
	let demo: ReturnType<typeof fetchDemo> | undefined;
	let looked = $state(false);
	const isNew = $derived(app.phase === 'first-run');
	$effect(() => {
		if (!isNew || !wantsDemo || looked) return;
		(demo ?? fetchDemo())
			.then(({ lookAround, making }) => lookAround(app, undefined, making))
			.catch(
				(error: unknown) =>
					(app.trouble = `The demo couldn’t be loaded: ${errorMessage(error)}. Reload the page when there is a signal.`)
			)
			.finally(() => (looked = true));
	});

	onMount(() => {
		if (wantsDemo) demo = fetchDemo();
		// Where it cannot be had, that is said when it is asked for.
		demo?.then(({ making }) => making).catch(() => undefined);
		addEventListener('keydown', hold);
		void app.start();
		void fontsReady().then(() => (typeSet = true));
		const endBeat = keepTime(app);
		return () => {
			endBeat();
			app.close();
		};
	});
	afterNavigate(() => newBuild && offerBuild());
</script>

{#snippet troubles()}
	{#await import('$lib/ui/shell/Troubles.svelte') then { default: Troubles }}<Troubles
			{app}
			{newBuild}
		/>{/await}
{/snippet}
{#snippet rods()}<SlimRods {tanks} {units} />{/snippet}

<svelte:head><title>{app.rig ? `${view} · ${app.rig.name}` : 'Dipsometer'}</title></svelte:head>

{#if toaster.wanted}
	{#await import('$lib/ui/kit/Toasts.svelte') then { default: Toasts }}<Toasts />{/await}
{/if}

{#if app.phase === 'loading' || !typeSet}
	<p class="soft" style:padding="3rem">Reading your logbook…</p>
{:else if app.phase === 'newer-store' || app.phase === 'unreadable'}
	{#await import('$lib/ui/features/data/StoreTrouble.svelte') then { default: StoreTrouble }}<StoreTrouble
			{app}
		/>{/await}
{:else if isNew && wantsDemo && !looked}
	<p class="soft" style:padding="3rem">Making up two rigs, each on a trip…</p>
{:else if isNew && path !== '/take'}
	{#await import('$lib/ui/shell/FirstRun.svelte') then { default: FirstRun }}<FirstRun {app} />{/await}
{:else if fillsScreen}
	{#if app.hasNews || newBuild}{@render troubles()}{/if}
	<main>{@render children()}</main>
{:else if app.rig && app.liveRig}
	{@const [rig, liveRig] = [app.rig, app.liveRig]}
	<Frame
		notices={app.hasNews || newBuild ? troubles : undefined}
		beside={path === '/' ? undefined : rods}
		{children}
	>
		{#snippet head()}
			<Header
				rigs={app.records.rigs}
				{rig}
				occasion={sayOccasion(app.tripAtHand, now?.persons, app.nowMs)}
				{path}
				onrig={(id) => void app.openRig(id)}
			/>
		{/snippet}
		{#snippet foot()}
			<Foot bind:this={line} {app} rig={liveRig} {path} later={started} onkeys={reach.showKeys} />
		{/snippet}
	</Frame>
{/if}

{#if over}
	{#await import('$lib/ui/shell/Over.svelte') then { default: Over }}<Over
			{app}
			{reach}
			what={over ?? 'list'}
			{word}
			onclose={() => (over = undefined)}
		/>{/await}
{/if}
