<script lang="ts">
	import { zonedIso } from '$core/time';
	import { firstEntries, readyRig, readyRigs, type ReadyId } from '$core/rig';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import { beginWith } from '../../parts/acts/begin';
	import TextField from '../../kit/fields/TextField.svelte';
	import Sheet from '../../kit/page/Sheet.svelte';

	/** A rig to begin from, of no maker: set out full and empty, then changed to what one's own is. */
	const { app, onclose }: { app: App; onclose: () => void } = $props();
	let chosen = $state<ReadyId>('camper-small');
	let name = $state('');
	let busy = $state(false);

	async function begin(): Promise<void> {
		busy = true;
		const rig = readyRig(chosen, name.trim(), uuid);
		const drafts = firstEntries(rig, 'full', true, zonedIso(Date.now(), app.timeZone));
		await beginWith(app, rig, drafts, `${rig.name}: begun`);
		onclose();
	}
</script>

<Sheet title="Start from a ready rig" {onclose}>
	<form
		onsubmit={(event) => {
			event.preventDefault();
			if (name.trim() !== '') void begin();
		}}
	>
		<fieldset>
			<legend>Which is most like yours?</legend>
			{#each readyRigs as ready (ready.id)}
				<label class="check"
					><input type="radio" bind:group={chosen} value={ready.id} /><span
						><strong>{ready.name}</strong><span class="says soft">{ready.says}</span></span
					></label
				>
			{/each}
		</fieldset>
		<TextField label="What is it called?" bind:value={name} />
		<p class="soft">It starts full, with empty waste tanks. You can change every size and name later.</p>
		<p class="buttons">
			<button class="primary" type="submit" disabled={busy || name.trim() === ''}>Begin</button>
			<button type="button" onclick={onclose}>Cancel</button>
		</p>
	</form>
</Sheet>

<style>
	form {
		display: grid;
		gap: var(--gap-3);
	}
	label {
		border-bottom: var(--hairline);
	}
	.says {
		display: block;
	}
</style>
