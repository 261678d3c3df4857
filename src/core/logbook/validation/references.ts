import { ProblemList } from './limits.js';
import { describe, jsonPath } from './problems.js';
import { instantMs } from '../order.js';
import { itemsOf, PARTS } from '../parts.js';
import type { Entry, HandOver, Instrument, Logbook, Rig, Trip } from '../types.js';

type Path = readonly (string | number)[];
type Say = (path: Path, expected: string, got: unknown) => void;

/** Says where an id does not name anything in the given set; an absent optional id is fine. */
const mustName = (
	say: Say,
	ids: ReadonlySet<string>,
	what: string,
	path: Path,
	id: string | undefined
): void => {
	if (id !== undefined && !ids.has(id)) say(path, `the id of ${what}`, id);
};

const idsOf = (list: readonly { readonly id: string }[]): ReadonlySet<string> =>
	new Set(list.map(({ id }) => id));

function mustBeUnique(say: Say, list: readonly { readonly id: string }[], path: Path): void {
	const seen = new Set<string>();
	list.forEach(({ id }, i) => {
		if (seen.has(id)) say([...path, i, 'id'], 'an id that is unique within its list', id);
		seen.add(id);
	});
}

/** Follows a link between tanks from one; true when it comes back to where it began. */
function loops(links: ReadonlyMap<string, string | undefined>, start: string): boolean {
	const visited = new Set<string>();
	for (let here: string | undefined = start; here !== undefined;) {
		if (visited.has(here)) return here === start;
		visited.add(here);
		here = links.get(here);
	}
	return false;
}

const wasteOf = ({ tanks }: Pick<Rig, 'tanks'>): ReadonlySet<string> =>
	idsOf(tanks.filter(({ holds }) => holds !== 'fresh'));

/** Says where a valve that is left open is of no waste tank. */
const mustNameValves = (
	say: Say,
	waste: ReadonlySet<string>,
	open: boolean | readonly string[] | undefined,
	path: Path
): void => {
	if (typeof open === 'object')
		open.forEach((tank, i) => mustName(say, waste, 'a waste tank of this rig', [...path, i], tank));
};

const DRAINS = ['ground', 'overboard', 'sewer', 'none'];
/** Where the water of an outlet comes from that draws from no tank: the sea, a toilet's own flush tank. */
const OUTSIDE = 'outside';
const PLACES = ['ground', 'overboard', 'sewer'];

function checkRig(say: Say, rig: Rig, path: Path): void {
	for (const part of PARTS) mustBeUnique(say, itemsOf(rig, part), [...path, part]);
	const tanks = idsOf(rig.tanks);
	const meters = idsOf(rig.instruments.filter(({ kind }) => kind === 'meter'));
	const habits = idsOf(rig.habits);
	const instruments = idsOf(rig.instruments);
	const sources = rig.sources ?? [];
	sources.forEach(({ into }, i) => {
		const here = [...path, 'sources', i, 'into'];
		mustName(say, tanks, 'a tank of this rig', here, into);
		const tank = rig.tanks.find(({ id }) => id === into);
		if (tank && tank.holds !== 'fresh') say(here, 'a tank that holds fresh', tank.name);
	});
	const tankOf = new Map(rig.tanks.map((tank) => [tank.id, tank]));
	const linksOf = (link: 'feeds' | 'relieves'): ReadonlyMap<string, string | undefined> =>
		new Map(rig.tanks.map((tank) => [tank.id, tank[link]]));
	rig.tanks.forEach((tank, i) => {
		const here = [...path, 'tanks', i];
		mustBeUnique(say, tank.trials ?? [], [...here, 'trials']);
		tank.trials?.forEach(({ instrument }, t) =>
			mustName(
				say,
				instruments,
				'an instrument of this rig',
				[...here, 'trials', t, 'instrument'],
				instrument
			)
		);
		for (const link of ['feeds', 'relieves', 'joined'] as const) {
			mustName(say, tanks, 'a tank of this rig', [...here, link], tank[link]);
			const other = tankOf.get(tank[link] ?? '');
			if (other === tank) say([...here, link], 'another tank', tank[link]);
			else if (other && other.holds !== tank.holds)
				say([...here, link], `a tank that holds ${tank.holds}`, other.name);
		}
		if (tank.feeds !== tank.id && loops(linksOf('feeds'), tank.id))
			say([...here, 'feeds'], 'a supply that does not feed itself', tank.feeds);
		if (tank.relieves !== tank.id && loops(linksOf('relieves'), tank.id))
			say([...here, 'relieves'], 'a tank that does not stand in for itself', tank.relieves);
		if (tank.relieves !== undefined && tank.holds === 'fresh')
			say([...here, 'relieves'], 'nothing: fresh tanks are fed', tank.relieves);
	});
	rig.outlets.forEach((outlet, i) => {
		const here = [...path, 'outlets', i];
		mustName(
			say,
			new Set([...tanks, OUTSIDE]),
			`a tank of this rig, or ${OUTSIDE}`,
			[...here, 'from'],
			outlet.from
		);
		mustName(
			say,
			new Set([...tanks, ...DRAINS]),
			`a tank of this rig, or one of ${DRAINS.join(', ')}`,
			[...here, 'to'],
			outlet.to
		);
		outlet.meters?.forEach((meter, m) =>
			mustName(say, meters, 'a meter of this rig', [...here, 'meters', m], meter)
		);
	});
	rig.instruments.forEach((instrument, i) =>
		mustName(say, tanks, 'a tank of this rig', [...path, 'instruments', i, 'tank'], instrument.tank)
	);
	const outlets = idsOf(rig.outlets);
	rig.habits.forEach((habit, i) =>
		mustName(say, outlets, 'an outlet of this rig', [...path, 'habits', i, 'outlet'], habit.outlet)
	);
	mustBeUnique(say, rig.ahead ?? [], [...path, 'ahead']);
	rig.ahead?.forEach((ahead, i) => {
		const here = [...path, 'ahead', i];
		ahead.habits?.forEach(({ habit }, h) =>
			mustName(say, habits, 'a habit of this rig', [...here, 'habits', h, 'habit'], habit)
		);
		mustNameValves(say, wasteOf(rig), ahead.hookup?.sewer, [...here, 'hookup', 'sewer']);
	});
	rig.measures.forEach(({ habit, effect }, i) => {
		const here = [...path, 'measures', i];
		mustName(say, habits, 'a habit of this rig', [...here, 'habit'], habit);
		if (effect.kind !== 'reroute') return;
		mustName(say, tanks, 'a tank of this rig', [...here, 'effect', 'to'], effect.to);
		mustName(say, habits, 'a habit of this rig', [...here, 'effect', 'replaces'], effect.replaces);
	});
	const passed = new Set([...idsOf(rig.instruments), ...tanks, ...idsOf(sources)]);
	rig.care.forEach((task, i) => {
		const here = [...path, 'care', i];
		mustName(say, passed, 'an instrument or a tank of this rig', [...here, 'through'], task.through);
		mustName(say, tanks, 'a tank of this rig', [...here, 'tank'], task.tank);
	});
}

function checkTrip(
	say: Say,
	trip: Trip,
	path: Path,
	rigs: ReadonlySet<string>,
	points: ReadonlySet<string>
): void {
	mustName(say, rigs, 'a rig', [...path, 'rig'], trip.rig);
	if (trip.to < trip.from) say([...path, 'to'], `a day not before ${trip.from}`, trip.to);
	mustBeUnique(say, trip.stops, [...path, 'stops']);
	trip.stops.forEach((stop, i) => {
		const here = [...path, 'stops', i];
		const before = trip.stops[i - 1];
		mustName(say, points, 'a point', [...here, 'point'], stop.point);
		if (instantMs(stop.depart) < instantMs(stop.arrive))
			say([...here, 'depart'], `an instant not before ${stop.arrive}`, stop.depart);
		if (before && instantMs(stop.arrive) < instantMs(before.arrive))
			say([...here, 'arrive'], 'stops in the order of their arrival', stop.arrive);
	});
}

interface Ids {
	readonly tanks: ReadonlySet<string>;
	readonly waste: ReadonlySet<string>;
	readonly outlets: ReadonlySet<string>;
	readonly habits: ReadonlySet<string>;
	readonly sources: ReadonlySet<string>;
	readonly measures: ReadonlySet<string>;
	readonly care: ReadonlySet<string>;
	readonly containers: ReadonlySet<string>;
	readonly instruments: ReadonlyMap<string, Instrument>;
}

const idsWithin = (rig: Rig): Ids => ({
	tanks: idsOf(rig.tanks),
	waste: wasteOf(rig),
	outlets: idsOf(rig.outlets),
	habits: idsOf(rig.habits),
	sources: idsOf(rig.sources ?? []),
	measures: idsOf(rig.measures),
	care: idsOf(rig.care),
	containers: idsOf(rig.containers),
	instruments: new Map(rig.instruments.map((instrument) => [instrument.id, instrument]))
});

interface World {
	readonly rigs: ReadonlyMap<string, Ids>;
	readonly trips: ReadonlySet<string>;
	readonly points: ReadonlySet<string>;
	readonly stops: ReadonlySet<string>;
}

function checkReading(say: Say, entry: Extract<Entry, { kind: 'reading' }>, ids: Ids, path: Path): void {
	const instrument = ids.instruments.get(entry.instrument);
	if (!instrument)
		return say([...path, 'instrument'], 'the id of an instrument of this rig', entry.instrument);
	const expected = expectedOf(instrument, entry.value);
	if (expected !== undefined) say([...path, 'value'], expected, entry.value);
}

/** What an instrument would show instead of a value that it cannot; nothing when it can. */
function expectedOf(instrument: Instrument, value: number | string): string | undefined {
	const lights = instrument.kind === 'gauge' ? instrument.curve.map(({ reads }) => reads) : [];
	if (lights.some((reads) => typeof reads === 'string'))
		return lights.includes(value) ? undefined : lights.map((light) => JSON.stringify(light)).join(' | ');
	if (typeof value !== 'number') return 'a number';
	return instrument.kind !== 'gauge' && value < 0 ? 'a number of at least 0' : undefined;
}

/** Whether an instrument can show a value. */
export const canShow = (instrument: Instrument, value: number | string): boolean =>
	expectedOf(instrument, value) === undefined;

const needsOneOf = (say: Say, path: Path, values: readonly unknown[], expected: string): void => {
	if (values.every((value) => value === undefined)) say(path, expected, 'neither');
};

function checkEntry(say: Say, entry: Entry, path: Path, world: World): void {
	const ids = world.rigs.get(entry.rig);
	if (!ids) return say([...path, 'rig'], 'the id of a rig', entry.rig);
	mustName(say, world.trips, 'a trip', [...path, 'trip'], entry.trip);
	const tankAt = (field: string, id: string): void =>
		mustName(say, ids.tanks, 'a tank of this rig', [...path, field], id);
	switch (entry.kind) {
		case 'fill':
			tankAt('tank', entry.tank);
			mustName(say, world.points, 'a point', [...path, 'point'], entry.point);
			mustName(say, ids.sources, 'a source of this rig', [...path, 'from'], entry.from);
			return needsOneOf(say, [...path, 'litres'], [entry.litres, entry.to], 'litres, or to: "full", or both');
		case 'dump': {
			tankAt('tank', entry.tank);
			const places = new Set([...world.points, ...ids.containers, ...PLACES]);
			mustName(
				say,
				places,
				`a point or a container, or one of ${PLACES.join(', ')}`,
				[...path, 'where'],
				entry.where
			);
			return needsOneOf(
				say,
				[...path, 'litres'],
				[entry.litres, entry.to],
				'litres, or to: "empty", or both'
			);
		}
		case 'transfer':
			tankAt('fromTank', entry.fromTank);
			tankAt('toTank', entry.toTank);
			if (entry.fromTank === entry.toTank)
				say([...path, 'toTank'], 'another tank than fromTank', entry.toTank);
			return needsOneOf(say, [...path, 'litres'], [entry.litres, entry.until], 'litres, or until, or both');
		case 'use':
			return mustName(say, ids.habits, 'a habit of this rig', [...path, 'habit'], entry.habit);
		case 'reading':
			return checkReading(say, entry, ids, path);
		case 'mark':
			return tankAt('tank', entry.tank);
		case 'measure':
			return mustName(say, ids.measures, 'a measure of this rig', [...path, 'measure'], entry.measure);
		case 'stop':
			return mustName(say, world.stops, 'a stop of a trip', [...path, 'stop'], entry.stop);
		case 'care':
			return mustName(say, ids.care, 'a care task of this rig', [...path, 'task'], entry.task);
		case 'hookup':
			mustNameValves(say, ids.waste, entry.sewer, [...path, 'sewer']);
			mustNameValves(say, ids.waste, entry.sea?.waste, [...path, 'sea', 'waste']);
			entry.sea?.flush?.forEach((outlet, i) =>
				mustName(say, ids.outlets, 'an outlet of this rig', [...path, 'sea', 'flush', i], outlet)
			);
			return;
		case 'crew':
		case 'gap':
		case 'note':
			return;
		default:
			entry satisfies never;
	}
}

/** Says where a difference numbers more or fewer records than it has. */
function mustAddUp(say: Say, { rigs, trips, points, entries }: Logbook, { changes }: HandOver): void {
	const has = rigs.length + trips.length + points.length + entries.length;
	const numbered = changes.reduce((sum, [, , count]) => sum + count, 0);
	if (numbered !== has)
		say(['handOver', 'changes'], `numbers of ${has} records, as many as there are`, numbered);
}

/** Looks for what is wrong whatever its ids may name: ids that are there twice, numbers of a difference that do not add up. */
function lookAtForm(logbook: Logbook, say: Say): void {
	for (const list of ['rigs', 'trips', 'points', 'entries'] as const)
		mustBeUnique(say, logbook[list], [list]);
	if (logbook.handOver) mustAddUp(say, logbook, logbook.handOver);
}

/** Looks through a logbook for what a schema alone cannot see. */
function lookThrough(logbook: Logbook, say: Say): void {
	lookAtForm(logbook, say);
	const world: World = {
		rigs: new Map(logbook.rigs.map((rig) => [rig.id, idsWithin(rig)])),
		trips: idsOf(logbook.trips),
		points: idsOf(logbook.points),
		stops: new Set(logbook.trips.flatMap((trip) => trip.stops.map(({ id }) => id)))
	};
	const rigs = idsOf(logbook.rigs);
	logbook.rigs.forEach((rig, i) => checkRig(say, rig, ['rigs', i]));
	logbook.trips.forEach((trip, i) => checkTrip(say, trip, ['trips', i], rigs, world.points));
	logbook.entries.forEach((entry, i) => checkEntry(say, entry, ['entries', i], world));
}

/**
 * What a schema alone cannot see: duplicate and dangling ids, loops, days and stops out of order, readings that
 * the instrument cannot show, movements without an amount.
 */
export const checkReferences = (logbook: Logbook, root: Path = []): ProblemList =>
	found(logbook, root, lookThrough);

/** The same of a difference, whose ids may name what is elsewhere. */
export const checkForm = (logbook: Logbook, root: Path = []): ProblemList => found(logbook, root, lookAtForm);

function found(logbook: Logbook, root: Path, look: (logbook: Logbook, say: Say) => void): ProblemList {
	const problems = new ProblemList();
	look(logbook, (path, expected, got) =>
		problems.add(() => ({
			path: jsonPath([...root, ...path]),
			expected,
			got: got === 'neither' ? 'neither' : describe(got)
		}))
	);
	return problems;
}

/** The records in which something is wrong, all of them: their list, and their place in it. */
export function referenceFaults(logbook: Logbook): readonly (readonly [list: string, index: number])[] {
	const found = new Map<string, readonly [string, number]>();
	lookThrough(logbook, ([list, index]) => {
		if (list !== undefined && index !== undefined)
			found.set(`${list}|${index}`, [String(list), Number(index)]);
	});
	return [...found.values()];
}
