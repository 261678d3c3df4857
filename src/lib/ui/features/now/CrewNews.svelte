<script lang="ts">
	import { crewAsked } from '$core/now';
	import type { App } from '$lib/state';
	import Notice from '../../kit/page/Notice.svelte';
	import { notifyDone } from '../../parts/acts/notify';

	/** Other people live otherwise: whether those who came are the same as before is asked, once. */
	const { app }: { app: App } = $props();

	const asked = $derived(
		app.liveRig &&
			crewAsked(
				app.rigEntries.filter((one) => !one.void),
				app.liveRig.crew,
				app.nowMs
			)
	);

	async function say(id: string, anew: boolean): Promise<void> {
		const label = anew ? 'Other people aboard' : 'Same people aboard';
		const kept = await app.commands.change('entry', id, (newest) => ({ ...newest, anew }), label);
		if (kept) notifyDone(app, label);
	}
</script>

{#if asked}
	{@const { entry, before } = asked}
	<Notice>
		<p>
			{entry.persons} aboard now, {before} before. Are they the same people as before{entry.persons > before
				? ', with guests'
				: ''}? Others may use more or less.
		</p>
		<p class="buttons">
			<button onclick={() => void say(entry.id, false)}>Same people</button>
			<button onclick={() => void say(entry.id, true)}>Other people</button>
		</p>
	</Notice>
{/if}
