<script lang="ts">
	import type { Rig } from '$core/logbook';
	import { readRun } from '$core/runs';
	import type { App } from '$lib/state';
	import { runsBeside, type RunBook } from '$lib/state/runBook.svelte';
	import { errorMessage } from '$lib/errorMessage';
	import { onMount, type Snippet } from 'svelte';
	import Waiting from '../../parts/notices/Waiting.svelte';

	interface Props {
		app: App;
		children: Snippet<[{ book: RunBook; rig: Rig }]>;
	}
	/** What every act at a tap or a drain needs before it can begin: the runs that are kept, and what is in the tanks. */
	const { app, children }: Props = $props();

	// svelte-ignore state_referenced_locally
	const book = runsBeside(app, readRun);
	let loaded = $state(false);
	let trouble = $state<string>();
	onMount(() => {
		// Where the store cannot be read, a new run can be begun all the same.
		book.load().then(
			() => (loaded = true),
			(error: unknown) => ((trouble = errorMessage(error)), (loaded = true))
		);
		return () => book.close();
	});
</script>

{#if app.liveRig && app.engine.assessment && loaded}
	{#if trouble}<p class="mind" role="alert">Earlier runs couldn’t be read: {trouble}.</p>{/if}
	{@render children({ book, rig: app.liveRig })}
{:else}
	<Waiting trouble={app.engine.trouble} />
{/if}
