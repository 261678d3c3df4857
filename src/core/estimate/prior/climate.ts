import { dayPlus, instantMs, zonedMs, type Habit, type Logbook, type Stop } from '../../logbook/index.js';

/** What of a place raises how often things are done: its heat, and how hard the days are. */
export interface Climate {
	/** highest temperature of the day; unknown when absent */
	readonly maxC?: number | undefined;
	/** 1 = usual */
	readonly exertion: number;
}

/** As places are of which nothing is known. */
export const USUAL_CLIMATE: Climate = { exertion: 1 };

/** Above this, where a habit that rises with heat does not say from where. */
const RISES_FROM_C = 25;

/** Something that holds from a moment on, until the next one says otherwise; rising in time. */
export type Steps<T> = readonly { readonly ms: number; readonly is: T }[];

/** What holds at a moment; nothing before the first step. */
export const stepAt = <T>(steps: Steps<T>, ms: number): T | undefined =>
	steps.findLast((step) => step.ms <= ms)?.is;

/** Heat and exertion as a rig's trips say it: each stop's from its arrival until the next one's, the usual after the trip. */
export function climateOf(rigId: string, trips: Logbook['trips']): Steps<Climate> {
	const ofStop = ({ weather, exertion = 1 }: Stop): Climate => ({ maxC: weather?.maxC, exertion });
	return trips
		.filter(({ rig }) => rig === rigId)
		.flatMap((trip) => [
			...trip.stops.map((stop) => ({ ms: instantMs(stop.arrive), is: ofStop(stop) })),
			{ ms: zonedMs(dayPlus(trip.to, 1), trip.timeZone), is: USUAL_CLIMATE }
		])
		.sort((a, b) => a.ms - b.ms);
}

/** How many times its usual cadence a habit is done in a climate. */
export function riseOf({ rises }: Pick<Habit, 'rises'>, { maxC, exertion }: Climate): number {
	if (!rises) return 1;
	const { fromC = RISES_FROM_C, perC = 0 } = rises;
	const byHeat = maxC === undefined ? 1 : 1 + perC * Math.max(0, maxC - fromC);
	return byHeat * (rises.exertion ? exertion : 1);
}

/** Which hook-ups hold. */
export interface HookUp {
	readonly mains: boolean;
	readonly sewer: boolean;
}

const UNHOOKED: HookUp = { mains: false, sewer: false };

/**
 * The hook-ups that a rig's trips have in store: at a stop that has them from its arrival to its departure. One that
 * holds now ends with the first of these, whatever it says: nobody drives with a hose.
 */
export const hookUpsOf = (rigId: string, trips: Logbook['trips']): Steps<HookUp> =>
	trips
		.filter(({ rig }) => rig === rigId)
		.flatMap(({ stops }) =>
			stops.flatMap(({ arrive, depart, services }) => [
				{
					ms: instantMs(arrive),
					is: {
						mains: services.some(({ kind }) => kind === 'mains'),
						sewer: services.some(({ kind }) => kind === 'sewer')
					}
				},
				{ ms: instantMs(depart), is: UNHOOKED }
			])
		)
		.sort((a, b) => a.ms - b.ms);

/** The time between two instants, cut where any of some steps lies between them: `[fromMs, toMs]` each. */
export function cutAt(
	fromMs: number,
	toMs: number,
	steps: readonly { readonly ms: number }[]
): readonly (readonly [fromMs: number, toMs: number])[] {
	if (!steps.some(({ ms }) => ms > fromMs && ms < toMs)) return [[fromMs, toMs]];
	const cuts = steps.map(({ ms }) => ms).filter((ms) => ms > fromMs && ms < toMs);
	const edges = [fromMs, ...new Set(cuts.sort((a, b) => a - b)), toMs];
	return edges.slice(1).map((end, i) => [edges[i] ?? fromMs, end] as const);
}
