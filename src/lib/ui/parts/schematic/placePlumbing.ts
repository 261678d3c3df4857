import type { Pipe, PipeNode, Plumbing } from '$core/rig';
import { Graph, layout } from '@dagrejs/dagre';

export interface PlacedNode {
	readonly node: PipeNode;
	/** left upper corner and size, px */
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}
export interface PlacedPipe {
	readonly pipe: Pipe;
	/** an SVG path */
	readonly d: string;
}
export interface PlacedPlumbing {
	readonly width: number;
	readonly height: number;
	readonly nodes: readonly PlacedNode[];
	readonly pipes: readonly PlacedPipe[];
}

const SIZES = {
	source: [132, 44],
	tank: [158, 62],
	outlet: [138, 44],
	end: [126, 44]
} as const;

interface Point {
	readonly x: number;
	readonly y: number;
}

/** A way through points whose corners are rounded off, as pipes are bent. */
function pathOf(points: readonly Point[]): string {
	const [first, ...rest] = points;
	if (!first) return '';
	const parts = rest.map((point, i) => {
		const next = rest[i + 1];
		if (!next) return `L${point.x} ${point.y}`;
		const middle = { x: (point.x + next.x) / 2, y: (point.y + next.y) / 2 };
		return `Q${point.x} ${point.y} ${middle.x} ${middle.y}`;
	});
	return `M${first.x} ${first.y}${parts.join('')}`;
}

/** Places the plumbing in layers (Sugiyama's method), left to right where there is room, else from the top down. */
export function placePlumbing({ nodes, pipes }: Plumbing, across: boolean): PlacedPlumbing {
	const graph = new Graph({ multigraph: false });
	graph.setGraph({
		rankdir: across ? 'LR' : 'TB',
		nodesep: across ? 16 : 10,
		ranksep: across ? 58 : 34,
		marginx: 4,
		marginy: 4
	});
	graph.setDefaultEdgeLabel(() => ({}));
	// the layout keeps its nodes as properties of an object, where an id such as `constructor` is something else
	const keys = new Map(nodes.map(({ id }, i) => [id, `n${i}`]));
	const keyOf = (id: string) => keys.get(id) ?? id;
	for (const { id, kind } of nodes) {
		const [width, height] = SIZES[kind];
		graph.setNode(keyOf(id), { width, height });
	}
	for (const { from, to } of pipes) graph.setEdge(keyOf(from), keyOf(to));
	layout(graph);
	const { width = 0, height = 0 } = graph.graph();
	return {
		width,
		height,
		nodes: nodes.map((node) => {
			const {
				x,
				y,
				width: w,
				height: h
			} = graph.node(keyOf(node.id)) as Point & { width: number; height: number };
			return { node, x: x - w / 2, y: y - h / 2, width: w, height: h };
		}),
		pipes: pipes.map((pipe) => ({
			pipe,
			d: pathOf(
				(graph.edge(keyOf(pipe.from), keyOf(pipe.to)) as { points?: readonly Point[] } | undefined)?.points ??
					[]
			)
		}))
	};
}
