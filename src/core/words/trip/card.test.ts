import { describe, expect, it } from 'vitest';
import type { Meter, Stop, Trip } from '../../logbook/index.js';
import type { Plan } from '../../plan/index.js';
import { METRIC } from '../../units/index.js';
import { countdown, exactRig, exactTrip } from '../../../../tests/helpers/logbooks.js';
import { tripCard, type CardFacts, type TripCard } from './card.js';

const stop = (id: string, day: number, part: Partial<Stop> = {}): Stop => ({
	id,
	name: `Stop ${id}`,
	arrive: `2027-05-0${day}T10:00:00Z`,
	depart: `2027-05-0${day + 1}T10:00:00Z`,
	legKm: 12,
	services: [],
	...part
});
const trip: Trip = {
	...exactTrip,
	stops: [
		stop('a', 1),
		stop('b', 3, {
			services: [
				{ kind: 'water', potable: true },
				{ kind: 'grey', fee: 2 }
			],
			weather: { maxC: 31, minC: -2 }
		})
	]
};
const pump = exactRig.instruments[0] as Meter;
const facts: CardFacts = {
	rig: exactRig,
	trip,
	plan: {
		services: [
			{ stop: 'b', water: { litres: 40 }, dump: ['grey'], services: [{ kind: 'water', potable: true }] }
		],
		lastChance: [{ tank: 'grey', stop: 'b' }]
	} as unknown as Plan,
	levels: new Map([
		['main', 60],
		['grey', 30]
	]),
	// Read 100 this morning, 5 L have gone through since: 105 now, and 50 L more until 10 L are left.
	meters: [{ meter: pump, shows: 100, atMs: Date.parse('2027-05-02T07:30:00Z'), passedL: 5 }],
	nowMs: Date.parse('2027-05-02T12:00:00Z'),
	units: METRIC
};

describe('the card of a trip', () => {
	it('says what to do where, what it is the last chance for, and what to look at', () => {
		const card = JSON.parse(JSON.stringify(tripCard(facts)).replaceAll('\u00a0', ' ')) as TripCard;
		expect(card.stops.map(({ past }) => past)).toEqual([true, false]);
		expect(card.stops[1]).toMatchObject({
			day: 'Mon 3 May',
			clock: '10:00',
			does: ['Take 40 L and empty Grey'],
			lastFor: ['Grey'],
			offers: 'drinking water, grey drain'
		});
		expect(card.tanks).toEqual([
			{ name: 'Main', now: '60 L', limit: 'of 100 L; stop at 10 L' },
			// 80 L, of which 5 are to stay free.
			{ name: 'Grey', now: '30 L', limit: 'room for 45 L' }
		]);
		expect(card.meters[0]).toContain(
			'read 100.0 on Sun 2 May 07:30, about 105 now; Main is at its reserve at about 155'
		);
	});
	it('counts down where the meter does, and says no more than it knows', () => {
		const line = (part: Partial<CardFacts['meters'][number]>): string =>
			tripCard({
				...facts,
				meters: [{ meter: countdown, shows: 70, atMs: facts.nowMs, passedL: 5, ...part }]
			}).meters[0] ?? '';
		expect(line({})).toContain('about 65 now; Main is at its reserve at about 15');
		expect(line({ passedL: undefined })).not.toContain('reserve');
		// It would have stopped at 0 before.
		expect(line({ shows: 20 })).not.toContain('reserve at');
	});
	it('cautions of what is done, and of heat and frost', () => {
		const said = tripCard(facts).cautions.join(' ');
		for (const word of ['drinking water', 'gloves', 'Frost', 'Heat', 'Local rules'])
			expect(said).toContain(word);
		const calm = tripCard({ ...facts, plan: undefined, trip: { ...trip, stops: [stop('a', 3)] } }).cautions;
		expect(calm).toHaveLength(1);
	});
});
