<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		title: string;
		progress?: string;
		body: Snippet;
		foot: Snippet;
	}
	/** A whole screen for one act: what it is, what to do, and the buttons at the thumb. */
	const { title, progress = '', body, foot }: Props = $props();
</script>

<div class="run">
	<header>
		<h1>{title}</h1>
		<p class="soft">{progress}</p>
		<a href="/" class="leave" aria-label="Leave; the run is saved">✕</a>
	</header>
	<div class="body">{@render body()}</div>
	<div class="foot">{@render foot()}</div>
</div>

<style>
	.run {
		display: grid;
		grid-template: auto minmax(0, 1fr) auto / minmax(0, 1fr);
		height: 100dvh;
		max-width: 46rem;
		margin: 0 auto;
		padding: 0 var(--gap-4);
	}
	header {
		display: flex;
		gap: var(--gap-3);
		align-items: center;
		min-height: 3.25rem;
		border-bottom: var(--hairline);
	}
	h1 {
		flex: 1;
		font: 650 var(--step-0) var(--text);
		letter-spacing: 0;
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.leave {
		display: grid;
		place-items: center;
		min-width: var(--touch);
		min-height: var(--touch);
		text-decoration: none;
		font-size: 1.3rem;
	}
	.body {
		display: grid;
		gap: var(--gap-3);
		align-content: start;
		overflow-y: auto;
		padding: var(--gap-3) 0.25rem;
	}
	.foot {
		display: grid;
		gap: var(--gap-2);
		padding: var(--gap-3) 0;
		padding-bottom: max(var(--gap-3), env(safe-area-inset-bottom));
		border-top: var(--hairline);
	}
	@media (max-width: 640px) {
		.run {
			padding: 0 1.1rem;
		}
	}
</style>
