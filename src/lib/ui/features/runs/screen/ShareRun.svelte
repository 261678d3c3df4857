<script lang="ts">
	import type { Run } from '$core/runs';
	import { errorMessage } from '$lib/errorMessage';
	import { shareLink } from '../../../parts/acts/shareFile';
	import { handedOver } from './handOver';

	/** Hands a run over to another phone: its address carries it, and both write the same entries. */
	const { run, title }: { run: Run; title: string } = $props();
	let says = $state('');

	async function share(): Promise<void> {
		try {
			const left = await shareLink(title, `${location.origin}/run/${run.id}#${handedOver(run)}`);
			if (left === 'saved') says = 'Its address is copied: open it on the other phone.';
		} catch (error) {
			says = `It couldn’t be shared: ${errorMessage(error)}.`;
		}
	}
</script>

<button class="quiet" onclick={() => void share()}>Share</button>
{#if says}<span role="status" class="soft">{says}</span>{/if}
