import type { Rig } from '../../logbook/index.js';
import { drainOf, mannerOf, tankById, type Manner } from '../../rig/index.js';
import type { DumpStep } from './order.js';

/** How tanks are emptied at a place: by what they are, or as the place has it. */
export type DumpManner = Manner | 'pumped' | 'sea' | 'ground';

/** Tanks that are emptied in one go, through one outlet, with how. */
export interface DumpLine {
	readonly by: DumpManner;
	/** in the order in which they are emptied */
	readonly tanks: readonly string[];
}

/** How a place has it. */
export interface DumpPlace {
	/** a point, or `sewer`, `ground`, `overboard` */
	readonly where?: string | undefined;
	/** a service that comes, or the pump of a berth */
	readonly pumped?: boolean | undefined;
}

function mannerAt(manner: Manner, { where, pumped }: DumpPlace): DumpManner {
	if (manner !== 'hose' && manner !== 'deck') return manner;
	if (where === 'overboard') return 'sea';
	if (where === 'ground') return 'ground';
	return pumped && manner === 'hose' ? 'pumped' : manner;
}

/** The goes in which a dump is done: each outlet by itself, in the order in which its first tank comes. */
export function dumpLines(rig: Rig, order: readonly DumpStep[], place: DumpPlace = {}): readonly DumpLine[] {
	const lines = new Map<string, { readonly by: DumpManner; readonly tanks: string[] }>();
	for (const { do: act, tank: id } of order) {
		const tank = act === 'empty' && id !== undefined ? tankById(rig, id) : undefined;
		if (!tank || id === undefined) continue;
		const by = mannerAt(mannerOf(rig, tank), place);
		// Nothing is opened to the sea, or onto the ground, for two at once.
		const key = by === 'sea' || by === 'ground' ? `${by} ${id}` : drainOf(rig, tank);
		const line = lines.get(key) ?? { by, tanks: [] };
		if (!line.tanks.includes(id)) line.tanks.push(id);
		lines.set(key, line);
	}
	return [...lines.values()];
}
