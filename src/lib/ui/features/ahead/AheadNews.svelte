<script lang="ts">
	import { askWhetherSo } from '$core/words';
	import { latest } from '$lib/engine';
	import type { App } from '$lib/state';
	import Notice from '../../kit/page/Notice.svelte';
	import { changeAhead } from './changeAhead';

	/** Days that were said to be unlike others and that readings contradict: whether they came as they were said, asked once. */
	const { app }: { app: App } = $props();

	const rig = $derived(app.liveRig);
	const asked = latest(
		() => ((rig?.ahead?.length ?? 0) > 0 ? app.engine.ask('now/saidContradicted') : undefined),
		() => [app.engine.written, rig, app.hour]
	);

	const confirm = (id: string): Promise<void> =>
		changeAhead(
			app,
			(all) => all.map((one) => (one.id === id ? { ...one, confirmed: true } : one)),
			'It happened as you said'
		);
	const remove = (id: string): Promise<void> =>
		changeAhead(app, (all) => all.filter((one) => one.id !== id), 'Counted as usual days');
</script>

{#if rig}
	{#each asked.value ?? [] as one (one.id)}
		<Notice>
			<p>{askWhetherSo(one, { rig, nowMs: app.nowMs, timeZone: app.timeZone })}</p>
			<p class="buttons">
				<button onclick={() => void confirm(one.id)}>It happened</button>
				<button onclick={() => void remove(one.id)}>As usual</button>
			</p>
		</Notice>
	{/each}
{/if}
