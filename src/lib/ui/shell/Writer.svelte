<script lang="ts">
	import type { App } from '$lib/state';
	import { writersOf } from '$core/logbook';

	/** Who writes: a tap is the next of those who write here. */
	const { app }: { app: App } = $props();
	const by = $derived(app.prefs.current.by);
	const people = $derived(
		[...new Set([...writersOf(app.rigEntries), ...(by === undefined ? [] : [by])])].sort()
	);
	const next = $derived(people[(people.indexOf(by ?? '') + 1) % people.length]);
</script>

<button
	type="button"
	class="writer"
	aria-label={by === undefined
		? `Your entries carry no name. Log as ${next}`
		: next === by
			? `Logged by ${by}`
			: `Logged by ${by}. Log as ${next}`}
	title={by === undefined ? `Log as ${next}` : next === by ? `Logged by ${by}` : `Log as ${next}`}
	onclick={() => void app.choose({ by: next })}>{by ?? 'by …'}</button
>

<style>
	.writer {
		flex: none;
		min-width: 4rem;
		max-width: 7rem;
		min-height: 1.9rem;
		padding: 0 0.6rem;
		font-size: var(--step--1);
		border-color: var(--line);
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	@media (pointer: coarse), (max-width: 640px) {
		.writer {
			min-height: var(--touch);
		}
	}
</style>
