import type { Entry, Habit, Instrument, Rig } from '../../logbook/index.js';
import { tankById } from '../tanks/index.js';
import { tanksTouched } from './touches.js';

/** What a node of the plumbing is. */
export type NodeKind = 'source' | 'tank' | 'outlet' | 'end';

/** A box of the schematic. Ids of sources and ends are their names in the file format: `tap`, `mains`, `ground` … */
export interface PipeNode {
	readonly id: string;
	readonly kind: NodeKind;
	readonly name: string;
	readonly holds?: 'fresh' | 'grey' | 'black';
	/** carried by hand: a jug, a cassette, a catch pan */
	readonly carried?: boolean;
	/** meters the flow passes here */
	readonly meters: readonly string[];
}

/** A connection of two nodes. */
export interface Pipe {
	readonly from: string;
	readonly to: string;
	/** how the water gets there: through a pipe, poured by hand, or level with each other */
	readonly by: 'pipe' | 'hand' | 'level';
}

/** Something that leads nowhere, or round in a circle. */
export type PipeFault =
	| { readonly kind: 'no-outlet'; readonly tank: string }
	| { readonly kind: 'nothing-in'; readonly tank: string }
	| { readonly kind: 'no-habit'; readonly outlet: string }
	| { readonly kind: 'drains-nowhere'; readonly outlet: string }
	| { readonly kind: 'draws-waste'; readonly outlet: string }
	| { readonly kind: 'loop'; readonly through: readonly string[] };

/** Where water comes from, passes and goes, as a graph. */
export interface Plumbing {
	readonly nodes: readonly PipeNode[];
	readonly pipes: readonly Pipe[];
	readonly faults: readonly PipeFault[];
}

const END_NAMES = {
	ground: 'Ground',
	overboard: 'Overboard',
	sewer: 'Sewer',
	none: 'Drunk or boiled off'
} as const;
/** Where the water of an outlet comes from that draws from no tank. */
const OUTSIDE = 'outside';
type End = keyof typeof END_NAMES;
const isEnd = (id: string): id is End => Object.hasOwn(END_NAMES, id);

const nodeOf = (tankOrEnd: string): string =>
	isEnd(tankOrEnd) ? `end:${tankOrEnd}` : tankOrEnd === OUTSIDE ? `source:${OUTSIDE}` : tankOrEnd;

const metersAt = (rig: Rig, place: 'fill' | 'pump' | 'mains', tank: string): readonly string[] =>
	rig.instruments
		.filter((i): i is Extract<Instrument, { kind: 'meter' }> => i.kind === 'meter')
		.filter((meter) => meter.place === place && meter.tank === tank)
		.map(({ name }) => name);

/** Walks on from each node; the first walk that comes back to a node on its own way is a loop. */
function loopIn(pipes: readonly Pipe[]): readonly string[] | undefined {
	const next = new Map<string, string[]>();
	for (const { from, to, by } of pipes) if (by !== 'level') next.set(from, [...(next.get(from) ?? []), to]);
	const done = new Set<string>();
	const walk = (here: string, way: readonly string[]): readonly string[] | undefined => {
		const before = way.indexOf(here);
		if (before !== -1) return way.slice(before);
		if (done.has(here)) return undefined;
		for (const to of next.get(here) ?? []) {
			const found = walk(to, [...way, here]);
			if (found) return found;
		}
		done.add(here);
		return undefined;
	};
	for (const start of next.keys()) {
		const found = walk(start, []);
		if (found) return found;
	}
	return undefined;
}

function faultsOf(rig: Rig, pipes: readonly Pipe[]): readonly PipeFault[] {
	const loop = loopIn(pipes);
	const addedTo = new Set(
		rig.measures.flatMap(({ effect }) => (effect.kind === 'reroute' ? [effect.to] : []))
	);
	return [
		...(loop ? [{ kind: 'loop', through: loop } as const] : []),
		...rig.tanks.flatMap((tank): readonly PipeFault[] => {
			const leaves = pipes.some(({ from, by }) => from === tank.id && by !== 'level');
			const enters = rig.outlets.some(({ to }) => to === tank.id) || addedTo.has(tank.id);
			if (tank.holds === 'fresh')
				return leaves || tank.joined !== undefined || rig.tanks.some(({ joined }) => joined === tank.id)
					? []
					: [{ kind: 'no-outlet', tank: tank.id }];
			return enters || tank.relieves !== undefined || tank.joined !== undefined
				? []
				: [{ kind: 'nothing-in', tank: tank.id }];
		}),
		...rig.outlets.flatMap((outlet): readonly PipeFault[] => {
			const habits = rig.habits.filter(({ outlet: of }) => of === outlet.id);
			const reaches = habits.some(({ keptFraction = 0 }) => keptFraction < 1);
			return [
				...(habits.length === 0 ? [{ kind: 'no-habit', outlet: outlet.id } as const] : []),
				...(outlet.to === 'none' && reaches ? [{ kind: 'drains-nowhere', outlet: outlet.id } as const] : []),
				...(outlet.from !== OUTSIDE && tankById(rig, outlet.from)?.holds !== 'fresh'
					? [{ kind: 'draws-waste', outlet: outlet.id } as const]
					: [])
			];
		})
	];
}

/** The rig's plumbing as a graph: sources → tanks → outlets → where it goes, and what is odd about it. */
export function plumbingOf(rig: Rig): Plumbing {
	const hasMains = rig.instruments.some((i) => i.kind === 'meter' && i.place === 'mains');
	const filled = rig.tanks.filter(({ holds }) => holds === 'fresh');
	const ends = [...new Set(rig.outlets.map(({ to }) => to).filter(isEnd))];
	const nodes: readonly PipeNode[] = [
		...(filled.length > 0
			? [{ id: 'source:tap', kind: 'source', name: 'Tap and hose', meters: [] } as const]
			: []),
		...(hasMains
			? [
					{
						id: 'source:mains',
						kind: 'source',
						name: 'Pressure hook-up',
						meters: filled.flatMap(({ id }) => metersAt(rig, 'mains', id))
					} as const
				]
			: []),
		...(rig.outlets.some(({ from }) => from === OUTSIDE)
			? [{ id: nodeOf(OUTSIDE), kind: 'source', name: 'Sea, or its own supply', meters: [] } as const]
			: []),
		...rig.tanks.map((tank): PipeNode => ({
			id: tank.id,
			kind: 'tank',
			name: tank.name,
			holds: tank.holds,
			...(tank.portable || tank.feeds !== undefined || tank.relieves !== undefined ? { carried: true } : {}),
			meters: [...metersAt(rig, 'fill', tank.id), ...metersAt(rig, 'pump', tank.id)]
		})),
		...rig.outlets.map((outlet): PipeNode => ({
			id: outlet.id,
			kind: 'outlet',
			name: outlet.name,
			meters: (outlet.meters ?? []).flatMap((id) => rig.instruments.find((i) => i.id === id)?.name ?? [])
		})),
		...ends.map((end): PipeNode => ({ id: `end:${end}`, kind: 'end', name: END_NAMES[end], meters: [] }))
	];
	const pipes: readonly Pipe[] = [
		...filled.map(({ id, feeds, portable }): Pipe => ({
			from: 'source:tap',
			to: id,
			by: feeds !== undefined || portable ? 'hand' : 'pipe'
		})),
		...rig.tanks.flatMap(({ id, feeds, relieves, joined }): readonly Pipe[] => [
			...(feeds === undefined ? [] : [{ from: id, to: feeds, by: 'hand' } as const]),
			...(relieves === undefined ? [] : [{ from: relieves, to: id, by: 'hand' } as const]),
			...(joined === undefined ? [] : [{ from: id, to: joined, by: 'level' } as const])
		]),
		...rig.outlets.flatMap(({ id, from, to }): readonly Pipe[] => [
			{ from: nodeOf(from), to: id, by: 'pipe' },
			...(hasMains && tankById(rig, from)?.holds === 'fresh'
				? [{ from: 'source:mains', to: id, by: 'pipe' } as const]
				: []),
			{ from: id, to: nodeOf(to), by: 'pipe' }
		])
	];
	return { nodes, pipes: [...pipes, ...reroutes(rig, pipes)], faults: faultsOf(rig, pipes) };
}

/** Water that a measure carries elsewhere: caught in a pan, poured into the toilet. */
function reroutes(rig: Rig, laid: readonly Pipe[]): readonly Pipe[] {
	const known = new Set(laid.map(({ from, to }) => JSON.stringify([from, to])));
	return rig.measures.flatMap(({ habit, effect }): readonly Pipe[] => {
		const outlet = rig.habits.find(({ id }) => id === habit)?.outlet;
		if (effect.kind !== 'reroute' || outlet === undefined) return [];
		const key = JSON.stringify([outlet, effect.to]);
		if (known.has(key)) return [];
		known.add(key);
		return [{ from: outlet, to: effect.to, by: 'hand' }];
	});
}

/** The pipes one time of a habit goes through: its outlet's, and those its measures lead it to. */
export function traceOf(rig: Rig, habit: Habit, measuresOn: readonly string[] = []): ReadonlySet<string> {
	const outlet = rig.outlets.find(({ id }) => id === habit.outlet);
	if (!outlet) return new Set();
	const elsewhere = rig.measures.flatMap(({ id, habit: of, effect }) =>
		of === habit.id && effect.kind === 'reroute' && measuresOn.includes(id) ? [effect.to] : []
	);
	const reaches = (habit.keptFraction ?? 0) < 1 || (habit.addsL ?? 0) > 0;
	return new Set([nodeOf(outlet.from), outlet.id, ...(reaches ? [nodeOf(outlet.to)] : []), ...elsewhere]);
}

/** The nodes an entry moved water through, or looked into; empty for what touches no water. */
export function traceOfEntry(
	rig: Rig,
	entry: Entry,
	measuresOn: readonly string[] = []
): ReadonlySet<string> {
	switch (entry.kind) {
		case 'use': {
			const habit = rig.habits.find(({ id }) => id === entry.habit);
			return habit ? traceOf(rig, habit, measuresOn) : new Set();
		}
		case 'fill':
			return new Set(['source:tap', ...tanksTouched(rig, entry)]);
		default:
			return new Set(tanksTouched(rig, entry));
	}
}
