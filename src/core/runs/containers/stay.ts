import { DAY_MS } from '../../time/index.js';
import { quantileOf } from '../../numerics/index.js';
import { levelOf, type Estimate } from '../../estimate/index.js';
import { cumulativeAt, cumulativeFlow } from '../../forecast/index.js';
import type { Container } from '../../logbook/index.js';
import { emptyOf, fitsL, loadsOf, neverBinds, tankById, type Hose } from '../../rig/index.js';

/** A whole stay on containers. */
export interface StayLoads {
	readonly container: string;
	/** litres to carry in the stay: expected, and what is exceeded once in ten such stays */
	readonly litres: number;
	readonly mostL: number;
	readonly loads: number;
	readonly mostLoads: number;
	readonly trips: number;
	/** days between one trip and the next */
	readonly everyDays: number;
	readonly days: number;
	/** of one trip, and of all */
	readonly minutesEach?: number;
	readonly minutes?: number;
	readonly heaviestKg: number;
}

const ONE_IN_TEN = 0.9;
const HALF = 0.5;

/**
 * What a stay asks of a container: the waste that comes while one is there and what is in the tanks already when it begins now,
 * or the fresh water that goes.
 *
 * @param fromMs the beginning of the stay, now or later, and its end `toMs`
 * @throws RangeError when nothing fits the container or the stay has no length
 */
export function stayByContainer(
	estimate: Estimate,
	container: Container,
	fromMs: number,
	toMs: number,
	hose: Hose
): StayLoads {
	if (!(toMs > fromMs && toMs > estimate.atMs))
		throw new RangeError('a stay must end after it begins, and later than now');
	const { rig } = estimate.model;
	const { carries } = container;
	const course = cumulativeFlow(estimate, { toMs });
	const begin = Math.max(fromMs, estimate.atMs);
	const all = new Float64Array(course.paths);
	course.lanes.forEach(({ id, falls }, i) => {
		const tank = tankById(rig, id);
		if (!tank || tank.holds !== carries || neverBinds(rig, tank)) return;
		const [before, after] = [cumulativeAt(course, i, begin), cumulativeAt(course, i, toMs)];
		// What stands in the tank when the stay begins goes too; of fresh water only what is used is fetched.
		const there =
			falls || fromMs > estimate.atMs ? 0 : Math.max(0, levelOf(estimate, id).mean - emptyOf(tank));
		for (let path = 0; path < course.paths; path++) {
			const come = (after[path] as number) - (before[path] as number);
			all[path] = (all[path] as number) + there + (falls ? -come : come);
		}
	});
	all.sort();
	const litres = Math.max(0, quantileOf(all, HALF));
	const mostL = Math.max(0, quantileOf(all, ONE_IN_TEN));
	const usual = loadsOf(carries, litres, container, hose);
	const most = loadsOf(carries, mostL, container, hose);
	const days = (toMs - begin) / DAY_MS;
	return {
		container: container.id,
		litres,
		mostL,
		loads: usual.loads,
		mostLoads: most.loads,
		trips: usual.trips,
		everyDays: usual.trips > 0 ? days / usual.trips : days,
		days,
		...(container.minutesPerLoad === undefined
			? {}
			: { minutesEach: container.minutesPerLoad, minutes: usual.minutes ?? 0 }),
		heaviestKg: container.tareKg + Math.min(litres, fitsL(carries, container, hose))
	};
}
