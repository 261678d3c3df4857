<script lang="ts">
	import { saidMore, type Refusal } from '$core/logbook';
	import Notice from '../../kit/page/Notice.svelte';

	/** What is wrong with a file, and that nothing was taken from it. */
	const { fileName, refused }: { fileName: string; refused: Refusal } = $props();
</script>

<Notice>
	<p role="alert">
		<strong>{fileName} was not read; nothing has changed.</strong>
		{refused.problems.length === 1 ? 'One thing is' : 'Several things are'} wrong with it:
	</p>
	<ul>
		{#each refused.problems as { path, expected, got }, i (i)}
			<li><code>{path}</code>: expected {expected}, got {got}</li>
		{/each}
	</ul>
	{#if refused.more}<p>{saidMore(refused)}.</p>{/if}
</Notice>

<style>
	li {
		overflow-wrap: anywhere;
		padding: 0.15rem 0;
	}
	code {
		font-family: inherit;
		font-weight: 650;
	}
</style>
