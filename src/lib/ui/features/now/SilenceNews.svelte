<script lang="ts">
	import { zonedIso } from '$core/time';
	import type { EntryOf } from '$core/logbook';
	import { LIVED_WORDS } from '$core/words';
	import { useShell } from '../../parts/acts/shellContext';
	import type { App } from '$lib/state';
	import Notice from '../../kit/page/Notice.svelte';
	import { logSaying } from '../../parts/acts/notify';

	interface Props {
		app: App;
		silence: { readonly sinceMs: number; readonly words: string };
	}
	/** More has been quiet than the log explains: what that may mean, and one tap to say which. */
	const { app, silence }: Props = $props();
	const shell = useShell();

	const meter = $derived(
		app.liveRig?.instruments.find((one) => one.kind === 'meter' && one.place === 'pump')
	);
	const gauged = $derived(app.liveRig?.instruments.some(({ kind }) => kind !== 'meter') === true);
	const say = (lived: EntryOf<'gap'>['lived']): Promise<boolean> =>
		logSaying(
			app,
			[
				{
					kind: 'gap',
					since: zonedIso(silence.sinceMs, app.timeZone),
					lived,
					source: 'hand',
					...app.nowOnTrip()
				}
			],
			LIVED_WORDS[lived]
		);
</script>

<Notice>
	<p>{silence.words}</p>
	<p class="buttons">
		<button onclick={() => void say('as-usual')}>As usual</button>
		<button onclick={() => void say('away')}>We were away</button>
		{#if meter}<button onclick={() => shell.line('meter ')}>Read the meter</button>
		{:else if gauged}<button onclick={() => shell.line('')}>Read a gauge</button>{/if}
	</p>
</Notice>
