<script lang="ts">
	import type { KeptAside } from '$lib/store';
	import { download } from '../../kit/download';

	/** Stored records that could not be read: what they are, what is wrong, and the way to keep them. */
	const { aside }: { aside: readonly KeptAside[] } = $props();
	const MOST = 20;
</script>

<p>
	{aside.length} stored {aside.length === 1 ? 'record' : 'records'} couldn’t be read. They are kept as they were
	and change nothing.
</p>
<ul>
	{#each aside.slice(0, MOST) as { key, value, problems }, i (i)}
		<li>
			<details>
				<summary
					><strong>{key}</strong>: {problems[0]?.path} expected {problems[0]?.expected}, got {problems[0]
						?.got}</summary
				>
				<pre>{JSON.stringify(value, undefined, 2)}</pre>
			</details>
		</li>
	{/each}
</ul>
{#if aside.length > MOST}<p>and {aside.length - MOST} more, in the file.</p>{/if}
<p>
	<button onclick={() => download('dipsometer-kept-aside.json', JSON.stringify(aside, undefined, '\t'))}
		>Save them to a file</button
	>
</p>

<style>
	summary {
		min-height: var(--touch);
		padding-top: 0.6rem;
		cursor: pointer;
		overflow-wrap: anywhere;
	}
	pre {
		margin: 0;
		overflow-x: auto;
		font-size: var(--step--1);
		background: var(--shoal);
		padding: var(--gap-2);
	}
	ul {
		width: 100%;
	}
</style>
