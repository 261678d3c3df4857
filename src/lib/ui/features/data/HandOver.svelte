<script lang="ts">
	import { TWO_OF_YOU } from '$core/words';
	import type { App } from '$lib/state';
	import { toast } from '../../kit/toast.svelte';
	import { downloadLogbook, logbookFile } from '../../parts/acts/saveLogbook';
	import { shareFile } from '../../parts/acts/shareFile';

	/** The logbook to a file; to another person what they have not got, or all of it as a file. */
	const { app }: { app: App } = $props();

	async function shareAll(): Promise<void> {
		const { name, text } = logbookFile(app);
		const left = await shareFile(name, text);
		if (left === 'kept') return;
		app.presence.saved(app.records.entries.length);
		toast(
			left === 'shared'
				? 'Shared. The other person imports it under Data, and sees first what it changes.'
				: 'This device can’t share files, so the logbook was saved: send that file.'
		);
	}
</script>

<p class="buttons">
	<button class="primary" onclick={() => downloadLogbook(app)}>Save the logbook to a file</button>
	<a class="as-button" href="/share">Share with someone</a>
	<a class="as-button" href="/take">Scan or paste theirs</a>
	<button onclick={() => void shareAll()}>Share the whole file</button>
</p>
<p class="soft">
	{TWO_OF_YOU}
</p>
