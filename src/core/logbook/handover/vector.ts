/**
 * Up to which of each device's changes something is known: the number of its last one, by device (a version vector; Parker
 * et al. 1983, "Detection of mutual inconsistency in distributed systems").
 */
export type VersionVector = Readonly<Record<string, number>>;

/** Which change a record last came with: whose, and its number there, from 1 on. */
export interface Stamp {
	readonly device: string;
	readonly change: number;
}

/** The number of the last change of a device that is known; 0 where none is. */
export const lastOf = (known: VersionVector, device: string): number =>
	Object.hasOwn(known, device) ? (known[device] ?? 0) : 0;

/** Whether a change is among those that are known. */
export const covers = (known: VersionVector, { device, change }: Stamp): boolean =>
	lastOf(known, device) >= change;

/** Whether all that the one knows is known to the other. */
export const coversAll = (known: VersionVector, of: VersionVector): boolean =>
	Object.entries(of).every(([device, change]) => covers(known, { device, change }));

/** What is known by either. */
export const joined = (a: VersionVector, b: VersionVector): VersionVector =>
	Object.fromEntries(
		[...new Set([...Object.keys(a), ...Object.keys(b)])].map((device) => [
			device,
			Math.max(lastOf(a, device), lastOf(b, device))
		])
	);
