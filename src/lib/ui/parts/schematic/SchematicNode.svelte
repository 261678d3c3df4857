<script lang="ts">
	import type { PlacedNode } from './placePlumbing';

	interface Props extends PlacedNode {
		/** level of a tank as a share of what it holds, and in words */
		level: { readonly share: number; readonly text: string } | undefined;
		/** steps back behind what is pointed at */
		off: boolean;
		onopen: () => void;
	}
	/** One box of the schematic; tanks and outlets open, where water comes from and goes to does not. */
	const { node, x, y, width, height, level, off, onopen }: Props = $props();
	const fixed = $derived(node.kind === 'source' || node.kind === 'end');
</script>

<svelte:element
	this={fixed ? 'div' : 'button'}
	class="node {node.kind} {node.holds ?? ''}"
	class:off
	class:carried={node.carried}
	role={fixed ? undefined : 'button'}
	style:left="{x}px"
	style:top="{y}px"
	style:width="{width}px"
	style:height="{height}px"
	onclick={fixed ? undefined : onopen}
>
	{#if level}<span class="water" style:height="{Math.round(100 * level.share)}%"></span>{/if}
	<span class="words">
		<span class="name">{node.name}</span>
		{#if level}<span class="level">{level.text}</span>{/if}
		{#each node.meters as meter, i (i)}<span class="meter">⊙ {meter}</span>{/each}
	</span>
</svelte:element>

<style>
	.node {
		position: absolute;
		display: flex;
		align-items: center;
		min-height: 0;
		padding: 0 0.5rem;
		background: var(--paper);
		text-align: left;
		overflow: hidden;
		line-height: 1.15;
	}
	div.node {
		border: 0;
		color: var(--soft-ink);
		justify-content: center;
	}
	.tank {
		padding-left: 1.6rem;
		background: var(--air);
	}
	.tank.carried {
		border-style: dashed;
	}
	.water {
		position: absolute;
		left: 0;
		bottom: 0;
		width: 0.9rem;
		background: var(--fresh);
	}
	.grey .water {
		background: var(--grey);
	}
	.black .water {
		background: var(--black);
	}
	.words {
		display: grid;
		min-width: 0;
	}
	.name {
		font-weight: 600;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	div.node .name {
		font-weight: 450;
	}
	.level,
	.meter {
		font-size: var(--step--1);
		color: var(--soft-ink);
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.node.off {
		color: var(--soft-ink);
		border-color: var(--line);
	}
	.node.off .water {
		opacity: 0.35;
	}
</style>
