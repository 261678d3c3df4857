import type { Entry, EntryOf, Rig } from '../../logbook/index.js';
import { heightMm, tankById, usableOf } from '../tanks/index.js';

/** Stored entries that a changed rig would make impossible, though every id still names something. */
export type Impact =
	| {
			readonly kind: 'fill-over';
			readonly tank: string;
			readonly capacityL: number;
			readonly entries: readonly string[];
			readonly mostL: number;
	  }
	| { readonly kind: 'rod-over'; readonly instrument: string; readonly entries: readonly string[] }
	| { readonly kind: 'now-fresh' | 'now-waste'; readonly tank: string; readonly entries: readonly string[] };

/** Measuring errors allow this much over the brim. */
const OVER_BRIM = 1.1;

const moves = (entry: Entry, tank: string): entry is EntryOf<'fill'> | EntryOf<'dump'> =>
	(entry.kind === 'fill' || entry.kind === 'dump') && entry.tank === tank;

/** What a change of a rig does to what was written down before: only what was possible and would not be any more. */
export function impactOf(before: Rig, after: Rig, entries: readonly Entry[]): readonly Impact[] {
	const own = entries.filter((entry) => entry.rig === before.id && entry.void !== true);
	const tanks = after.tanks.flatMap((tank): readonly Impact[] => {
		const was = tankById(before, tank.id);
		if (!was) return [];
		const capacityL = usableOf(tank);
		const over = own.filter(
			(entry): entry is EntryOf<'fill'> | EntryOf<'dump'> =>
				moves(entry, tank.id) &&
				(entry.litres ?? 0) > OVER_BRIM * capacityL &&
				(entry.litres ?? 0) <= OVER_BRIM * usableOf(was)
		);
		const ids = (list: readonly Entry[]): readonly string[] => list.map(({ id }) => id);
		const wrongWay = own.filter(
			(entry) => entry.kind === (tank.holds === 'fresh' ? 'dump' : 'fill') && moves(entry, tank.id)
		);
		return [
			...(over.length > 0
				? [
						{
							kind: 'fill-over',
							tank: tank.id,
							capacityL,
							entries: ids(over),
							mostL: Math.max(...over.map(({ litres }) => litres ?? 0))
						} as const
					]
				: []),
			...((tank.holds === 'fresh') !== (was.holds === 'fresh') && wrongWay.length > 0
				? [
						{
							kind: tank.holds === 'fresh' ? 'now-fresh' : 'now-waste',
							tank: tank.id,
							entries: ids(wrongWay)
						} as const
					]
				: [])
		];
	});
	const rods = after.instruments.flatMap((rod): readonly Impact[] => {
		if (rod.kind !== 'rod') return [];
		const [tank, was] = [tankById(after, rod.tank), tankById(before, rod.tank)];
		if (!tank?.shape || !was?.shape) return [];
		const [limit, old] = [heightMm(tank.shape), heightMm(was.shape)];
		const over = own.filter(
			(entry) =>
				entry.kind === 'reading' &&
				entry.instrument === rod.id &&
				typeof entry.value === 'number' &&
				entry.value > OVER_BRIM * limit &&
				entry.value <= OVER_BRIM * old
		);
		return over.length > 0
			? [{ kind: 'rod-over', instrument: rod.id, entries: over.map(({ id }) => id) }]
			: [];
	});
	return [...tanks, ...rods];
}
