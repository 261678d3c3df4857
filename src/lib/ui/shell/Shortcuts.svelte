<script lang="ts">
	import type { App } from '$lib/state';
	import Sheet from '../kit/page/Sheet.svelte';
	import type { ShellContext } from '../parts/acts/shellContext';
	import { everyAct, keysShown } from './acts';

	const { app, reach, onclose }: { app: App; reach: ShellContext; onclose: () => void } = $props();

	const IN_THE_LINE = [
		{ keys: 'Enter', does: 'log what was understood' },
		{ keys: 'Tab', does: 'finish the word' },
		{ keys: '↓ ↑', does: 'choose what you mean' },
		{ keys: 'Escape', does: 'clear the line, or leave it' }
	] as const;
	const acts = $derived(everyAct(app, reach));
</script>

{#snippet row(keys: readonly string[], does: string)}
	<dt>
		{#each keys as key (key)}<kbd>{key}</kbd>
		{/each}
	</dt>
	<dd>{does}</dd>
{/snippet}

<Sheet title="Keys" {onclose}>
	<dl>
		{#each acts as { keys, name } (name)}{#if keys}{@render row(keysShown(keys), name)}{/if}{/each}
	</dl>
	<h3>In the quick line</h3>
	<dl>
		{#each IN_THE_LINE as { keys, does } (keys)}{@render row(keys.split(' '), does)}{/each}
	</dl>
	<label class="check"
		><input
			type="checkbox"
			checked={app.prefs.current.letterKeys !== false}
			onchange={(event) => void app.choose({ letterKeys: event.currentTarget.checked })}
		/> Single letters are shortcuts (switch this off if they clash with speech input or another tool)</label
	>
	<button onclick={onclose}>Close</button>
</Sheet>

<style>
	dl {
		display: grid;
		grid-template-columns: max-content 1fr;
		gap: var(--gap-2) var(--gap-4);
	}
	kbd {
		font: inherit;
		font-weight: 600;
		border: 1px solid var(--line);
		border-radius: var(--corner);
		padding: 0 0.4rem;
	}
	button {
		justify-self: start;
	}
</style>
