import { DAY_MS } from '../time/index.js';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf, spareJug } from '../../../tests/helpers/logbooks.js';
import { estimate, readLevels } from '../estimate/index.js';
import type { Entry, EntryDraft } from '../logbook/index.js';
import { sayFinding } from '../words/index.js';
import { findings, mendsOf } from './index.js';
import { slipsIn } from './slips.js';

const nowMs = Date.parse('2027-05-10T12:00:00Z');
const at = (day: number, time = '08:00', year = 2027): string =>
	`${year}-05-${String(day).padStart(2, '0')}T${time}:00Z`;
const fill = (when: string, litres: number | undefined = 40) =>
	entry({ kind: 'fill', at: when, tank: 'main', ...(litres ? { litres } : { to: 'full' }) } as EntryDraft);

describe('written down twice', () => {
	it('the same fill within twelve minutes, the later one naming the earlier', () => {
		const [first, again] = [fill(at(9)), fill(at(9, '08:11'))];
		expect(slipsIn([again, first], nowMs)).toEqual([{ kind: 'twice', entry: again.id, other: first.id }]);
	});
	it('not a quarter of an hour apart, not another amount, not long ago', () => {
		expect(slipsIn([fill(at(9)), fill(at(9, '08:15'))], nowMs)).toEqual([]);
		expect(slipsIn([fill(at(9)), fill(at(9, '08:05'), 41)], nowMs)).toEqual([]);
		const later = nowMs + 30 * DAY_MS;
		expect(slipsIn([fill(at(9)), fill(at(9, '08:05'))], later)).toEqual([]);
	});
	it('not a voided one, nor what is often done twice in a row', () => {
		expect(slipsIn([fill(at(9)), { ...fill(at(9, '08:05')), void: true }], nowMs)).toEqual([]);
		const flush = (time: string) => entry({ kind: 'use', at: at(9, time), habit: 'flush', times: 1 });
		expect(slipsIn([flush('08:00'), flush('08:02')], nowMs)).toEqual([]);
	});
});

describe('a clock set wrong', () => {
	it('tomorrow was more likely today, next year this year', () => {
		const tomorrow = fill(at(11, '10:00'));
		expect(slipsIn([fill(at(8)), tomorrow], nowMs)).toMatchObject([
			{ entry: tomorrow.id, off: 'future', suggestedAt: '2027-05-10T10:00:00+00:00' }
		]);
		const nextYear = fill(at(9, '10:00', 2028));
		expect(slipsIn([fill(at(8)), nextYear], nowMs)).toMatchObject([
			{ entry: nextYear.id, off: 'future', suggestedAt: '2027-05-09T10:00:00+00:00' }
		]);
	});
	it('a year before all else was more likely this year', () => {
		const lastYear = fill(at(9, '10:00', 2026));
		expect(slipsIn([lastYear, fill(at(8)), fill(at(9, '20:00'), 10)], nowMs)).toMatchObject([
			{ entry: lastYear.id, off: 'past', suggestedAt: '2027-05-09T10:00:00+00:00' }
		]);
	});
	it('a whole log ahead of the clock is said once', () => {
		const ahead = [20, 21, 22, 23].map((day) => fill(at(day)));
		expect(slipsIn(ahead, nowMs)).toMatchObject([{ entry: ahead[0]?.id, off: 'future', more: 3 }]);
	});
	it('the days of a trial may lie ahead: they are a plan', () =>
		expect(
			slipsIn(
				[entry({ kind: 'measure', at: at(25), measure: 'short', on: true, trial: 't' }), fill(at(9))],
				nowMs
			)
		).toEqual([]));
	it('a note may lie ahead: it is a plan', () => {
		expect(slipsIn([entry({ kind: 'note', at: at(20), text: 'buy hose' })], nowMs)).toEqual([]);
	});
});

describe('slips that the account tells', () => {
	const rig = { ...exactRig, unlogged: undefined };
	const at = (minute: number, day = 1): string => new Date(Date.UTC(2027, 4, day, 12, minute)).toISOString();
	const week = Array.from({ length: 7 }, (_, i) => [
		entry({ kind: 'use', at: at(0, i + 1), habit: 'shower', times: 1 }),
		...[10, 70, 130, 190].map((minute) =>
			entry({ kind: 'use', at: at(minute, i + 1), habit: 'flush', times: 1 })
		),
		entry({ kind: 'fill', at: at(400, i + 1), tank: 'main', to: 'full' }),
		entry({ kind: 'dump', at: at(401, i + 1), tank: 'grey', to: 'empty' })
	]).flat();
	const known = (...more: readonly Entry[]) =>
		estimate(logbookOf([...freshStart(), ...week, ...more], rig), 'rig', Date.parse(at(300, 8)));
	const main = (one: ReturnType<typeof known>): number => readLevels(one).tanks[0]?.litres ?? Number.NaN;
	const shower = (minute: number, by?: string): Entry =>
		entry({ kind: 'use', at: at(minute, 8), habit: 'shower', times: 1, ...(by ? { by } : {}) });

	it('a shower written by both within minutes counts once, and is offered to be voided; an hour apart they are two', () => {
		const [one, twice, two] = [
			known(shower(0)),
			known(shower(0, 'Ada'), shower(2, 'Bo')),
			known(shower(0), shower(60))
		];
		expect(main(one) - main(two)).toBeGreaterThan(6);
		expect(main(one) - main(twice)).toBeLessThan(2);
		const found = findings(twice).find(({ kind }) => kind === 'slip');
		expect(found && mendsOf(found, twice, 'Etc/UTC')).toMatchObject([{ kind: 'void' }, { kind: 'insist' }]);
		expect(findings(two).filter(({ kind }) => kind === 'slip')).toEqual([]);
		const meant = known(shower(0), { ...shower(2), again: true } as Entry);
		expect(main(one) - main(meant)).toBeGreaterThan(6);
		expect(main(one) - main(known(shower(0, 'Ada'), shower(2, 'Ada')))).toBeGreaterThan(6);
		// In a rig in which all is written, and exactly, so was this.
		const exact = estimate(
			logbookOf([...freshStart(), shower(0), shower(2)], exactRig),
			'rig',
			Date.parse(at(300, 8))
		);
		expect(main(exact)).toBeCloseTo(84, 1);
	});
	it('600 L into a tank of 100 are 60, and offered as that', () => {
		const drawn = entry({ kind: 'use', at: at(0, 8), habit: 'dishes', times: 12 });
		const fill = (litres: number): Entry => entry({ kind: 'fill', at: at(200, 8), tank: 'main', litres });
		const now = known(drawn, fill(600));
		expect(Math.abs(main(now) - main(known(drawn, fill(60))))).toBeLessThan(4);
		const found = findings(now).find(({ kind }) => kind === 'slip');
		expect(found && mendsOf(found, now, 'Etc/UTC')).toMatchObject([
			{ kind: 'litres', litres: 60 },
			{ kind: 'insist', litres: 600 }
		]);
		expect(found && sayFinding(found, now.atMs, 'Etc/UTC')).toContain('Did you mean 60');
		expect(findings(known(drawn, fill(60))).filter(({ kind }) => kind === 'slip')).toEqual([]);
	});
	it('6 L to the brim where about 50 were missing are a slip too, teach nothing, and are as written where one insists', () => {
		const washed = entry({ kind: 'use', at: at(0, 8), habit: 'dishes', times: 8 });
		const fill = (litres?: number, trusted?: true): Entry =>
			entry({
				kind: 'fill',
				at: at(200, 8),
				tank: 'main',
				to: 'full',
				...(litres ? { litres } : {}),
				...(trusted ? { trusted } : {})
			});
		const unlogged = (one: ReturnType<typeof known>): number => readLevels(one).unlogged.litresPerPersonDay;
		const slipped = known(washed, fill(5.2));
		const [found] = findings(slipped).filter(({ kind }) => kind === 'slip');
		expect(found).toMatchObject({ slip: { kind: 'tenfold', litres: 52 } });
		expect(found && sayFinding(found, slipped.atMs, 'Etc/UTC')).toMatch(/too little.*Did you mean 52/);
		const insisted = known(washed, fill(5.2, true));
		expect(findings(insisted).filter(({ kind }) => kind === 'slip')).toEqual([]);
		const meant = unlogged(known(washed, fill(52)));
		expect(Math.abs(unlogged(slipped) - meant)).toBeLessThan(0.2 * Math.abs(unlogged(insisted) - meant));
		// what fits neither way says that the account is off
		expect(findings(known(washed, fill(20))).filter(({ kind }) => kind === 'slip')).toEqual([]);
	});
	it('a fill that a gauge finds nine times missing was written with a digit too few', () => {
		const sender = {
			id: 'sender',
			kind: 'gauge',
			name: 'Sender',
			tank: 'main',
			curve: [
				{ reads: 0, litres: 0 },
				{ reads: 100, litres: 100 }
			]
		} as const;
		const read = (minute: number, value: number): Entry =>
			entry({ kind: 'reading', at: at(minute, 8), instrument: 'sender', value });
		const log = [
			entry({ kind: 'use', at: at(0, 8), habit: 'dishes', times: 12 }),
			read(30, 28),
			entry({ kind: 'fill', at: at(60, 8), tank: 'main', litres: 6 }),
			read(90, 87),
			read(200, 87)
		];
		const now = estimate(
			logbookOf([...freshStart(), ...week, ...log], { ...rig, instruments: [...rig.instruments, sender] }),
			'rig',
			Date.parse(at(300, 8))
		);
		const ofMain = findings(now).filter(
			(one) => one.kind === 'slip' || ('tank' in one && one.tank === 'main')
		);
		expect(ofMain).toMatchObject([{ kind: 'slip', slip: { kind: 'tenfold', litres: 60 } }]);
	});
	it('46 L out of a jug of 18 were written: it was filled, or swapped for another', () => {
		const withJug = { ...rig, tanks: [...rig.tanks, { ...spareJug, nominalL: 18, usableL: 18 }] };
		const poured = (minute: number, litres: number): Entry =>
			entry({ kind: 'transfer', at: at(minute, 8), fromTank: 'jug', toTank: 'main', litres });
		const jug = entry({ kind: 'fill', at: at(0, 8), tank: 'jug', to: 'full' });
		const washed = entry({ kind: 'use', at: at(10, 8), habit: 'dishes', times: 9 });
		const log = [...freshStart(), ...week, jug, washed, poured(30, 14), poured(130, 16), poured(230, 16)];
		const now = estimate(logbookOf(log, withJug), 'rig', Date.parse(at(300, 8)));
		const [found] = findings(now).filter((one) => one.kind === 'missing' && one.tank === 'jug');
		expect(found && sayFinding(found, now.atMs, 'Etc/UTC')).toMatch(
			/^46.L was logged out of Jug, and about 18.L was in it: was it filled or swapped\?/
		);
	});
});
