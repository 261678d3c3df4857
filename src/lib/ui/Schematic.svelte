<script lang="ts">
	import type { Plumbing } from '$core/rig';
	import { placePlumbing } from './schematic';

	interface Props {
		plumbing: Plumbing;
		/** level of each tank as a share of what it holds, and in words */
		levels: ReadonlyMap<string, { readonly share: number; readonly text: string }>;
		/** what to point at; everything else steps back */
		traced?: ReadonlySet<string> | undefined;
		onnode: (id: string) => void;
	}
	const { plumbing, levels, traced, onnode }: Props = $props();

	/** Below this width the layers go from the top down. */
	const ROOM = 640;
	let width = $state(900);
	const placed = $derived(placePlumbing(plumbing, width >= ROOM));
	const on = (id: string): boolean => !traced || traced.size === 0 || traced.has(id);
	const fixed = (kind: string): boolean => kind === 'source' || kind === 'end';
</script>

<div class="room" bind:clientWidth={width}>
	<div class="plan" style:width="{placed.width}px" style:height="{placed.height}px">
		<svg width={placed.width} height={placed.height} aria-hidden="true">
			<defs>
				<marker
					id="pipe-end"
					viewBox="0 0 8 8"
					refX="7"
					refY="4"
					markerWidth="7"
					markerHeight="7"
					orient="auto"
				>
					<path d="M0 0 L8 4 L0 8 Z" />
				</marker>
			</defs>
			{#each placed.pipes as { pipe, d }, i (i)}
				<path
					{d}
					class="pipe {pipe.by}"
					class:off={!(on(pipe.from) && on(pipe.to))}
					class:traced={traced?.has(pipe.from) && traced.has(pipe.to)}
					marker-end={pipe.by === 'level' ? undefined : 'url(#pipe-end)'}
				/>
			{/each}
		</svg>
		{#each placed.nodes as { node, x, y, width: w, height } (node.id)}
			{@const level = levels.get(node.id)}
			<svelte:element
				this={fixed(node.kind) ? 'div' : 'button'}
				class="node {node.kind} {node.holds ?? ''}"
				class:off={!on(node.id)}
				class:carried={node.carried}
				role={fixed(node.kind) ? undefined : 'button'}
				style:left="{x}px"
				style:top="{y}px"
				style:width="{w}px"
				style:height="{height}px"
				onclick={fixed(node.kind) ? undefined : () => onnode(node.id)}
			>
				{#if level}<span class="water" style:height="{Math.round(100 * level.share)}%"></span>{/if}
				<span class="words">
					<span class="name">{node.name}</span>
					{#if level}<span class="level">{level.text}</span>{/if}
					{#each node.meters as meter, i (i)}<span class="meter">⊙ {meter}</span>{/each}
				</span>
			</svelte:element>
		{/each}
	</div>
</div>

<style>
	.room {
		width: 100%;
		overflow-x: auto;
	}
	.plan {
		position: relative;
	}
	svg {
		position: absolute;
		inset: 0;
	}
	.pipe {
		fill: none;
		stroke: var(--soft-ink);
		stroke-width: 1.5;
	}
	.pipe.hand {
		stroke-dasharray: 5 4;
	}
	.pipe.level {
		stroke-width: 4;
		stroke: var(--line);
	}
	.pipe.traced {
		stroke: var(--ink);
		stroke-width: 3;
	}
	.pipe.off {
		stroke: var(--line);
	}
	marker path {
		fill: var(--ink);
	}
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
