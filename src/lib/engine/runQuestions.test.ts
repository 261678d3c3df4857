import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import { estimate } from '$core/estimate';
import { instantMs, type Container, type EntryDraft, type Point, type Rig, type Trip } from '$core/logbook';
import { METRIC } from '$core/units';
import { answerRun, type RunsAsked } from './runQuestions';

const at = instantMs('2027-05-02T06:00:00Z');
const bucket: Container = {
	id: 'bucket',
	name: 'Bucket',
	carries: 'grey',
	capacityL: 10,
	headroomL: 1,
	tareKg: 1,
	count: 1,
	minutesPerLoad: 5
};
const rig: Rig = {
	...exactRig,
	containers: [
		bucket,
		{ ...bucket, id: 'brim', name: 'All brim', headroomL: 10 },
		{ ...bucket, id: 'can', name: 'Can', carries: 'fresh', count: 2 }
	]
};
const trip: Trip = {
	...exactTrip,
	stops: [
		{
			id: 'camp',
			name: 'Camp',
			arrive: '2027-05-01T12:00:00Z',
			depart: '2027-05-06T12:00:00Z',
			legKm: 0,
			position: [-2, 54],
			services: []
		}
	]
};
const well: Point = { id: 'well', name: 'Well', position: [-2, 54.01], services: [{ kind: 'water' }] };

function asked(drafts: readonly EntryDraft[] = []): RunsAsked {
	const entries = [...freshStart(), ...drafts.map((draft) => entry(draft))];
	const logbook = logbookOf(entries, rig, [trip]);
	return {
		estimate: estimate(logbook, 'rig', at),
		entries,
		trip,
		trips: [trip],
		points: [well],
		timeZone: 'Etc/UTC',
		units: METRIC
	};
}
const emptied = { kind: 'dump', at: '2027-05-01T20:00:00Z', tank: 'grey', to: 'empty' } as const;
const drawn = { kind: 'use', at: '2027-05-01T18:00:00Z', habit: 'dishes', times: 9 } as const;

describe('what containers can do', () => {
	it('a bucket smaller than the hose is poured into, and one that is all headroom is none', () => {
		const stays = answerRun(asked(), { kind: 'stays', trip: 'trip' });
		expect(stays.map(({ container }) => container)).toEqual(['bucket', 'can']);
		// What is left of the stay, 4¼ days of 20 L, and what is in the tank, 9 L a time.
		expect(stays[0]?.stay.loads).toBeGreaterThan(9);
		expect(stays[0]?.says).toMatch(/^The last four days at Camp with Bucket: /);
		expect(() => answerRun(asked(), { kind: 'stay', container: 'brim', days: 3 })).toThrow(
			/no such container/
		);
	});
	it('when to go is told where one lives from it, and of a hose that fits', () => {
		expect(answerRun(asked([emptied]), { kind: 'when-to-go' })).toEqual([]);
		const lives = asked([{ ...emptied, where: 'bucket' }]);
		expect(answerRun(lives, { kind: 'when-to-go' })[0]).toMatch(/^Bucket is just right for Grey/);
		expect(answerRun(asked([{ ...emptied, where: 'brim' }]), { kind: 'when-to-go' })).toEqual([]);
	});
	it('what is near is offered where it is wanted', () => {
		// A full tank wants no water.
		expect(answerRun(asked(), { kind: 'near', stop: 'camp' })).toEqual([]);
		const [offer] = answerRun(asked([drawn]), { kind: 'near', stop: 'camp' });
		expect(offer).toMatchObject({ container: 'can', service: 'water' });
		expect(offer?.says).toContain('No tap at Camp; Well is near: with Can');
		expect(answerRun(asked([drawn]), { kind: 'near', stop: 'nowhere' })).toEqual([]);
	});
});
