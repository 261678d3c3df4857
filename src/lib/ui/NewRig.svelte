<script lang="ts">
	import { zonedIso, type Entry } from '$core/logbook';
	import { firstEntries, readyRig, readyRigs, type ReadyId } from '$core/rig';
	import type { App } from '$lib/state';
	import { v7 as uuid } from 'uuid';
	import Sheet from './Sheet.svelte';
	import TextField from './TextField.svelte';

	/** A rig to begin from, of no maker: set out full and empty, then changed to what one's own is. */
	const { app, onclose }: { app: App; onclose: () => void } = $props();
	let chosen = $state<ReadyId>('camper-small');
	let name = $state('');
	let busy = $state(false);

	async function begin(): Promise<void> {
		busy = true;
		const rig = readyRig(chosen, name.trim(), uuid);
		const at = zonedIso(Date.now(), app.timeZone);
		const entries = firstEntries(rig, 'full', true, at).map((draft) => ({
			kind: 'entry' as const,
			value: { ...draft, id: uuid(), rig: rig.id } as Entry
		}));
		await app.commit([{ kind: 'rig', value: rig }, ...entries], `${rig.name}: begun`);
		await app.openRig(rig.id);
		onclose();
	}
</script>

<Sheet title="Begin from a ready rig" {onclose}>
	<form
		onsubmit={(event) => {
			event.preventDefault();
			if (name.trim() !== '') void begin();
		}}
	>
		<fieldset>
			<legend>Which is most like yours?</legend>
			{#each readyRigs as ready (ready.id)}
				<label
					><input type="radio" bind:group={chosen} value={ready.id} /><span
						><strong>{ready.name}</strong><span class="soft">{ready.says}</span></span
					></label
				>
			{/each}
		</fieldset>
		<TextField label="What is it called?" bind:value={name} />
		<p class="soft">It begins full and with empty waste tanks. Every size and name can be changed after.</p>
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
	fieldset {
		border: 0;
		padding: 0;
		margin: 0;
		display: grid;
	}
	legend {
		font-weight: 600;
		padding: 0;
	}
	label {
		display: flex;
		gap: var(--gap-3);
		align-items: center;
		min-height: var(--touch);
		border-bottom: var(--hairline);
	}
	label span span {
		display: block;
	}
	input {
		width: 1.2rem;
		height: 1.2rem;
		flex: none;
	}
	.buttons {
		display: flex;
		gap: var(--gap-3);
	}
</style>
