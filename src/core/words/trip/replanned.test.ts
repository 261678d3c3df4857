import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { estimate } from '../../estimate/index.js';
import { instantMs, type Entry, type Trip } from '../../logbook/index.js';
import { passedBy, replanned, seenOf, workedPlan, type PlanSeen } from '../../plan/index.js';
import { askPassedBy, sayLastChance, sayLoad, sayReplanned } from '../index.js';
import { METRIC } from '../../units/index.js';

const rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) => (tank.id === 'black' ? { ...tank, nominalL: 400, usableL: 400 } : tank))
};
const stop = (
	day: number,
	services: Trip['stops'][number]['services'] = [{ kind: 'water' }, { kind: 'grey' }]
) => ({
	id: `s${day}`,
	name: `Stop ${day}`,
	arrive: `2027-05-0${day}T12:00:00Z`,
	depart: `2027-05-0${day}T14:00:00Z`,
	legKm: 5,
	services
});
const trip: Trip = { ...exactTrip, stops: [stop(4), stop(6), stop(7, [])] };
function seen(at: string, more: readonly Entry[] = []): PlanSeen {
	const known = estimate(logbookOf([...freshStart(), ...more], rig, [trip]), 'rig', instantMs(at));
	return seenOf(rig, trip, workedPlan(known, trip).plan, instantMs(at));
}
const said = (before: PlanSeen, now: PlanSeen): string | undefined => {
	const change = replanned(before, now);
	return change && sayReplanned(rig, trip, change, now.atMs);
};

describe('what has changed in a plan', () => {
	const began = seen('2027-05-01T08:00:00Z');
	it('nothing, while one lives as thought, or does as planned', () => {
		expect(said(began, seen('2027-05-01T20:00:00Z'))).toBeUndefined();
		const served = [
			entry({ kind: 'fill', at: '2027-05-04T12:10:00Z', tank: 'main', to: 'full' }),
			entry({ kind: 'dump', at: '2027-05-04T12:20:00Z', tank: 'grey', to: 'empty' })
		];
		expect(said(began, seen('2027-05-04T13:00:00Z', served))).toBeUndefined();
	});
	it('a tank that is fuller than thought: which drain is now needed, or that it holds no longer', () => {
		const guests = entry({ kind: 'use', at: '2027-05-01T12:00:00Z', habit: 'dishes', times: 6 });
		expect(said(began, seen('2027-05-01T13:00:00Z', [guests]))).toBe(
			'Grey fills faster than expected: the plan now falls short.'
		);
		const easy: Trip = { ...trip, stops: [stop(2), stop(4), stop(6, [])] };
		const seenEasy = (at: string, more: readonly Entry[]) =>
			seenOf(
				rig,
				easy,
				workedPlan(estimate(logbookOf([...freshStart(), ...more], rig, [easy]), 'rig', instantMs(at)), easy)
					.plan,
				instantMs(at)
			);
		const before = seenEasy('2027-05-01T08:00:00Z', []);
		const change = replanned(before, seenEasy('2027-05-01T13:00:00Z', [guests]));
		expect(change && sayReplanned(rig, easy, change, instantMs('2027-05-01T13:00:00Z'))).toMatch(
			/^(Grey fills|Main is used) faster than expected: the (drain|tap) at Stop 2 tomorrow.* (is|are) now needed\.$/
		);
	});
	it('of another trip nothing is said', () =>
		expect(replanned({ ...began, trip: 'other' }, began)).toBeUndefined());
});

describe('a planned service that was passed by', () => {
	const began = seen('2027-05-01T08:00:00Z');
	const after = instantMs('2027-05-04T15:00:00Z');
	const passed = (entries: readonly Entry[], nowMs = after) => passedBy(began, rig, trip, entries, nowMs);
	it('is asked after, tank by tank, once one has left', () => {
		expect(passed([], instantMs('2027-05-04T13:00:00Z'))).toEqual([]);
		const [ask] = passed([]);
		expect(ask?.tanks).toEqual(['main', 'grey']);
		expect(askPassedBy(rig, trip, ask!, after)).toBe(
			'Did you fill Main and empty Grey at Stop 4 today? Nothing is logged.'
		);
	});
	it('not of what was written down, there or shortly before', () => {
		const filled = entry({ kind: 'fill', at: '2027-05-04T08:00:00Z', tank: 'main', litres: 40 });
		expect(passed([filled])[0]?.tanks).toEqual(['grey']);
		expect(passed([{ ...filled, void: true }])[0]?.tanks).toEqual(['main', 'grey']);
	});
});

describe('in words', () => {
	const nowMs = instantMs('2027-05-01T08:00:00Z');
	const last = { tank: 'grey', stop: 's4', arriveMs: instantMs('2027-05-04T12:00:00Z') };
	it('the last chance: before which day, where and when', () => {
		const words = (bindsMs: number): string => sayLastChance(rig, trip, { ...last, bindsMs }, nowMs);
		expect(words(instantMs('2027-05-05T18:00:00Z'))).toBe(
			'Stop 4 on Tuesday: last drain before Grey is full on Wednesday.'
		);
		// on the same day the part of it
		expect(words(instantMs('2027-05-04T18:30:00Z'))).toBe(
			'Stop 4 on Tuesday: last drain before Grey is full Tuesday evening.'
		);
		expect(sayLastChance(rig, trip, { ...last, arriveMs: nowMs - 1, bindsMs: nowMs + 9e7 }, nowMs)).toMatch(
			/^Here, Stop 4: last drain before /
		);
	});
	it('a load: the least, what pays, everything; the same figure once', () => {
		const load = { leastL: 58, paysL: 92, mostL: 100, cost: 0, leastCost: 5 };
		const lines = sayLoad({ ...rig, payloadKg: 400 }, trip, load, METRIC);
		expect(lines.map(({ figure }) => figure.replace('\u00a0', ' '))).toEqual(['58 L', '92 L', '100 L']);
		expect(lines[1]?.says).toContain('it saves 5 over the least');
		expect(lines[0]?.says).toContain('15% of the payload');
		expect(sayLoad(rig, trip, { ...load, paysL: 58, cost: 5 }, METRIC)).toHaveLength(2);
		expect(sayLoad(rig, trip, { ...load, leastL: 99.5, paysL: 99.5 }, METRIC)).toHaveLength(1);
	});
});
