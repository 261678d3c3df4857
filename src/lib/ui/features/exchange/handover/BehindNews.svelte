<script lang="ts">
	import { sayPartnerBehind } from '$core/words';
	import type { Behind } from '$lib/exchange';
	import type { App } from '$lib/state';
	import { sharingBeside } from '$lib/state/sharing.svelte';

	/** Who keeps the same log and has not got the last days of it. */
	const { app }: { app: App } = $props();
	// svelte-ignore state_referenced_locally
	const sharing = sharingBeside(app);
	let behind = $state.raw<ReadonlyMap<string, Behind>>(new Map());

	// By the hour: what was logged just now is not late yet.
	$effect(() => {
		void app.hour;
		sharing
			.load()
			.then(() => sharing.behind())
			.then(
				(told) => (behind = told),
				// A word that is not said is no harm; sharing itself says why it does not work.
				(error: unknown) => console.warn('Who is behind is not known:', error)
			);
	});
	const said = $derived(
		[...behind].flatMap(([name, how]) => {
			const says = sayPartnerBehind(name, how, app.nowMs, app.timeZone);
			return says === undefined ? [] : [{ name, says }];
		})
	);
</script>

{#each said as { name, says } (name)}
	<p class="small">
		{says} <a href="/share?with={encodeURIComponent(name)}">Share</a>
	</p>
{/each}
