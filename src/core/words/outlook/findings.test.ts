import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { basisOf, estimate, readLevels } from '../../estimate/index.js';
import type { Entry, EntryDraft, Rig } from '../../logbook/index.js';
import { findings, mendsOf, slipsIn } from '../../findings/index.js';
import { METRIC } from '../../units/index.js';
import { sayDoubt, sayFinding, sayLessons, sayMend, sayWhy } from '../index.js';

const at = (day: number, hour: number): string => new Date(Date.UTC(2027, 4, day, hour)).toISOString();
const sender = (tank: string, usableL: number) =>
	({
		id: `sender-${tank}`,
		kind: 'gauge',
		name: `Sender ${tank}`,
		tank,
		curve: [
			{ reads: 0, litres: 0 },
			{ reads: 100, litres: usableL }
		]
	}) as const;
const rig: Rig = {
	...exactRig,
	tanks: exactRig.tanks.map((tank) =>
		tank.id === 'main'
			? { ...tank, shape: { form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 200 } }
			: tank
	),
	instruments: [
		...exactRig.instruments,
		sender('main', 100),
		{ id: 'rod', kind: 'rod', name: 'Rod', tank: 'main', sdMm: 4 }
	],
	habits: exactRig.habits.map((habit) => ({
		...habit,
		litresEach: { mean: habit.litresEach.mean, sd: 0.2 * habit.litresEach.mean }
	}))
};
const read = (instrument: string, value: number, day: number, hour: number): Entry =>
	entry({ kind: 'reading', at: at(day, hour), instrument, value });
const wash = (day: number, hour: number, times: number): Entry =>
	entry({ kind: 'use', at: at(day, hour), habit: 'dishes', times });
const now = Date.parse(at(4, 12));
const of = (entries: readonly Entry[], of_ = rig) =>
	estimate(logbookOf([...freshStart(), ...entries], of_), 'rig', now);

describe('a fill that was not written down', () => {
	const stop = {
		id: 's',
		name: 'Tap',
		arrive: at(3, 9),
		depart: at(3, 10),
		legKm: 4,
		services: [{ kind: 'water' as const }]
	};
	const trips = [{ ...exactTrip, stops: [stop] }];
	// 100 L, 72 drawn; then two instruments say full.
	const log = [wash(2, 12, 12), read('sender-main', 96, 3, 18), read('rod', 190, 3, 19)];
	it('is found by two instruments that agree, at the stop with a tap, and added to the brim', () => {
		const known = of(log);
		const [found] = findings(known, { trips }).filter(({ kind }) => kind === 'missing');
		expect(found).toMatchObject({
			tank: 'main',
			stop: 'Tap',
			likelyMs: Date.parse(at(3, 9)),
			missing: { kind: 'fill' }
		});
		expect(readLevels(known).tanks[0]?.litres).toBeGreaterThan(88);
		expect(readLevels(known).doubts).toEqual([]);
		const mend = found && mendsOf(found, known, 'Etc/UTC')[0];
		expect(mend).toMatchObject({ kind: 'add', draft: { kind: 'fill', tank: 'main', to: 'full' } });
		expect(mend && sayMend(rig, mend, now, 'Etc/UTC')).toBe('Add the fill to the brim');
		expect(found && sayFinding(found, now, 'Etc/UTC')).toMatch(
			/seems to be missing from the log: most likely yesterday morning at Tap/
		);
		// Once it is added, nothing is missing any more.
		const draft = mend?.kind === 'add' ? mend.draft : undefined;
		const after = of([...log, entry(draft as EntryDraft)]);
		expect(findings(after, { trips }).filter(({ kind }) => kind === 'missing')).toEqual([]);
	});
	it('is offered, as what one gauge tells, when it moved as after a fill just when one was due', () => {
		const moved = [wash(2, 12, 12), read('sender-main', 28, 3, 7), read('sender-main', 96, 3, 18)];
		const known = of(moved);
		const found = findings(known, { trips });
		expect(found).toMatchObject([{ kind: 'missing', tank: 'main', stop: 'Tap', missing: { kind: 'fill' } }]);
		const words = found[0] && sayFinding(found[0], now, 'Etc/UTC');
		expect(words).toMatch(/changed as if Main was filled, about 6\d\sL, but no fill is logged/);
		expect(words).toMatch(/If there was none, the gauge is wrong/);
		expect(found[0] && mendsOf(found[0], known, 'Etc/UTC')).toMatchObject([{ draft: { kind: 'fill' } }]);
		// A gauge that jumps while the tank is nearly full does not tell of one.
		const early = of([wash(2, 12, 3), read('sender-main', 82, 3, 7), read('sender-main', 30, 3, 18)]);
		expect(findings(early, { trips }).map(({ kind }) => kind)).toEqual(['doubted']);
	});
	it('shows when a tank gives what it cannot hold', () => {
		// 17 wash-ups of 6 L from 100 L, and fourteen more a day later
		const known = of([wash(2, 12, 17), wash(3, 12, 14), wash(4, 2, 1)]);
		const found = findings(known).find((one) => one.kind === 'missing' && one.tank === 'main');
		expect(found).toMatchObject({ missing: { kind: 'fill' } });
		const level = readLevels(known).tanks[0];
		expect((level?.high ?? 0) - (level?.low ?? 0)).toBeGreaterThan(60);
	});
});

it('water that leaves the tank without passing its meter, dip by dip', () => {
	const days = Array.from({ length: 12 }, (_, i) => i + 2);
	const log = [
		read('pump', 0, 1, 6),
		// The meter counts 6 L a day, the dip falls by 9.
		...days.flatMap((day, i) => [
			wash(day, 6, 1),
			read('pump', 6 * (i + 1), day, 7),
			read('rod', 2 * (100 - 9 * (i + 1)) - 0, day, 8)
		])
	];
	const known = estimate(logbookOf([...freshStart(), ...log], rig), 'rig', Date.parse(at(13, 12)));
	const found = findings(known).find(({ kind }) => kind === 'missing');
	expect(found).toMatchObject({ tank: 'main', missing: { kind: 'leak' } });
	expect(found && sayFinding(found, Date.parse(at(13, 12)), 'Etc/UTC')).toMatch(/without passing its meter/);
});

describe('slips in the log itself', () => {
	const trip = [1, 2, 3, 4].map((day) => wash(day, 8, 1));
	const clock = Date.parse(at(4, 12));
	it('a fill that both wrote down', () => {
		const fill = (minute: number): Entry =>
			entry({
				kind: 'fill',
				at: new Date(Date.UTC(2027, 4, 3, 9, minute)).toISOString(),
				tank: 'main',
				litres: 40
			});
		const [one, other] = [fill(0), fill(6)];
		expect(slipsIn([...trip, one, other], clock)).toEqual([
			{ kind: 'twice', entry: other.id, other: one.id }
		]);
		expect(slipsIn([...trip, fill(0), fill(40)], clock)).toEqual([]);
	});
	it('a clock that is a day or a year ahead, or a year behind', () => {
		const ahead = wash(5, 8, 1);
		expect(slipsIn([...trip, ahead], clock)).toEqual([
			{ kind: 'clock', entry: ahead.id, off: 'future', suggestedAt: '2027-05-04T08:00:00+00:00' }
		]);
		const year = entry({ kind: 'use', at: '2028-05-03T08:00:00Z', habit: 'dishes', times: 1 });
		expect(slipsIn([...trip, year], clock)).toMatchObject([
			{ off: 'future', suggestedAt: '2027-05-03T08:00:00+00:00' }
		]);
		const behind = entry({ kind: 'use', at: '2026-05-03T08:00:00Z', habit: 'dishes', times: 1 });
		expect(slipsIn([...trip, behind], clock)).toMatchObject([
			{ off: 'past', suggestedAt: '2027-05-03T08:00:00+00:00' }
		]);
		expect(slipsIn(trip, clock)).toEqual([]);
	});
	it('a whole log ahead of the clock is said once, not entry by entry', () => {
		const before = Date.parse(at(1, 7));
		const slips = slipsIn(trip, before);
		expect(slips).toEqual([{ kind: 'clock', entry: trip[0]?.id, off: 'future', more: 3 }]);
		const [slip] = slips;
		expect(slip && trip[0] && sayFinding({ kind: 'slip', slip, entry: trip[0] }, before, 'Etc/UTC')).toMatch(
			/^4 entries are dated in the future, .* Is this device’s clock right\?$/
		);
	});
});

it('says why in a sentence: what weighs most, and what was left out', () => {
	const lit = (day: number) =>
		entry({ kind: 'reading', at: at(day, 7), instrument: 'lights', value: 'full' });
	const known = of([wash(2, 12, 2), read('sender-main', 88, 4, 7), lit(2), lit(3), lit(4)], rig);
	const basis = basisOf(known, ['main', 'grey']);
	expect(sayWhy(known, 'main', basis.get('main') ?? [], 'Etc/UTC')).toMatch(
		/^Mostly from .*full as seen Saturday morning and Sender main this morning/
	);
	expect(sayWhy(known, 'grey', basis.get('grey') ?? [], 'Etc/UTC')).toMatch(
		/Grey lights was left out entirely\.$/
	);
});

it('what a tank known by its plate serves is said once the log is sure of it, and can be reckoned with', () => {
	const plate: Rig = {
		...exactRig,
		tanks: exactRig.tanks.map((tank) =>
			tank.id === 'main' ? { ...tank, nominalL: 110, usableL: undefined } : tank
		)
	};
	const dry = (day: number): readonly Entry[] => [
		entry({ kind: 'mark', at: at(day, 6), tank: 'main', state: 'empty' }),
		entry({ kind: 'fill', at: at(day, 7), tank: 'main', to: 'full', litres: 101, sdL: 2 })
	];
	const serves = (entries: readonly Entry[]) => {
		const known = of(entries, plate);
		const [found] = findings(known).filter(({ kind }) => kind === 'serves');
		return found && { found, known };
	};
	expect(serves([])).toBeUndefined();
	const said = serves([...dry(2), ...dry(3), ...dry(4)]);
	expect(sayFinding(said!.found, now, 'Etc/UTC')).toMatch(
		/^Main seems to have 101.L usable, not its rated 110.L: it was seen full 4 times/
	);
	const [mend] = mendsOf(said!.found, said!.known, 'Etc/UTC');
	expect(mend).toMatchObject({ kind: 'serves', tank: 'main', litres: 100 });
	expect(sayMend(plate, mend!, now, 'Etc/UTC')).toMatch(/^Use 100.L$/);
});

it('says why a reading is left out, in the person’s units', () => {
	const gallons = { ...METRIC, volume: 'usGal' as const };
	const cause = { kind: 'unexplained', saysL: 75.7, believedL: 37.85, bandL: 7.57 } as const;
	expect(sayDoubt({ cause })).toBe(
		'It says 76\u00a0L; everything else says 38\u00a0L, give or take 7.6\u00a0L.'
	);
	expect(sayDoubt({ cause }, gallons)).toBe(
		'It says 20\u00a0gal; everything else says 10\u00a0gal, give or take 2\u00a0gal.'
	);
	expect(sayDoubt({ cause: { kind: 'below-nothing', shows: -3 } })).toMatch(/no reading can be below 0/);
});

it('says what an entry teaches', () =>
	expect(
		sayLessons([
			{ kind: 'habit', name: 'Shower', fromL: 8, toL: 6.4 },
			{ kind: 'unlogged', fromL: 2, toL: 3.1 }
		])
	).toBe(
		'This also updates Shower to 6.4\u00a0L each (was 8\u00a0L) and unlogged use to 3.1\u00a0L per person and day (was 2\u00a0L).'
	));
