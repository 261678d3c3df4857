<script lang="ts">
	import type { Plumbing } from '$core/rig';
	import { errorMessage } from '$lib/errorMessage';
	import { keeping } from '../../kit/keeping';
	import { later, PATIENCE_MS } from '../../kit/later.svelte';
	import InTurn from '../../kit/page/InTurn.svelte';
	import { placed } from './placed';
	import type { PlacedPlumbing } from './placePlumbing';
	import SchematicNode from './SchematicNode.svelte';

	interface Props {
		plumbing: Plumbing;
		/** level of each tank as a share of what it holds, and in words */
		levels: ReadonlyMap<string, { readonly share: number; readonly text: string }>;
		/** what to point at; everything else steps back */
		traced?: ReadonlySet<string> | undefined;
		onnode: (id: string) => void;
		/** it has its place on the page, will have none, or takes too long: what stands under it may come */
		onplaced: () => void;
	}
	const { plumbing, levels, traced, onnode, onplaced }: Props = $props();

	/** Below this width the layers go from the top down. */
	const ROOM = 640;
	let room = $state<DOMRectReadOnly>();
	const wide = $derived((room?.width ?? innerWidth) >= ROOM);
	// Whatever is entered makes the rig another object: it is placed anew where its pipes are other ones.
	const keptPlumbing = keeping<Plumbing>();
	const kept = $derived(keptPlumbing(plumbing));
	const patience = later(PATIENCE_MS);
	/** as it was placed last, or why it could not be */
	let plan = $state.raw<PlacedPlumbing>();
	let trouble = $state<string>();
	$effect(() => {
		let over = false;
		placed(kept, wide)
			.then(
				(found) => over || ([plan, trouble] = [found, undefined]),
				(error: unknown) => over || (trouble = errorMessage(error))
			)
			.finally(() => over || onplaced());
		return () => (over = true);
	});
	$effect(() => {
		if (patience.over) onplaced();
	});
	const on = (id: string): boolean => !traced || traced.size === 0 || traced.has(id);
</script>

<div class="room" bind:contentRect={room}>
	{#if trouble}
		<p class="soft">It couldn’t be drawn: {trouble}.</p>
	{:else if plan}
		<div class="plan" style:width="{plan.width}px" style:height="{plan.height}px">
			<InTurn>
				<svg width={plan.width} height={plan.height} aria-hidden="true">
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
					{#each plan.pipes as { pipe, d }, i (i)}
						<path
							{d}
							class="pipe {pipe.by}"
							class:off={!(on(pipe.from) && on(pipe.to))}
							class:traced={traced?.has(pipe.from) && traced.has(pipe.to)}
							marker-end={pipe.by === 'level' ? undefined : 'url(#pipe-end)'}
						/>
					{/each}
				</svg>
				{#each plan.nodes as { node, x, y, width: w, height } (node.id)}
					<SchematicNode
						{node}
						level={levels.get(node.id)}
						off={!on(node.id)}
						onopen={() => onnode(node.id)}
						{...{ x, y, width: w, height }}
					/>
				{/each}
			</InTurn>
		</div>
	{:else if patience.over}
		<p class="soft">Still being drawn. With next to no signal that can take minutes.</p>
	{/if}
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
</style>
