<script lang="ts">
	import { TWO_OF_YOU } from '$core/words';
	import type { App } from '$lib/state';
	import { toast } from '../../kit/toast.svelte';
	import { downloadLogbook } from '../../parts/acts/saveLogbook';
	import { handOver, type HandedOver } from './handOver';

	/** The logbook to a file, and to another person: by the device's own share sheet, else as a file. */
	const { app }: { app: App } = $props();
	const SAID: Readonly<Record<HandedOver, string | undefined>> = {
		shared: 'Shared. The other person imports it under Data, and sees first what it changes.',
		saved: 'This device can’t share files, so the logbook was saved: send that file.',
		kept: undefined
	};
	async function hand(): Promise<void> {
		const said = SAID[await handOver(app)];
		if (said !== undefined) toast(said);
	}
</script>

<p class="buttons">
	<button class="primary" onclick={() => downloadLogbook(app)}>Save the logbook to a file</button>
	<button onclick={() => void hand()}>Share it</button>
</p>
<p class="soft">
	{TWO_OF_YOU}
</p>
