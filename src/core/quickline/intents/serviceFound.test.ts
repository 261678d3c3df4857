import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip } from '../../../../tests/helpers/logbooks.js';
import type { Stop, Trip } from '../../logbook/index.js';
import { METRIC } from '../../units/index.js';
import { understand, type Understood } from '../index.js';

const stop = (id: string, day: number, services: Stop['services']): Stop => ({
	id,
	name: id === 'ford' ? 'Tamsel Ford' : 'Low Sarn',
	arrive: `2027-05-0${day}T10:00:00Z`,
	depart: `2027-05-0${day}T12:00:00Z`,
	legKm: 10,
	services
});
const trip: Trip = {
	...exactTrip,
	stops: [stop('ford', 2, [{ kind: 'water' }, { kind: 'grey' }]), stop('sarn', 4, [{ kind: 'black' }])]
};
const say = (text: string, more: Partial<{ trip: Trip }> = { trip }): Understood | undefined => {
	const answer = understand(text, {
		rig: exactRig,
		nowMs: Date.parse('2027-05-02T11:00:00Z'),
		timeZone: 'Etc/UTC',
		units: METRIC,
		...more
	});
	return answer.kind === 'understood' ? answer.matches[0] : undefined;
};

describe('what was found at a tap or a drain', () => {
	it.each([
		['the tap was dry', { stop: 'ford', kind: 'water', works: false, note: 'dry' }],
		['tap dry', { stop: 'ford', kind: 'water', works: false, note: 'dry' }],
		['drain is blocked', { stop: 'ford', kind: 'grey', works: false, note: 'blocked' }],
		['dump point at Low Sarn shut', { stop: 'sarn', kind: 'black', works: false, note: 'shut' }],
		['tap works again at Tamsel Ford', undefined],
		['tap at Tamsel Ford works', { stop: 'ford', kind: 'water', works: true }]
	] as const)('%s', (text, found) => {
		expect(say(text)?.found).toEqual(found);
	});
	it('is a note, which nothing is drawn by, and no use of water', () => {
		expect(say('the tap was dry')).toMatchObject({
			says: 'The tap is dry at Tamsel Ford: plans don’t count on it',
			drafts: [{ kind: 'note', text: 'the tap was dry' }]
		});
	});
	it('without a trip, or at a stop that lists no such thing, only a note', () => {
		expect(say('the tap was dry', {})?.found).toBeUndefined();
		expect(say('the dump point was shut')?.drafts).toMatchObject([{ kind: 'note' }]);
		expect(say('the dump point was shut')?.found).toBeUndefined();
	});
});
