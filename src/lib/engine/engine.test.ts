import { DAY_MS, HOUR_MS, MINUTE_MS } from '$core/time';
import { describe, expect, it } from 'vitest';
import { estimate, readLevels } from '$core/estimate';
import type { Entry, EntryDraft, Point, Rig, Service } from '$core/logbook';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import { Engine } from './engine';
import type { FirstLook } from './questions/now/assess';
import type { Standpoint } from './standpoint';

const at = (day: number, hour: number): string =>
	`2027-05-${String(day).padStart(2, '0')}T${String(hour).padStart(2, '0')}:00:00Z`;
const wash = (day: number, hour: number, times = 1): Entry =>
	entry({ kind: 'use', at: at(day, hour), habit: 'dishes', times });
const ask = (when: string, more: Partial<Standpoint> = {}): Standpoint => ({
	rig: 'rig',
	trip: 'trip',
	atMs: Date.parse(when),
	timeZone: 'Etc/UTC',
	...more
});
const begun = (entries: readonly Entry[] = freshStart(), rig: Rig = exactRig) => {
	const engine = new Engine();
	engine.load(logbookOf(entries, rig, [exactTrip]));
	return engine;
};
/** Litres of each tank, whole ones. */
const litresOf = (answer: { levels: { tanks: readonly { id: string; litres: number }[] } } | undefined) =>
	Object.fromEntries(answer?.levels.tanks.map(({ id, litres }) => [id, Math.round(litres)]) ?? []);

describe('what Now shows, by hand: dishes are 6 L from Main to Grey', () => {
	it('follows entries that are added, corrected and voided', async () => {
		const engine = begun();
		const one = wash(1, 8);
		engine.change([{ kind: 'entry', value: one }]);
		expect(litresOf(await engine.ask('now/assess', ask(at(1, 9))))).toEqual({ main: 94, grey: 6, black: 0 });
		engine.change([{ kind: 'entry', value: { ...one, times: 3 } as Entry }]);
		expect(litresOf(await engine.ask('now/assess', ask(at(1, 9))))).toMatchObject({ main: 82, grey: 18 });
		engine.change([{ kind: 'entry', value: { ...one, void: true } }]);
		expect(litresOf(await engine.ask('now/assess', ask(at(1, 9))))).toMatchObject({ main: 100, grey: 0 });
	});
	it('knows nothing of a logbook that another one took the place of', async () => {
		const engine = begun([...freshStart(), wash(1, 8, 5)]);
		await engine.ask('now/assess', ask(at(1, 9)));
		engine.load(logbookOf([], exactRig, []));
		engine.load(logbookOf(freshStart(), exactRig, [exactTrip]));
		expect(litresOf(await engine.ask('now/assess', ask(at(1, 9))))).toMatchObject({ main: 100, grey: 0 });
	});
	it('follows a changed rig and who is aboard', async () => {
		const engine = begun();
		const days = async () => (await engine.ask('now/assess', ask(at(1, 9))))?.forecast.autonomyDays.p50;
		const before = await days();
		engine.change([{ kind: 'entry', value: entry({ kind: 'crew', at: at(1, 8), persons: 4 }) }]);
		expect(await days()).toBeLessThan(before ?? 0);
		const tanks = exactRig.tanks.map((tank) =>
			tank.id === 'black' ? { ...tank, usableL: 40, nominalL: 40 } : tank
		);
		const alone = await days();
		engine.change([{ kind: 'rig', value: { ...exactRig, tanks } }]);
		expect(await days()).toBeGreaterThan(alone ?? 0);
	});
	it('is told first without what habits cost and what does not fit, once; the whole answer says the same otherwise', async () => {
		const engine = begun([...freshStart(), wash(1, 8)]);
		const looks: FirstLook[] = [];
		const told = (look: FirstLook): void => void looks.push(look);
		const whole = await engine.ask('now/assess', ask(at(1, 9)), undefined, told);
		expect(looks.map(({ sinceMs }) => sinceMs)).toEqual([undefined]);
		const { prices, findings, ...same } = whole!;
		expect(looks[0]?.now).toEqual(same);
		expect(prices).not.toHaveLength(0);
		expect(findings).toEqual([]);
		await engine.ask('now/assess', ask(at(1, 10)), undefined, told);
		expect(looks).toHaveLength(1);
	});
	it('a change that comes while the first look is shown outdates the rest', async () => {
		const engine = begun();
		const told = (): void => engine.change([{ kind: 'entry', value: wash(1, 8) }]);
		expect(await engine.ask('now/assess', ask(at(1, 9)), undefined, told)).toBeUndefined();
		expect(litresOf(await engine.ask('now/assess', ask(at(1, 9))))).toMatchObject({ main: 94, grey: 6 });
	});
	it('of a long log is told first by its last entries, and since when those are', async () => {
		// A dish an hour, filled and emptied every twelfth: 66 L less and 66 L more since the last time.
		const hours = Array.from({ length: 9000 }, (_, i) => i);
		const start = Date.parse(at(1, 0)) - 9000 * HOUR_MS;
		const instant = (i: number): string => new Date(start + i * HOUR_MS).toISOString();
		const log = hours.flatMap((i): Entry[] =>
			i % 12 > 0
				? [entry({ kind: 'use', at: instant(i), habit: 'dishes', times: 1 })]
				: [
						entry({ kind: 'fill', at: instant(i), tank: 'main', to: 'full' }),
						entry({ kind: 'dump', at: instant(i), tank: 'grey', to: 'empty' })
					]
		);
		const engine = begun(log);
		const looks: FirstLook[] = [];
		const whole = await engine.ask('now/assess', ask(at(1, 0)), undefined, (look) => void looks.push(look));
		const [early] = looks;
		expect(early?.sinceMs).toBeGreaterThan(start);
		expect(litresOf(early?.now)).toMatchObject({ main: 34, grey: 66 });
		expect(litresOf(whole)).toMatchObject({ main: 34, grey: 66 });
	});
	it('a new question stops the one under way, and tells how far a long one is', async () => {
		const many = Array.from({ length: 5000 }, (_, i) =>
			entry({
				kind: 'note',
				at: new Date(Date.UTC(2027, 4, 1, 7) + i * MINUTE_MS).toISOString(),
				text: 'calm'
			})
		);
		const engine = begun([...freshStart(), ...many]);
		const told: number[] = [];
		const first = engine.ask('now/assess', ask(at(9, 9)), (done) => told.push(done));
		const second = engine.ask('now/assess', ask(at(9, 10)));
		expect(await first).toBeUndefined();
		expect((await second)?.atMs).toBe(Date.parse(at(9, 10)));
		expect(told.every((share) => share > 0 && share < 1)).toBe(true);
		expect(told.length).toBeGreaterThan(0);
	});
	it('refuses a rig that is not there, and a question before there is a logbook', async () => {
		await expect(begun().ask('now/assess', ask(at(1, 9), { rig: 'raft' }))).rejects.toThrow(/no rig "raft"/);
		await expect(new Engine().ask('now/assess', ask(at(1, 9)))).rejects.toThrow(/no logbook yet/);
	});
});

describe('what an entry would do', () => {
	const effect = async (draft: EntryDraft) => {
		const engine = begun();
		await engine.ask('now/assess', ask(at(1, 9)));
		return engine.ask('now/effect', ask(at(1, 9)), [entry(draft, 'preview')]);
	};
	it('at the end of the log, and in its midst', async () => {
		const now = await effect({ kind: 'use', at: at(1, 9), habit: 'flush', times: 12 });
		expect(now).toMatchObject({ shortens: true });
		expect(now?.words).toMatch(/^Lasts until /);
		const before = await effect({ kind: 'use', at: at(1, 7), habit: 'flush', times: 12 });
		expect(before?.words).toBe(now?.words);
	});
	it('several at once: as much as one after the other, wherever they stand', async () => {
		const engine = begun();
		await engine.ask('now/assess', ask(at(1, 9)));
		const flush = (hour: number, times: number) =>
			entry({ kind: 'use', at: at(1, hour), habit: 'flush', times }, `preview-${hour}-${times}`);
		const apart = await engine.ask('now/effect', ask(at(1, 9)), [flush(9, 6), flush(9, 7)]);
		const one = await engine.ask('now/effect', ask(at(1, 9)), [flush(9, 13)]);
		expect(apart?.levels.get('black')).toBeCloseTo(one?.levels.get('black') ?? 0, 6);
		const amid = await engine.ask('now/effect', ask(at(1, 9)), [
			flush(7, 6),
			flush(9, 7),
			entry({ kind: 'note', at: at(1, 9), text: 'calm' })
		]);
		expect(amid?.levels.get('black')).toBeCloseTo(one?.levels.get('black') ?? 0, 6);
		expect(amid?.words).toBe(one?.words);
	});
	it('still to come: nothing yet; a note and a care task: nothing at all', async () => {
		const later = await effect({ kind: 'use', at: at(4, 9), habit: 'flush', times: 12 });
		expect(later).toEqual({
			levels: new Map(),
			words: 'That is still to come; it counts from then on.',
			shortens: false
		});
		for (const note of [at(1, 9), at(4, 9)])
			expect((await effect({ kind: 'note', at: note, text: 'calm' }))?.words).toBe(
				'You can stay just as long.'
			);
	});
	it('is not known before there is an assessment of that rig', async () =>
		expect(
			await begun().ask('now/effect', ask(at(1, 9)), [entry({ kind: 'note', at: at(1, 9), text: '' })])
		).toBeUndefined());
});

describe('a question about the past', () => {
	const log = [
		...freshStart(),
		...Array.from({ length: 40 }, (_, i) => wash(1 + Math.floor(i / 8), 8 + (i % 8)))
	];
	it('is answered as an estimate at that moment is, and leaves the way to now where it is', async () => {
		const engine = begun(log);
		const now = await engine.ask('now/assess', ask(at(6, 9)));
		const then = await engine.ask('tank/levelAt', ask(at(6, 9)), 'grey', Date.parse(at(2, 12)));
		const alone = readLevels(estimate(logbookOf(log, exactRig, [exactTrip]), 'rig', Date.parse(at(2, 12))));
		expect(then?.level.litres).toBeCloseTo(alone.tanks[1]?.litres ?? 0, 9);
		expect(then?.why).toMatch(/^Mostly/);
		expect(litresOf(await engine.ask('now/assess', ask(at(6, 9))))).toEqual(litresOf(now));
		expect(await engine.ask('tank/levelAt', ask(at(6, 9)), 'nothing', Date.parse(at(2, 12)))).toBeUndefined();
		const why = await engine.ask('tank/whyLevel', ask(at(6, 9)), 'grey');
		expect(why.why).toMatch(/^Mostly/);
		expect(why.basis.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9);
	});
	it('what only some views ask for is answered too', async () => {
		const engine = begun(log);
		const question = ask(at(6, 9));
		expect(
			(await engine.ask('tank/smoothedPast', question, Date.parse(at(1, 0)))).map(({ id }) => id)
		).toEqual(['main', 'grey', 'black']);
		expect(await engine.ask('tank/whyLasting', question, 'grey')).toMatchObject({ limitL: 75 });
		expect(await engine.ask('habits/informationGain', question, 'shower')).toEqual({ stated: 1, basis: [] });
		expect(await engine.ask('trip/aboard', { ...question, trip: undefined })).toEqual([]);
		expect(await engine.ask('trip/aboard', question)).toEqual([]);
		expect((await engine.ask('tank/autonomyFromFull', question, exactRig)).freshL).toBe(100);
		expect(await engine.ask('tank/calibrationPairs', question, 'lights')).toEqual([]);
	});
});

describe('what is asked of saving', () => {
	it('what things cost, where they go, and whether a measure has paid', async () => {
		const saving = await begun().ask('habits/saving', ask(at(1, 9)));
		expect(saving?.worth.binding).toBe('black');
		expect(saving?.worth.measures.map(({ id }) => id)).toEqual(['short']);
		expect(saving?.flows.reduce((sum, { litres }) => sum + litres, 0)).toBeCloseTo(26, 0);
		expect(saving?.paid).toEqual([
			{ measure: 'short', uses: { without: 0, with: 0 }, stretches: { without: 0, with: 0 } }
		]);
	});
	it('the least sacrifice with its line; a newer question or a change outdates it', async () => {
		const engine = begun();
		const asked = { untilMs: Date.parse(at(1, 9)) + 6 * DAY_MS, certainty: 0.9 };
		const way = await engine.ask('habits/leastSacrifice', ask(at(1, 9)), asked);
		expect(way?.found.reached).toBe(false);
		expect(way?.line.tank).toBe('black');
		const many = {
			...exactRig,
			measures: Array.from({ length: 13 }, (_, i) => ({ ...exactRig.measures[0]!, id: `m${i}` }))
		};
		engine.change([{ kind: 'rig', value: many }]);
		const slow = engine.ask('habits/leastSacrifice', ask(at(1, 9)), asked);
		const newer = engine.ask('habits/leastSacrifice', ask(at(1, 9)), { ...asked, certainty: 0.5 });
		expect((await newer)?.found.reached).toBe(false);
		// the older one either came first or was given up; it never comes after the newer one
		expect([undefined, false]).toContain((await slow)?.found.reached);
	});
	it('a basket, the ration, and a long forecast as it comes', async () => {
		const engine = begun();
		const question = ask(at(1, 9), { trip: undefined });
		expect(await engine.ask('now/basket', question, [{ habit: 'shower', times: 1 }])).toMatchObject({
			kind: 'enough'
		});
		expect(await engine.ask('now/basket', question, [{ habit: 'flush', times: 30 }])).toMatchObject({
			kind: 'go',
			headline: { text: 'Dump first.' }
		});
		expect((await engine.ask('now/ration', question, question.atMs + 6 * DAY_MS, 0.9))?.tank).toBe('black');
		expect(
			(await engine.ask('now/forecastByDay', question, 40, () => undefined))?.tanks[0]?.byDay
		).toHaveLength(40);
	});
});

describe('what is asked of a trip', () => {
	const stop = (id: string, from: number, to: number, services: readonly Service[]) => ({
		id,
		name: id,
		arrive: at(from, 6),
		depart: at(to, 8),
		legKm: 5,
		services
	});
	const stops = [
		stop('ford', 2, 2, [{ kind: 'water' }, { kind: 'grey' }, { kind: 'black' }]),
		{ ...stop('hill', 3, 4, []), depart: at(5, 4) }
	];
	const trip = { ...exactTrip, stops };
	function planning() {
		const engine = new Engine();
		engine.load(
			logbookOf(freshStart(), exactRig, [
				trip,
				{ ...trip, id: 'later', from: '2028-05-01', to: '2028-05-12' }
			])
		);
		return engine;
	}
	it('the first look goes without a plan; with it come the last chance and what is due', async () => {
		const engine = planning();
		const question = ask(at(1, 9), { trip: 'trip' });
		expect((await engine.ask('now/assess', question))?.plan).toBeUndefined();
		await engine.ask('now/preparePlanning', question);
		const now = await engine.ask('now/assess', question);
		expect(now?.plan?.services.map((one) => one.stop)).toEqual(['ford']);
		expect(now?.lastChance).toBe('ford tomorrow: last dump point before Cassette is full on Tuesday.');
		expect(now?.due).toBeUndefined();
		engine.change([
			{ kind: 'entry', value: entry({ kind: 'use', at: at(1, 12), habit: 'flush', times: 8 }) }
		]);
		expect((await engine.ask('now/assess', ask(at(2, 7), { trip: 'trip' })))?.due?.says).toMatch(
			/^You are at ford: .*empty/
		);
		const news = await engine.ask('trip/newsOfPlan', question, undefined);
		expect(news).toMatchObject({ seen: { trip: 'trip', feasible: true }, passed: [] });
	});
	it('its lanes along time, other ways with their prices, and a change tried and forgotten', async () => {
		const engine = planning();
		const question = ask(at(1, 9), { trip: 'trip' });
		const planned = await engine.ask('trip/planOfTrip', question, 'trip');
		expect(planned).toMatchObject({
			settingOut: false,
			fromMs: Date.parse(at(1, 9)),
			toMs: Date.parse(at(5, 4))
		});
		expect(planned?.along.map(({ tank }) => tank)).toEqual(['main', 'grey', 'black']);
		const ways = await engine.ask('trip/waysOfTrip', question, 'trip');
		expect(ways?.schools.map(({ plan }) => plan.feasible)).toEqual([true, true, true, true, true, true]);
		expect(ways?.load?.leastL).toBeGreaterThan(10);
		const mends = await engine.ask('trip/mendsOfTrip', question, 'trip');
		expect(mends).toEqual({ trip: 'trip', mends: [] });
		const tried = await engine.ask('trip/tryChange', question, 'trip', { kind: 'skip', stop: 'ford' });
		expect(tried?.after.plan.feasible).toBe(false);
		expect((await engine.ask('trip/planOfTrip', question, 'trip'))?.plan).toEqual(planned?.plan);
		expect((await engine.ask('trip/aboard', question)).map(({ stop: id }) => id)).toEqual(['ford', 'hill']);
		expect(await engine.ask('trip/planOfTrip', question, 'nowhere')).toBeUndefined();
	});
	it('our points along its way, in the order in which they are passed, and none that is far off or retired', async () => {
		const point = (id: string, position: readonly [number, number]): Point => ({
			...{ id, name: id, position },
			services: [{ kind: 'water' }]
		});
		// A degree of longitude on the equator is 111.2 km.
		const placed = { ...trip, stops: stops.map((one, i) => ({ ...one, position: [i, 0] as const })) };
		const engine = new Engine();
		engine.load({
			...logbookOf(freshStart(), exactRig, [placed]),
			points: [
				point('late', [0.8, 0.05]),
				point('early', [0.2, -0.05]),
				point('far', [0.5, 0.5]),
				{ ...point('gone', [0.5, 0]), retired: true }
			]
		});
		const found = await engine.ask('trip/pointsAhead', ask(at(1, 9), { trip: 'trip' }), 'trip');
		expect(found.near.map(({ point: { id }, alongKm = 0 }) => [id, Math.round(alongKm)])).toEqual([
			['early', 22],
			['late', 89]
		]);
		expect((await engine.ask('trip/pointsAhead', ask(at(1, 9)), 'nowhere')).near).toEqual([]);
	});
	it('one that is a year off is planned as one will set out: full, and empty', async () => {
		const engine = new Engine();
		const later = stops.map((one) => ({
			...one,
			arrive: one.arrive.replace('2027', '2028'),
			depart: one.depart.replace('2027', '2028')
		}));
		engine.load(
			logbookOf(freshStart(), exactRig, [{ ...trip, from: '2028-05-01', to: '2028-05-12', stops: later }])
		);
		const planned = await engine.ask('trip/planOfTrip', ask(at(1, 9), { trip: 'trip' }), 'trip');
		expect(planned).toMatchObject({ settingOut: true, fromMs: Date.parse(later[0]!.arrive) });
		expect(planned?.along[0]?.levels[0]?.litres).toBeCloseTo(100, 6);
		expect(planned?.along[1]?.levels[0]?.litres).toBeCloseTo(0, 6);
	});
});

describe('looking after and looking back, as the views ask it', () => {
	const rig: Rig = {
		...exactRig,
		care: [{ id: 'filter', name: 'Filter', every: { litres: 30 }, through: 'pump', lastDone: at(1, 7) }]
	};
	const washes = [wash(1, 8, 3), wash(2, 8, 3)];
	const looking = {
		fromMs: Date.parse(at(1, 0)),
		toMs: Date.parse(at(3, 0)),
		timeZone: 'Etc/UTC',
		trip: 'trip'
	};

	it('care counts litres, and knows the water', async () => {
		const engine = begun([...freshStart(), ...washes], rig);
		const care = await engine.ask('care/care', ask(at(3, 0)));
		expect(care?.tasks).toMatchObject([{ overdue: true, sinceL: expect.closeTo(36, 6) }]);
		expect(care?.frost).toEqual([]);
		const water = await engine.ask('care/water', ask(at(12, 0)));
		expect(water).toMatchObject({
			ages: [{ tank: 'main', litres: expect.closeTo(64, 0) }],
			warnings: [{ kind: 'old' }]
		});
	});

	it('a stretch is looked back on, lived again and put beside other trips', async () => {
		const engine = begun([...freshStart(), ...washes], rig);
		const seen = await engine.ask('review/lookBack', ask(at(4, 0)), looking);
		if (!seen || 'nothing' in seen) throw new Error('nothing seen');
		expect(seen.review.drawnL).toBeCloseTo(36, 6);
		expect(seen.habits).toMatchObject([{ id: 'dishes', times: 6 }]);
		expect(seen.errands).toMatchObject({ fills: 0, dumps: 2, unplaced: 2 });
		// Nothing was known before the first of May: it is held against what was known a day later.
		expect(seen.foreseen).toMatchObject({ afterFirstDay: true, perPersonDayL: expect.closeTo(12, 6) });
		const alone = await engine.ask('review/counterfactual', ask(at(4, 0)), looking, { personsBy: -2 });
		expect(alone).toMatchObject({ drawnL: 0 });
		expect(await engine.ask('review/tripsInShort', ask(at(4, 0)))).toMatchObject([
			{ id: 'trip', drawnL: expect.closeTo(36, 6) }
		]);
	});

	it('of no days, and of days before the log, it says which', async () => {
		const engine = begun([...freshStart(), ...washes], rig);
		const of = (fromMs: number, toMs: number) =>
			engine.ask('review/lookBack', ask(at(4, 0)), { ...looking, fromMs, toMs });
		expect(await of(looking.toMs, looking.fromMs)).toEqual({ nothing: 'no-days' });
		expect(await of(0, DAY_MS)).toEqual({ nothing: 'before-log' });
	});

	it('foretells and scores, and draws as wide as it is told', async () => {
		const { unlogged: _unlogged, ...open } = exactRig;
		const read = (day: number, hour: number, value: number): Entry =>
			entry({ kind: 'reading', at: at(day, hour), instrument: 'pump', value });
		const engine = begun(
			[...freshStart(), read(1, 7, 0), read(2, 7, 14), read(3, 19, 34), read(4, 20, 49)],
			open
		);
		const foretold = await engine.ask('record/foretellAsOf', ask(at(5, 8)), Date.parse(at(3, 20)));
		if (!foretold) throw new Error('nothing foretold');
		// The log knows of the next day already.
		expect(await engine.ask('record/foretell', ask(at(3, 20)))).toBeUndefined();
		expect(await engine.ask('record/score', ask(at(5, 8)), foretold, Date.parse(at(5, 8)))).toMatchObject({
			tanks: [{ id: 'main' }, { id: 'grey' }]
		});
		const width = async (inflation?: number): Promise<number> => {
			const [one] = (await engine.ask('record/foretell', ask(at(4, 21), { inflation })))?.tanks ?? [];
			return one ? one.p90 - one.p10 : 0;
		};
		expect(await width(0.6)).toBeLessThan(0.8 * (await width()));
		expect(await width(0.6)).toBeGreaterThan(0);
	});
});
