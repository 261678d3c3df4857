import { DAY_MS } from '../time/index.js';
import { levelOfPool, movesOf, type Estimate, type Move } from '../estimate/index.js';
import type { WaterState } from './drinkable.js';
import { potableOf, type Potable } from './potable.js';
import type { Point } from '../logbook/index.js';

/** One fill's share of what is in a tank now. */
export interface WaterPart {
	/** 0 … 1 */
	readonly share: number;
	readonly sinceMs: number;
	/** the fill that brought it; absent for what was there before anything is known */
	readonly fill?: string;
	readonly point?: string;
	readonly potable: Potable;
}

/** How old the water in a fresh tank is, and where it came from. */
export interface WaterAge {
	readonly tank: string;
	readonly litres: number;
	/** the mean over its litres, days */
	readonly meanDays: number;
	/** nine tenths of it are younger, days */
	readonly oldDays: number;
	/** of some of it only the least age is known */
	readonly atLeast: boolean;
	/** the youngest first */
	readonly parts: readonly WaterPart[];
}

/** Water of one fill in a tank, litres. */
export interface Parcel extends Omit<WaterPart, 'share'> {
	readonly litres: number;
}

const sumOf = (parcels: readonly { readonly litres: number }[]): number =>
	parcels.reduce((sum, { litres }) => sum + litres, 0);

/** The same mixture in another amount: what is drawn takes of each part alike. */
function broughtTo(parcels: readonly Parcel[], litres: number): readonly Parcel[] {
	const sum = sumOf(parcels);
	return sum > 0 ? parcels.map((parcel) => ({ ...parcel, litres: (parcel.litres * litres) / sum })) : [];
}

/** Parts of so small a share are forgotten. */
const LEAST_SHARE = 0.002;

/** What a tank holds after more came in: well mixed, so that each part keeps its share of what was there. */
export function mixedWater(
	before: readonly Parcel[],
	levelL: number,
	coming: readonly Parcel[]
): readonly Parcel[] {
	const all = [...broughtTo(before, levelL), ...coming.filter(({ litres }) => litres > 0)];
	const whole = sumOf(all);
	return all.filter(({ litres }) => litres > LEAST_SHARE * whole);
}

/** What lay longer than this without a fill is as good as unknown, days. */
const REMEMBERED_DAYS = 200;

/**
 * How old the water in each fresh tank is: every fill mixes with what was left, so that its share shrinks with every fill
 * after it and its age does not. Water that is poured across takes its age along.
 *
 * @param points where fills name them: whether their taps are drinking water
 */
export function waterAges(estimate: Estimate, points: readonly Point[] = []): readonly WaterAge[] {
	const { model, atMs, entries } = estimate;
	const [first] = entries;
	if (!first) return [];
	const fromMs = Math.max(Date.parse(first.at), atMs - REMEMBERED_DAYS * DAY_MS);
	const fresh = model.rig.tanks.filter(({ holds, retired }) => holds === 'fresh' && !retired);
	const poolOf = (tank: string): number | undefined => model.places.get(tank)?.pool.index;
	const unknown = (litres: number): readonly Parcel[] => [{ litres, sinceMs: fromMs, potable: 'unknown' }];
	const held = new Map<number, readonly Parcel[]>();

	/** What a pool holds at a level: what it held, or, when nothing is known of it, something old. */
	const at = (pool: number, level: number): readonly Parcel[] => {
		const before = held.get(pool);
		return before && sumOf(before) > 0 ? broughtTo(before, level) : unknown(level);
	};
	for (const move of movesOf(estimate, fromMs)) take(move);
	function take({ entry, ms, before, after }: Move): void {
		if (entry.kind === 'fill') {
			const pool = poolOf(entry.tank);
			if (pool === undefined) return;
			const level = before[pool] ?? 0;
			const came = Math.max(0, (after[pool] ?? 0) - level);
			const coming: Parcel = {
				litres: came,
				sinceMs: ms,
				fill: entry.id,
				potable: potableOf(entry, points),
				...(entry.point === undefined ? {} : { point: entry.point })
			};
			held.set(pool, mixedWater(at(pool, level), level, [coming]));
		} else if (entry.kind === 'transfer') {
			const [from, to] = [poolOf(entry.fromTank), poolOf(entry.toTank)];
			if (from === undefined || to === undefined) return;
			const source = at(from, before[from] ?? 0);
			const level = before[to] ?? 0;
			const came = Math.max(0, (after[to] ?? 0) - level);
			held.set(to, mixedWater(at(to, level), level, broughtTo(source, came)));
			held.set(from, source);
		}
	}
	return fresh.flatMap(({ id }): readonly WaterAge[] => {
		const place = model.places.get(id);
		if (!place) return [];
		const litres = levelOfPool(estimate, place.pool.index).mean;
		const parcels = [...at(place.pool.index, litres)].sort((a, b) => b.sinceMs - a.sinceMs);
		const whole = sumOf(parcels);
		if (!(whole > 0)) return [];
		const days = ({ sinceMs }: { readonly sinceMs: number }): number => (atMs - sinceMs) / DAY_MS;
		const parts = parcels.map(({ litres, ...rest }): WaterPart => ({ ...rest, share: litres / whole }));
		let younger = 0;
		const old = parts.find(({ share }) => (younger += share) >= 0.9) ?? parts.at(-1);
		return [
			{
				tank: id,
				litres: litres * place.share,
				meanDays: parts.reduce((sum, part) => sum + part.share * days(part), 0),
				oldDays: old ? days(old) : 0,
				atLeast: parts.some(({ fill, share }) => fill === undefined && share > 0.05),
				parts
			}
		];
	});
}

/** After so many days water is commonly called old, by the heat of the day: a habit of mind, not a limit of health. */
const OLD_AFTER: readonly { readonly fromC: number; readonly days: number }[] = Object.freeze([
	{ fromC: 30, days: 2 },
	{ fromC: 25, days: 3 },
	{ fromC: -Infinity, days: 7 }
]);

/** What is to be minded of a tank's water: it is old, or not known to be for drinking. */
export type WaterWarning =
	| { readonly tank: string; readonly kind: 'old'; readonly days: number; readonly maxC?: number }
	| (WaterState & { readonly kind: 'doubtful' });

/** Of less than this nothing is to be minded, litres. */
const LEAST_L = 0.5;

/**
 * What is to be minded of the water in the tanks.
 *
 * @param states whether one may drink them
 * @param maxC the heat of these days, where it is known
 */
export function waterWarnings(
	ages: readonly WaterAge[],
	states: readonly WaterState[],
	maxC: number | undefined
): readonly WaterWarning[] {
	const limit = OLD_AFTER.find(({ fromC }) => (maxC ?? -Infinity) >= fromC)?.days ?? Infinity;
	return ages.flatMap(({ tank, oldDays, litres }): readonly WaterWarning[] => {
		if (litres < LEAST_L) return [];
		const state = states.find((one) => one.tank === tank);
		const doubtful =
			state &&
			(state.drink === 'washing' || (state.drink === 'unsure' && state.why.kind !== 'nothing-known'));
		return [
			...(oldDays >= limit
				? [{ tank, kind: 'old' as const, days: oldDays, ...(maxC === undefined ? {} : { maxC }) }]
				: []),
			...(doubtful ? [{ ...state, kind: 'doubtful' as const }] : [])
		];
	});
}
