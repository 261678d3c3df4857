import type { PastTank } from '$core/estimate';
import { instantMs, type Rig, type Tank, type Trip } from '$core/logbook';
import type { LevelAlong, PlannedService } from '$core/plan';
import { isCarried } from '$core/rig';
import { formatLitres, type UnitChoice } from '$core/units';
import { SERVES, sayUnlike } from '$core/words';
import type { TripPlan } from '$lib/engine';

/** What is written beside a step. */
export interface LaneMark {
	readonly ms: number;
	readonly litres: number;
	readonly words: string;
}

/** One tank of the ribbon: its account until now, and its way from then on. */
export interface RibbonLane {
	readonly tank: Tank;
	readonly usableL: number;
	readonly limitL: number;
	readonly past: readonly LevelAlong[];
	readonly ahead: readonly LevelAlong[];
	readonly services: readonly LaneMark[];
	/** the last place to serve it, and when it would bind */
	readonly lastChance?: LaneMark;
}

/** A stay, as the ribbon's head shows it. */
export interface RibbonStop {
	readonly id: string;
	readonly name: string;
	readonly fromMs: number;
	readonly toMs: number;
	/** something is planned there */
	readonly used: boolean;
}

export interface RibbonData {
	readonly fromMs: number;
	readonly toMs: number;
	readonly nowMs: number;
	readonly stops: readonly RibbonStop[];
	readonly lanes: readonly RibbonLane[];
	/** days said to be unlike others */
	readonly said: readonly { readonly fromMs: number; readonly toMs: number; readonly words: string }[];
}

const wordsFor = (tank: Tank, service: PlannedService, units: UnitChoice): string => {
	if (tank.holds !== 'fresh') return 'empty';
	return service.water?.to === 'full' ? 'fill up' : `+${formatLitres(service.water?.litres ?? 0, units)}`;
};

/** The lanes of a trip: what was, what is planned, and the last chances, by tank. */
export function ribbonOf(
	rig: Rig,
	trip: Trip,
	of: TripPlan,
	past: readonly PastTank[],
	nowMs: number,
	units: UnitChoice
): RibbonData {
	const { plan } = of;
	const planned = new Set(plan.services.map(({ stop }) => stop));
	const firstMs = trip.stops[0] ? instantMs(trip.stops[0].arrive) : of.fromMs;
	const fromMs = Math.min(of.fromMs, firstMs);
	const lanes = of.along.flatMap(({ tank: id, usableL, limitL, levels }): readonly RibbonLane[] => {
		const tank = rig.tanks.find((one) => one.id === id);
		if (!tank || isCarried(rig, tank)) return [];
		const taken = plan.services.filter(({ water, dump }) =>
			tank.holds === 'fresh' ? water !== undefined : dump?.includes(id)
		);
		const last = plan.lastChance.find((one) => one.tank === id);
		const kind = tank.holds === 'fresh' ? 'water' : tank.holds;
		const levelAt = (ms: number): number => levels.findLast((level) => level.ms <= ms)?.litres ?? 0;
		return [
			{
				tank,
				usableL,
				limitL,
				past:
					past.find((one) => one.id === id)?.levels.filter(({ ms }) => ms >= fromMs && ms <= of.fromMs) ?? [],
				ahead: levels,
				services: taken.map((service) => ({
					ms: service.atMs,
					litres: levelAt(service.atMs),
					words: wordsFor(tank, service, units)
				})),
				...(last
					? {
							lastChance: {
								ms: Math.max(last.arriveMs, of.fromMs),
								litres: levelAt(Math.max(last.arriveMs, of.fromMs)),
								words: `last ${SERVES[kind]}`
							}
						}
					: {})
			}
		];
	});
	return {
		fromMs,
		toMs: Math.max(of.toMs, fromMs + 1),
		nowMs,
		stops: trip.stops.map(({ id, name, arrive, depart }) => ({
			id,
			name,
			fromMs: instantMs(arrive),
			toMs: instantMs(depart),
			used: planned.has(id)
		})),
		lanes,
		said: (rig.ahead ?? [])
			.map((one) => ({
				fromMs: instantMs(one.from),
				toMs: instantMs(one.to),
				words: sayUnlike(one, { rig })
			}))
			.filter(({ fromMs: begins, toMs: ends }) => ends > fromMs && begins < of.toMs)
	};
}

/** What stands in each lane at a moment; nothing where it is not known. */
export const levelsAt = (
	{ lanes }: RibbonData,
	ms: number
): readonly { readonly tank: Tank; readonly level: LevelAlong }[] =>
	lanes.flatMap(({ tank, past, ahead }) => {
		const first = ahead[0];
		const list = first && ms >= first.ms ? ahead : past;
		const before = list.findLast((level) => level.ms <= ms);
		if (!before) return [];
		const after = list.find((level) => level.ms > ms);
		const part = after && after.ms > before.ms ? (ms - before.ms) / (after.ms - before.ms) : 0;
		const mix = (of: (level: LevelAlong) => number): number =>
			of(before) + part * ((after ? of(after) : of(before)) - of(before));
		return [
			{ tank, level: { ms, low: mix((l) => l.low), litres: mix((l) => l.litres), high: mix((l) => l.high) } }
		];
	});
