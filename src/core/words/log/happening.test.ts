import { DAY_MS } from '../../time/index.js';
import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip } from '../../../../tests/helpers/logbooks.js';
import { METRIC } from '../../units/index.js';
import { sayHappening, sayLasting, type Happening, type TellingContext } from '../index.js';

const nowMs = Date.parse('2027-05-03T08:00:00Z');
const context: TellingContext = { rig: exactRig, nowMs, timeZone: 'Etc/UTC', units: METRIC };
const say = (happening: Happening, more: Partial<TellingContext> = {}) =>
	sayHappening(happening, { ...context, ...more }).replaceAll('\u00a0', ' ');

describe('what is about to be written down', () => {
	it('a use, with its litres and their way', () => {
		const use = { kind: 'use', habit: 'shower', times: 2, source: 'hand' } as const;
		expect(say(use)).toBe('Shower × 2, 16 L from Main to Grey');
		expect(say(use, { litresEach: new Map([['shower', 10]]) })).toMatch(/^Shower × 2, 20 L /);
		expect(say({ ...use, litres: 13 })).toMatch(/^Shower × 2, measured 13 L /);
		expect(say(use, { units: { ...METRIC, volume: 'usGal' } })).toMatch(/^Shower × 2, 4.2 gal /);
	});
	it('a fill, a dump, a transfer', () => {
		expect(say({ kind: 'fill', tank: 'main', litres: 40, to: 'full', source: 'hand' })).toBe(
			'Main filled with 40 L to full'
		);
		expect(say({ kind: 'dump', tank: 'grey', to: 'empty', where: 'ground', source: 'hand' })).toBe(
			'Grey emptied, on the ground'
		);
		expect(say({ kind: 'dump', tank: 'grey', litres: 5, where: 'tote', source: 'hand' })).toBe(
			'5 L dumped from Grey, tote'
		);
		const tote = {
			...{ id: 'tote', name: 'Blue tote', carries: 'grey' as const },
			...{ capacityL: 40, headroomL: 2, tareKg: 4, count: 1 }
		};
		expect(
			say(
				{ kind: 'dump', tank: 'grey', litres: 5, where: 'tote', source: 'hand' },
				{ rig: { ...exactRig, containers: [tote] } }
			)
		).toBe('5 L dumped from Grey, into Blue tote');
		const odd = { kind: 'dump', tank: 'grey', litres: 5, where: 'constructor', source: 'hand' } as const;
		expect(say(odd)).toBe('5 L dumped from Grey, constructor');
		const pour = { kind: 'transfer', fromTank: 'grey', toTank: 'main', source: 'hand' } as const;
		expect(say({ ...pour, until: 'from-empty' })).toBe('all of Grey into Main');
		expect(say({ ...pour, until: 'to-full' })).toBe('Main filled up from Grey');
		expect(say({ ...pour, litres: 3 })).toBe('3 L from Grey to Main');
	});
	it('the hook-up that changes, and both where none does', () => {
		const both = { kind: 'hookup', mains: true, sewer: false, source: 'hand' } as const;
		expect(say(both)).toBe('Water hook-up on');
		expect(say(both, { mains: true, sewer: true })).toBe('Sewer hook-up off');
		expect(say(both, { mains: true })).toBe('Water hook-up on and Sewer hook-up off');
	});
	it('a stop by its name, and by its day where the trip comes to it twice', () => {
		const stop = (id: string, day: string) => ({
			id,
			name: 'Kelda',
			arrive: `2027-05-0${day}T15:00:00Z`,
			depart: `2027-05-0${day}T20:00:00Z`,
			legKm: 10,
			services: []
		});
		const arrive = { kind: 'stop', stop: 'a', event: 'arrive', source: 'hand' } as const;
		expect(say(arrive, { trip: { ...exactTrip, stops: [stop('a', '4')] } })).toBe('Arrived at Kelda');
		expect(say(arrive, { trip: { ...exactTrip, stops: [stop('a', '4'), stop('b', '6')] } })).toBe(
			'Arrived at Kelda, planned for tomorrow'
		);
	});
	it('what a sign seen means, by what the tank holds', () => {
		expect(say({ kind: 'mark', tank: 'main', state: 'empty', source: 'hand' })).toMatch(/the pump sucks air/);
		expect(say({ kind: 'mark', tank: 'grey', state: 'full', source: 'hand' })).toMatch(/it backs up/);
	});
	it('names what a rig no longer has by its id', () => {
		expect(say({ kind: 'mark', tank: 'gone', state: 'full', source: 'hand' })).toBe('gone seen full');
		expect(say({ kind: 'use', habit: 'gone', times: 1, source: 'hand' })).toBe('gone');
	});
});

describe('how long a tank lasts', () => {
	const say = (facts: Parameters<typeof sayLasting>[0], lasting: Parameters<typeof sayLasting>[1]) =>
		sayLasting(facts, lasting, nowMs, 'Etc/UTC');
	const main = { holds: 'fresh', carried: false, litres: 40 } as const;
	it('days and a time of day', () => {
		expect(say(main, { daysLeft: 2.5, bindsMs: nowMs + 2.5 * DAY_MS })).toEqual({
			lasts: '2½ days',
			until: 'Wednesday evening',
			aloud: 'Lasts 2½ days, until Wednesday evening'
		});
	});
	it('bound, by what it holds', () => {
		expect(say(main, { daysLeft: 0, bindsMs: nowMs }).lasts).toBe('at its reserve');
		expect(say({ ...main, holds: 'grey' }, { daysLeft: 0, bindsMs: nowMs }).lasts).toBe('full');
	});
	it('nothing foretold is longer than is looked ahead', () => {
		expect(say(main, {})).toEqual({
			lasts: 'over 30 days',
			until: '',
			aloud: 'Lasts over 30 days'
		});
	});
	it('a carried one by what it adds', () => {
		expect(say({ ...main, carried: true }, { addsDays: 1.5 })).toEqual({
			lasts: 'spare',
			until: '+ 36 h',
			aloud: 'Spare + 36 h'
		});
		expect(say({ ...main, carried: true, litres: 0.2 }, {}).lasts).toBe('empty');
	});
});
