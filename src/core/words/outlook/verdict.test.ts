import { HOUR_MS } from '../../time/index.js';
import { describe, expect, it } from 'vitest';
import {
	entry,
	exactRig,
	exactTrip,
	freshStart,
	logbookOf,
	spareJug
} from '../../../../tests/helpers/logbooks.js';
import { estimate, standsBehind } from '../../estimate/index.js';
import { forecast } from '../../forecast/index.js';
import type { Rig, Service, Stop, Trip } from '../../logbook/index.js';
import { plan } from '../../plan/index.js';
import { METRIC } from '../../units/index.js';
import { findings } from '../../findings/index.js';
import { sayDay, sayFinding, sayShortfall, sayWhen, spanText, verdict } from '../index.js';

const utc = (text: string): number => Date.parse(`${text}Z`);
/** Saturday morning. */
const now = utc('2027-05-01T06:00:00');

describe('moments as people say them', () => {
	it.each([
		['2027-05-01T09:00:00', 'this morning'],
		['2027-05-01T12:30:00', 'today around noon'],
		['2027-05-02T02:00:00', 'tonight'],
		['2027-05-02T16:00:00', 'tomorrow afternoon'],
		['2027-05-04T03:00:00', 'Monday night'],
		['2027-05-06T20:00:00', 'Thursday evening'],
		['2027-05-20T20:00:00', 'Thu 20 May']
	])('%s', (when, words) => expect(sayWhen(utc(when), now, 'Etc/UTC')).toBe(words));
	it('goes by the clock of the zone', () => {
		expect(sayWhen(utc('2027-05-01T23:30:00'), now, 'Pacific/Auckland')).toBe('tomorrow around noon');
		expect(sayDay(utc('2027-05-01T23:30:00'), now, 'Pacific/Auckland')).toBe('tomorrow');
		expect(sayDay(utc('2027-05-03T10:00:00'), now, 'Etc/UTC')).toBe('Monday');
	});
});

const stop = (id: string, arrive: string, services: readonly Service[]): Stop => ({
	id,
	name: id,
	arrive: `${arrive}Z`,
	depart: `${arrive.slice(0, 11)}23:00:00Z`,
	legKm: 5,
	services
});
const say = (stops: readonly Stop[], at = now, entries = freshStart(), rig: Rig = exactRig) => {
	const trip: Trip = { ...exactTrip, stops };
	const logbook = logbookOf(entries, rig, [trip]);
	const believed = estimate(logbook, 'rig', at);
	const answer = verdict({
		rig,
		behind: (tank) => standsBehind(believed, tank).map((one) => one.tank),
		forecast: forecast(believed, { days: 30, paths: 40 }),
		days: 30,
		trip,
		plan: plan(believed, logbook, 'trip'),
		atMs: at,
		timeZone: 'Etc/UTC'
	});
	const [head, detail, next] = [answer.headline, answer.detail, answer.next].map(spanText);
	return { head, detail, next, binds: answer.binds };
};

describe('the verdict', () => {
	it('says which tank binds first and when, what is passed before, and how long the rest lasts', () =>
		expect(
			say([
				stop('Tamsel Ford', '2027-05-03T10:00:00', [{ kind: 'black' }]),
				stop('Low Sarn', '2027-05-04T14:00:00', [])
			])
		).toEqual({
			head: 'Cassette is full first: Tuesday morning.',
			detail: 'Main and Grey last until Tuesday.',
			next: 'You pass a dump point at Tamsel Ford on Monday.',
			binds: 'black'
		}));
	it('counts what stands behind the tank, and says when it is wanted', () => {
		const rig: Rig = {
			...exactRig,
			tanks: [...exactRig.tanks.slice(0, 1), { ...spareJug, id: 'jug', name: 'Can' }],
			outlets: exactRig.outlets.map((outlet) => ({ ...outlet, to: 'ground' })),
			instruments: []
		};
		const full = (tank: string) => entry({ kind: 'mark', at: '2027-05-01T06:00:00Z', tank, state: 'full' });
		const told = say([], now, [full('main'), full('jug')], rig);
		expect(told.head).toMatch(/^Main runs low first: Wednesday/);
		expect(told.detail).toMatch(/^That includes Can, needed Tuesday/);
		expect(say([], now, [full('main')], { ...rig, tanks: rig.tanks.slice(0, 1) }).detail).not.toContain(
			'includes'
		);
	});
	it('says when nothing on the way serves it', () =>
		expect(
			say([stop('Kelda', '2027-05-03T10:00:00', []), stop('Low Sarn', '2027-05-08T14:00:00', [])]).next
		).toMatch(/^No stop ahead has a tap in time\./));
	it('says when the next service comes too late', () =>
		expect(
			say([stop('Low Sarn', '2027-05-08T14:00:00', [{ kind: 'black' }, { kind: 'water' }, { kind: 'grey' }])])
				.next
		).toMatch(/comes too late: a tap, a drain and a dump point at Low Sarn on Sat 8 May/));
	it('says when it is late only by the odds that the plan wants', () => {
		// the cassette has room for three days at the usual pace; the sewer is two days and a half away
		const loose: Rig = {
			...exactRig,
			habits: exactRig.habits.map((habit) => ({
				...habit,
				litresEach: { ...habit.litresEach, sd: 0.4 * habit.litresEach.mean },
				often: { times: habit.often.times, per: habit.often.per }
			}))
		};
		const services = [{ kind: 'black' as const }, { kind: 'water' as const }, { kind: 'grey' as const }];
		expect(say([stop('Low Sarn', '2027-05-03T18:00:00', services)], now, freshStart(), loose).next).toMatch(
			/^The next stop may come too late: .* at Low Sarn/
		);
	});
	it('says when everything lasts to the end', () =>
		expect(say([stop('Kelda', '2027-05-02T10:00:00', [])]).head).toBe(
			'Every tank lasts to the end of the trip, tomorrow.'
		));
	it('says when a tank has bound', () => {
		const full = entry({ kind: 'mark', at: '2027-05-01T06:30:00Z', tank: 'grey', state: 'full' });
		expect(say([stop('Kelda', '2027-05-04T10:00:00', [])], now + HOUR_MS, [...freshStart(), full]).head).toBe(
			'Grey is full.'
		);
	});
});

it('explains a shortfall in litres and days', () => {
	const words = sayShortfall(
		exactRig,
		{ tank: 'main', atMs: utc('2027-05-04T12:00:00'), shortL: 31.6, limitL: 10 },
		now,
		'Etc/UTC',
		METRIC
	);
	expect(words).toBe(
		'Main reaches its reserve of 10\u00a0L Tuesday around noon, before the next tap; 32\u00a0L short.'
	);
});

it('calls a gauge failing at its third doubted reading in a row, and names it', () => {
	const lit = (day: number) =>
		entry({ kind: 'reading', at: `2027-05-0${day}T07:00:00Z`, instrument: 'lights', value: 'full' });
	const known = estimate(
		logbookOf([...freshStart(), lit(1), lit(2), lit(3)], exactRig),
		'rig',
		utc('2027-05-03T08:00:00')
	);
	const [finding] = findings(known);
	expect(finding).toMatchObject({ kind: 'failing', instrument: 'lights', value: 'full' });
	expect(finding && sayFinding(finding, utc('2027-05-03T08:00:00'), 'Etc/UTC')).toMatch(
		/^Grey lights can’t be trusted: 3 readings do not fit/
	);
});
