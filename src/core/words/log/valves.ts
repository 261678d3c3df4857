import type { Rig } from '../../logbook/index.js';
import { openBlack, openTanks, type OpenValves, type SeaState } from '../../rig/index.js';
import { listed } from '../list.js';

/** Which valves of a sewer hook-up are open, by their tanks: `Grey open and Black shut`; those that are built in, or named. */
export function sayValves(rig: Pick<Rig, 'tanks'>, sewer: OpenValves): string {
	const open = new Set(openTanks(rig, sewer));
	const valves = rig.tanks.filter(
		({ id, holds, portable, retired }) => holds !== 'fresh' && (open.has(id) || !(portable || retired))
	);
	return listed(valves.map(({ id, name }) => `${name} ${open.has(id) ? 'open' : 'shut'}`));
}

/** What a boat's valves have the sea do: `Heads flushed with sea water, Holding to sea`; else `flushed from the tank, waste kept aboard`. */
export function saySea(rig: Pick<Rig, 'tanks' | 'outlets'>, sea: SeaState | undefined): string {
	const named = (
		ids: readonly string[] = [],
		list: readonly { readonly id: string; readonly name: string }[]
	): string => listed(list.filter(({ id }) => ids.includes(id)).map(({ name }) => name));
	const [flush, waste] = [named(sea?.flush, rig.outlets), named(sea?.waste, rig.tanks)];
	return `${flush ? `${flush} flushed with sea water` : 'flushed from the tank'}, ${waste ? `${waste} to sea` : 'waste kept aboard'}`;
}

/** What to mind when waste goes overboard. */
export const SEA_CAUTION =
	'Discharge only where it is lawful: rules differ, for grey too. Elsewhere shut and secure seacock and Y-valve.';

/** The same for any tank of black. */
export const KEEP_BLACK_SHUT = 'Keep black shut until it is two thirds full.';

/** What to mind at a sewer hook-up with these valves open; nothing in a rig without a built-in black tank. */
export function sayValveCaution(rig: Pick<Rig, 'tanks'>, sewer: OpenValves): string | undefined {
	const black = rig.tanks.filter((one) => one.holds === 'black' && !one.portable && !one.retired);
	if (sewer === false || black.length === 0) return undefined;
	const names = listed(black.map(({ name }) => name));
	const keep = `Keep ${names} shut until it is two thirds full, then dump and rinse.`;
	const why = 'Left open, liquids run off and solids stay behind.';
	return openBlack(rig, sewer).length > 0 ? `${keep} ${why}` : keep;
}
