<script lang="ts">
	import { onMount } from 'svelte';
	import { keepAwake } from '../../../kit/wakeLock';
	import { codeOf, type CodePicture } from './code';

	/** A hand-over as a code to hold before a camera: of several pictures one after the other, round and round. */
	const { pictures, to }: { pictures: readonly string[]; to: string } = $props();

	/** Under three changes a second: quicker ones can harm people who are sensitive to flashes. */
	const QUICK_MS = 350;
	const SLOW_MS = 900;
	let at = $state(0);
	let slow = $state(false);
	const drawn = new Map<string, CodePicture>();
	const picture = $derived.by(() => {
		const text = pictures[at % pictures.length] ?? '';
		const code = drawn.get(text) ?? codeOf(text);
		drawn.set(text, code);
		return code;
	});
	$effect(() => {
		if (pictures.length < 2) return;
		const turning = setInterval(() => (at = (at + 1) % pictures.length), slow ? SLOW_MS : QUICK_MS);
		return () => clearInterval(turning);
	});
	onMount(keepAwake);
	const name = $derived(pictures.length === 1 ? 'Code' : `Code, picture ${at + 1} of ${pictures.length}`);
</script>

<figure>
	<svg viewBox="0 0 {picture.size} {picture.size}" role="img" aria-label={name} shape-rendering="crispEdges">
		<rect width={picture.size} height={picture.size} fill="var(--code-paper)" />
		<path d={picture.path} fill="var(--code-ink)" />
	</svg>
	<figcaption>
		{#if pictures.length > 1}
			<progress value={at + 1} max={pictures.length} aria-hidden="true"></progress>
			<span class="count">{at + 1} of {pictures.length}</span>
			<button class="quiet small" aria-pressed={slow} onclick={() => (slow = !slow)}
				>{slow ? 'Faster' : 'Slower'}</button
			>
		{/if}
		<span class="soft small"
			>{pictures.length > 1
				? `Hold it in front of ${to}’s camera until it has them all.`
				: `Hold it in front of ${to}’s camera.`} Turn the brightness up.</span
		>
	</figcaption>
</figure>

<style>
	figure {
		display: grid;
		gap: var(--gap-2);
		width: min(100%, 62vh, 34rem);
	}
	svg {
		width: 100%;
		display: block;
		border: var(--hairline);
	}
	figcaption {
		display: flex;
		flex-wrap: wrap;
		gap: 0 var(--gap-3);
		align-items: center;
	}
	progress {
		flex: 1 1 6rem;
		min-width: 0;
	}
	.count {
		font-variant-numeric: tabular-nums;
	}
	.soft {
		flex: 1 1 100%;
	}
</style>
