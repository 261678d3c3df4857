import { bisector } from 'd3-array';
import type { PastTank } from '$core/estimate';
import { instantMs, type Rig, type Tank, type Trip } from '$core/logbook';
import type { PlannedService } from '$core/plan';
import { behind, isCarried } from '$core/rig';
import { formatLitres, type UnitChoice } from '$core/units';
import { SERVES, sayUnlike } from '$core/words';
import type { TripPlan } from '$lib/engine';
import type { RibbonData, RibbonLane } from '../../parts/charts/ribbon/ribbonData';

const wordsFor = (tank: Tank, service: PlannedService, units: UnitChoice): string => {
	if (tank.holds !== 'fresh') return 'empty';
	return service.water?.to === 'full' ? 'fill up' : `+${formatLitres(service.water?.litres ?? 0, units)}`;
};

const byTime = bisector(({ ms }: PastTank['levels'][number]) => ms);

/** What was in a tank with what stands behind it: one quantity on both sides of now. */
function pastWith(rig: Rig, tank: Tank, past: readonly PastTank[]): PastTank['levels'] {
	const levelsOf = (id: string): PastTank['levels'] => past.find((one) => one.id === id)?.levels ?? [];
	const others = behind(rig, tank).map(({ id }) => levelsOf(id));
	return levelsOf(tank.id).map((level) =>
		others.reduce((sum, levels) => {
			const then = levels[byTime.right(levels, level.ms) - 1] ?? levels[0];
			return then
				? {
						...sum,
						low: sum.low + then.low,
						litres: sum.litres + then.litres,
						high: sum.high + then.high
					}
				: sum;
		}, level)
	);
}

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
				past: pastWith(rig, tank, past).filter(({ ms }) => ms >= fromMs && ms <= of.fromMs),
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
