<script lang="ts">
	import type { Word } from '$core/words';
	import type { App } from '$lib/state';
	import type { ShellContext } from '../parts/acts/shellContext';

	interface Props {
		app: App;
		reach: ShellContext;
		what: 'keys' | 'list' | 'words';
		word: Word | undefined;
		onclose: () => void;
	}
	/** What lies over a view when it is asked for: the keys, the list of commands, what our words mean. */
	const { app, reach, what, word, onclose }: Props = $props();
</script>

{#if what === 'keys'}
	{#await import('./Shortcuts.svelte') then { default: Shortcuts }}<Shortcuts
			{app}
			{reach}
			{onclose}
		/>{/await}
{:else if what === 'list'}
	{#await import('./CommandList.svelte') then { default: CommandList }}<CommandList
			{app}
			{reach}
			{onclose}
		/>{/await}
{:else}
	{#await import('../parts/glossary/Glossary.svelte') then { default: Glossary }}<Glossary
			{word}
			{onclose}
		/>{/await}
{/if}
