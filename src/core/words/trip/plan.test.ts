import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate } from '../../estimate/index.js';
import { hoursReader } from '../../hours/index.js';
import type { Rig, Service, Stop, Trip } from '../../logbook/index.js';
import { plan } from '../../plan/index.js';
import { METRIC } from '../../units/index.js';
import {
	doesAt,
	sayDoubtfulTaps,
	sayFallbackPrice,
	sayIfShut,
	sayOverload,
	sayPlan,
	spanText
} from '../index.js';

const atMs = Date.parse('2027-05-01T06:00:00Z');
const rig: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, nominalL: 400, usableL: 400 } : tank))
};
const stop = (day: number, services: readonly Service[]): Stop => ({
	id: `s${day}`,
	name: `Stop ${day}`,
	arrive: `2027-05-0${day}T06:00:00Z`,
	depart: `2027-05-0${day}T08:00:00Z`,
	legKm: 10,
	services
});
function said(stops: readonly Stop[], policy: Trip['policy'] = {}) {
	const trip: Trip = { ...exactTrip, stops, policy };
	const logbook = logbookOf(freshStart(), rig, [trip]);
	const planned = plan(estimate(logbook, 'rig', atMs), logbook, 'trip');
	const { headline, detail } = sayPlan(rig, trip, planned, atMs, METRIC);
	return { planned, headline: spanText(headline), detail: spanText(detail) };
}
const water: Service = { kind: 'water', minutes: 10, fee: 2 };
const grey: Service = { kind: 'grey', minutes: 5, fee: 1 };

describe('what a plan says', () => {
	it('what to do first and where, what comes then, and what it takes', () => {
		const { headline, detail } = said([stop(3, [water, grey]), stop(6, [])]);
		expect(headline).toMatch(/^Take \d+.L and empty Grey at Stop 3 on Monday\.$/);
		expect(detail).toMatch(
			/^Then nothing until the end\. Almost certain that no tank runs low or fills up\./
		);
		expect(detail).toContain('Total: 15 minutes and 3 in fees.');
	});
	it('of two services of a kind at a stop the one that the cost counts', () => {
		const dear: Service = { ...water, fee: 9, minutes: 40, detourKm: 7 };
		const { planned, detail } = said([stop(3, [water, dear, grey]), stop(6, [])]);
		expect(planned.cost).toBe(3);
		expect(detail).toContain('Total: 15 minutes and 3 in fees.');
	});
	it('the longest way round of a stop once', () => {
		const { detail } = said([
			stop(3, [
				{ ...water, detourKm: 4 },
				{ ...grey, detourKm: 2 }
			]),
			stop(6, [])
		]);
		expect(detail).toContain('15 minutes, 4 km out of the way and 3 in fees');
	});
	it('where it counts on water of which nobody has said that it is for drinking, and what then', () => {
		const trip = (potable?: boolean): Trip => ({
			...exactTrip,
			stops: [stop(3, [{ ...water, ...(potable === undefined ? {} : { potable }) }, grey]), stop(6, [])]
		});
		const told = (potable?: boolean): string | undefined =>
			sayDoubtfulTaps(trip(potable), said(trip(potable).stops).planned);
		expect(told(true)).toBeUndefined();
		expect(told()).toMatch(
			/uses water at Stop 3 that is not known to be drinkable: .*boil it, treat it, or buy/
		);
	});
	it('by how much it breaks the payload', () =>
		expect(
			sayOverload(
				{ ...exactTrip, stops: [stop(3, [water])] },
				{ ...said([stop(3, [water])]).planned, overload: { stop: 's3', kg: 42 } },
				METRIC
			)?.replaceAll('\u00a0', ' ')
		).toMatch(/^After filling at Stop 3 you would be 42 kg over the payload/));
	it('that nothing need be done, and that nothing helps', () => {
		expect(said([stop(2, [water, grey])]).headline).toBe('Nothing to fill or dump before the trip ends.');
		const hopeless = said([stop(6, [])]);
		expect(hopeless.headline).toBe('No stop ahead has what you need in time.');
		expect(hopeless.detail).toMatch(/ short\.| too much\./);
	});
	it('how sure it is, no surer than that', () => {
		const list = [stop(3, [water, grey]), stop(6, [])];
		const trip: Trip = { ...exactTrip, stops: list };
		const { planned } = said(list);
		const words = (chance: number): string =>
			spanText(sayPlan(rig, trip, { ...planned, chance }, atMs, METRIC).detail);
		expect(words(0.8)).toContain('80% chance that no tank runs low or fills up');
		expect(words(0.948)).toContain('94% chance');
	});
});

describe('what opens only later', () => {
	it('is used then, and says so; of what is open on arrival nothing is said', () => {
		const trip: Trip = {
			...exactTrip,
			stops: [stop(3, [{ ...water, open: '07:30-18:00' }, grey]), stop(5, [])]
		};
		const logbook = logbookOf(freshStart(), rig, [trip]);
		const planned = plan(estimate(logbook, 'rig', atMs), logbook, 'trip', { hours: hoursReader() });
		const does = doesAt(rig, planned, trip.stops[0]!, METRIC, trip.timeZone);
		expect(does).toEqual(['empty Grey', expect.stringMatching(/^take \d+.L, open from Mon 3 May 07:30$/)]);
	});
});

describe('what then if one is shut', () => {
	const trip: Trip = { ...exactTrip, stops: [stop(3, [water, grey]), stop(4, [water]), stop(6, [])] };
	const told = (all: Parameters<typeof sayIfShut>[2], at?: string): readonly string[] =>
		sayIfShut(rig, trip, all, atMs, METRIC, at).map((spans) => spanText(spans).replaceAll('\u00a0', ' '));
	const binds = { tank: 'grey', atMs: Date.parse('2027-05-05T10:00:00Z'), shortL: 6 };
	it('another stop and how far it is; or what fills, when, and what one can do before', () => {
		expect(told([{ stop: 's3', kind: 'water', then: 's4' }])).toEqual([
			'If it is shut: Stop 4 instead, 10 km on.'
		]);
		expect(told([{ stop: 's3', kind: 'grey', binds }], 'Stop 3')).toEqual([
			'If Stop 3 is shut: Grey is full Wednesday morning (6 L less in it before that would do).'
		]);
	});
	it('each kind by itself where it differs, together where it does not', () => {
		expect(
			told([
				{ stop: 's3', kind: 'water', then: 's4' },
				{ stop: 's3', kind: 'grey', then: 's4' }
			])
		).toHaveLength(1);
		expect(
			told([
				{ stop: 's3', kind: 'water', then: 's4' },
				{ stop: 's3', kind: 'grey', binds: { ...binds, shortL: 70 } }
			])
		).toEqual([
			'If the tap is shut: Stop 4 instead, 10 km on.',
			'If the drain is shut: Grey is full Wednesday morning.'
		]);
	});
	it('what surviving it costs, and that no plan does', () => {
		const { planned } = said([stop(3, [water, grey]), stop(6, [])]);
		const dearer = {
			...planned,
			cost: planned.cost + 3.2,
			effort: { ...planned.effort, fees: planned.effort.fees + 3.2 }
		};
		expect(sayFallbackPrice(planned, dearer)).toMatch(
			/^Costs 3\.2 in fees more\. Almost 100% chance without it/
		);
		expect(sayFallbackPrice(planned, { ...planned, feasible: false })).toMatch(
			/^No plan of this trip does that/
		);
		expect(sayFallbackPrice({ ...planned, feasible: false }, planned)).toMatch(/falls short even/);
	});
});
