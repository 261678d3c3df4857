import fc from 'fast-check';
import { expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate } from '../../estimate/index.js';
import type { Rig, Service, Stop, Trip } from '../../logbook/index.js';
import { DAY_MS } from '../../time/index.js';
import { planProblemOf, workOut, type Plan } from '../index.js';

const START = Date.UTC(2027, 4, 1, 6);
const iso = (ms: number): string => new Date(ms).toISOString();

const service = (kind: Service['kind']): fc.Arbitrary<Service> =>
	fc.record({
		kind: fc.constant(kind),
		fee: fc.integer({ min: 0, max: 9 }),
		minutes: fc.integer({ min: 0, max: 15 }),
		detourKm: fc.constantFrom(0, 0, 6)
	});
const services = fc
	.tuple(
		fc.option(service('water'), { freq: 4 }),
		fc.option(service('grey'), { freq: 2 }),
		fc.option(service('black'))
	)
	.map((all) => all.filter((one) => one !== null));
const stops = fc
	.array(fc.tuple(services, fc.constantFrom(1, 1.5, 2), fc.integer({ min: 20, max: 180 })), {
		minLength: 4,
		maxLength: 8
	})
	.map((list) => {
		let ms = START;
		return list.map(([services, days, legKm], i): Stop => {
			const arrive = iso(ms);
			ms += days * DAY_MS;
			return { id: `s${i}`, name: `S${i}`, arrive, depart: iso(ms), legKm, services };
		});
	});
const policy = fc.record({
	feePerMinute: fc.constant(0.09),
	feePerKm: fc.constant(0.15),
	feePerKgKm: fc.constantFrom(0, 2e-3, 4e-3),
	fallback: fc.boolean()
});
/** Water binds first, grey later: cheap taps early on the way tempt one to fill where nothing is needed yet. */
const rig: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => {
		const usableL = { fresh: 130, grey: 105, black: 60 }[tank.holds];
		return { ...tank, nominalL: usableL, usableL };
	})
};
const planned = (stops: readonly Stop[], policy: Trip['policy'], startL: number): Plan => {
	const trip: Trip = { ...exactTrip, to: '2027-06-30', stops, policy };
	const believed = estimate(logbookOf(freshStart(), rig, [trip]), 'rig', START);
	return workOut(planProblemOf(believed, trip, { paths: 20, loadL: startL })).plan;
};
const costOf = ({ feasible, cost }: Plan): number => (feasible ? cost : Infinity);

it('taking a service away never makes a plan cheaper, and a cheaper one beside it never dearer', () => {
	fc.assert(
		fc.property(stops, policy, fc.integer({ min: 60, max: 130 }), (list, prices, startL) => {
			const whole = costOf(planned(list, prices, startL));
			list.forEach(({ services }, i) =>
				services.forEach((one, k) => {
					const instead = (other: readonly Service[]): readonly Stop[] =>
						list.map((stop, at) => (at === i ? { ...stop, services: other } : stop));
					const without = services.filter((_, at) => at !== k);
					expect(costOf(planned(instead(without), prices, startL))).toBeGreaterThanOrEqual(whole - 1e-6);
					const cheaper = { ...one, fee: (one.fee ?? 0) / 2 };
					expect(costOf(planned(instead([...services, cheaper]), prices, startL))).toBeLessThanOrEqual(
						whole + 1e-6
					);
				})
			);
		}),
		{ numRuns: 25 }
	);
}, 120_000);
