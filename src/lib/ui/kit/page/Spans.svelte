<script lang="ts">
	import type { Span } from '$core/words';

	const { spans }: { spans: readonly Span[] } = $props();
</script>

{#each spans as span, i (i)}{#if span.tone === 'mind'}<mark>{span.text}</mark
		>{:else if span.tone === 'strong'}<strong>{span.text}</strong>{:else}{span.text}{/if}{/each}

<style>
	mark {
		color: inherit;
		background: linear-gradient(
			transparent 62%,
			var(--caution-wash) 62%,
			var(--caution-wash) 92%,
			transparent 92%
		);
	}
</style>
