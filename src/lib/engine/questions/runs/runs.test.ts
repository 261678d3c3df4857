import { describe, expect, it } from 'vitest';
import { instantMs, type Container, type EntryDraft, type Point, type Rig, type Trip } from '$core/logbook';
import { METRIC } from '$core/units';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../../../tests/helpers/logbooks';
import { Engine } from '../../engine';
import type { AnswerOf, ArgsOf, Kind } from '../../question';
import type { Standpoint } from '../../standpoint';

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

/** The engine with a log, asked from that moment. */
function begun(drafts: readonly EntryDraft[] = []) {
	const engine = new Engine();
	const entries = [...freshStart(), ...drafts.map((draft) => entry(draft))];
	engine.load({ ...logbookOf(entries, rig, [trip]), points: [well] });
	const from: Standpoint = { rig: 'rig', trip: 'trip', atMs: at, timeZone: 'Etc/UTC', units: METRIC };
	return <K extends Kind>(kind: K, ...args: ArgsOf<K>): Promise<AnswerOf<K>> =>
		engine.ask(kind, from, ...args);
}
const emptied = { kind: 'dump', at: '2027-05-01T20:00:00Z', tank: 'grey', to: 'empty' } as const;
const drawn = { kind: 'use', at: '2027-05-01T18:00:00Z', habit: 'dishes', times: 9 } as const;

describe('what containers can do', () => {
	it('a bucket smaller than the hose is poured into, and one that is all headroom is none', async () => {
		const stays = await begun()('runs/staysByHand', { trip: 'trip' });
		expect(stays.map(({ container }) => container)).toEqual(['bucket', 'can']);
		// What is left of the stay, 4¼ days of 20 L, and what is in the tank, 9 L a time.
		expect(stays[0]?.stay.loads).toBeGreaterThan(9);
		expect(stays[0]?.says).toMatch(/^The last four days at Camp with Bucket: /);
		await expect(begun()('runs/stayLoads', { container: 'brim', days: 3 })).rejects.toThrow(
			/no such container/
		);
	});
	it('when to go is told where one lives from it, and of a hose that fits', async () => {
		expect(await begun([emptied])('runs/whenToGo', {})).toEqual([]);
		const lives = begun([{ ...emptied, where: 'bucket' }]);
		expect((await lives('runs/whenToGo', {}))[0]).toMatch(/^Grey will just fill Bucket/);
		expect(await begun([{ ...emptied, where: 'brim' }])('runs/whenToGo', {})).toEqual([]);
	});
	it('what is near is offered where it is wanted', async () => {
		// A full tank wants no water.
		expect(await begun()('runs/nearByHand', 'camp')).toEqual([]);
		const [offer] = await begun([drawn])('runs/nearByHand', 'camp');
		expect(offer).toMatchObject({ container: 'can', service: 'water' });
		expect(offer?.says).toContain('No tap at Camp; Well is near: with Can');
		expect(await begun([drawn])('runs/nearByHand', 'nowhere')).toEqual([]);
	});
});
