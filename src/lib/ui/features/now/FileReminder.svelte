<script lang="ts">
	import type { App } from '$lib/state';
	import { isFileOld } from '$lib/state/fileAge';

	/** A word, now and then, that a file would be good to have. */
	const { app }: { app: App } = $props();
</script>

{#if isFileOld(app.presence.current, app.nowMs)}
	<p class="soft small">
		{app.presence.current?.savedMs === undefined
			? 'This logbook has not been saved to a file yet.'
			: 'The newest file of this logbook is getting old.'}
		<a href="/data">Save one</a>
	</p>
{/if}
