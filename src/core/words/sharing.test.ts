import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip } from '../../../tests/helpers/logbooks.js';
import { METRIC } from '../units/index.js';
import type { Coming, Entry, Kept } from '../logbook/index.js';
import {
	sayComing,
	sayContent,
	sayLastShared,
	sayMade,
	sayOtherRigs,
	sayPartnerBehind,
	sayShared,
	type SharingContext
} from './index.js';

const NOW_MS = Date.parse('2027-05-12T18:00:00Z');
const context: SharingContext = {
	rigs: [exactRig],
	trips: [exactTrip],
	nowMs: NOW_MS,
	timeZone: 'Etc/UTC',
	units: METRIC
};
const plain = (text: string | undefined): string | undefined => text?.replaceAll('\u00a0', ' ');
const fill = (litres: number, more: object = {}): Entry => ({
	...entry({ kind: 'fill', tank: 'main', litres, at: '2027-05-12T08:00:00Z' }, 'f'),
	...more
});
const asEntry = (value: Entry): Kept => ({ kind: 'entry', value });
const said = (coming: Omit<Extract<Coming, { state: Coming['state'] }>, 'key'>): string | undefined =>
	plain(sayComing({ key: 'k', ...coming } as Coming, 'Mara', context));

describe('who is behind', () => {
	const since = (iso: string, records = 3) =>
		plain(sayPartnerBehind('Ivo', { records, since: iso }, NOW_MS, 'Etc/UTC'));
	it('is no word in the first hours, then days, then since when', () => {
		expect(since('2027-05-12T06:00:00Z')).toBeUndefined();
		expect(since('2027-05-11T18:00:00Z', 1)).toBe('Ivo hasn’t got the last day: 1 change.');
		expect(since('2027-05-10T18:00:00Z')).toBe('Ivo hasn’t got the last two days: 3 changes.');
		expect(since('2027-05-04T18:00:00Z')).toBe('Ivo hasn’t got the last 8 days: 3 changes.');
		expect(since('2027-04-20T18:00:00Z')).toBe('Ivo hasn’t got anything since 20 April: 3 changes.');
	});
	it('says when something last came, or was sent', () => {
		const [monday, today] = [Date.parse('2027-05-10T08:00:00Z'), NOW_MS];
		const of = (partner: object): string => sayLastShared(partner, NOW_MS, 'Etc/UTC');
		expect(of({})).toBe('nothing shared yet');
		expect(of({ offeredMs: today })).toBe('sent today, no answer yet');
		expect(of({ heardMs: monday })).toBe('last heard Monday');
		expect(of({ heardMs: monday, offeredMs: today })).toBe('sent today, no answer since Monday');
	});
});

describe('what comes', () => {
	it('of other rigs is said to be', () => {
		expect(sayOtherRigs(['Raft'], ['Wren', 'Sandling'])).toBe(
			'Raft is another rig than Wren and Sandling, and is added beside.'
		);
		expect(sayOtherRigs(['Raft', 'Cart'], ['Wren'])).toBe(
			'Raft and Cart are other rigs than Wren, and are added beside.'
		);
	});
	it('is counted by its kinds', () => {
		expect(sayContent({ rigs: [exactRig], trips: [], points: [], entries: [fill(1), fill(2)] })).toBe(
			'2 entries and 1 rig'
		);
		expect(sayContent({ rigs: [], trips: [], points: [], entries: [] })).toBe('');
	});
	it('is told apart once it is here: what is new, and what was here before', () => {
		const fresh = { rigs: [], trips: [], points: [], entries: [fill(1)] };
		expect([sayMade(fresh, 0), sayMade(fresh, 2), sayMade({ ...fresh, entries: [] }, 1)]).toEqual([
			'1 entry',
			'1 entry, 2 changed',
			'1 changed'
		]);
	});
	it('is told as the ledger tells it, with the moment; of another rig too', () => {
		expect(plain(sayShared(asEntry(fill(20)), context))).toBe('Main filled 20 L, today at 08:00');
		expect(sayShared({ kind: 'trip', value: exactTrip }, context)).toBe('Paper moor, the trip');
		expect(sayShared(asEntry({ ...fill(20), rig: 'elsewhere' }), context)).toBe('fill, today at 08:00');
	});
	it('says what an entry was, that it is void, and that it is counted once', () => {
		expect(said({ state: 'new', theirs: asEntry(fill(20)) })).toBe('new');
		expect(said({ state: 'changed', theirs: asEntry(fill(22)), mine: fill(20) } as never)).toBe(
			'was Main filled 20 L, today at 08:00'
		);
		expect(
			said({ state: 'changed', theirs: asEntry(fill(20, { void: true })), mine: fill(20) } as never)
		).toBe('now void');
		const twin = { state: 'twin', theirs: asEntry(fill(20)), mine: fill(21), stays: 'theirs' };
		expect(said({ ...twin, kept: 'one' } as never)).toBe(
			'You logged Main filled 21 L, today at 08:00. Counted once; Mara’s is kept.'
		);
		expect(said({ ...twin, kept: 'two' } as never)).toBe(
			'You logged Main filled 21 L, today at 08:00. Counted as two.'
		);
	});
	it('says what a rig gains and loses, whose change is kept, and where both clash', () => {
		const rig = { ...exactRig, habits: [{ ...exactRig.habits[0]!, id: 'hair', name: 'Hair wash' }] };
		const theirs: Kept = { kind: 'rig', value: rig };
		expect(said({ state: 'changed', theirs, mine: exactRig } as never)).toBe(
			'adds Hair wash; removes Shower, Dishes and Flush'
		);
		const places = [
			{ path: 'habits.hair.litresEach.mean', mine: 5, theirs: 6 },
			{ path: 'crew', mine: 2, theirs: 3 }
		];
		const conflict = { state: 'conflict', theirs, mine: exactRig, places };
		expect(said({ ...conflict, kept: 'both' } as never)).toBe(
			'You changed it too. Both changes are kept. Where they clash, the later edit is: Hair wash, litres each and crew.'
		);
		expect(said({ ...conflict, kept: 'mine' } as never)).toBe('You changed it too. Yours is kept.');
		expect(said({ ...conflict, kept: 'theirs' } as never)).toBe('You changed it too. Mara’s is kept.');
	});
});
