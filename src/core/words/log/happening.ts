import {
	instantMs,
	type Habit,
	type Happening,
	type Point,
	type Rig,
	type Tank,
	type Trip
} from '../../logbook/index.js';
import {
	flowOf,
	seaKey,
	tankById,
	usableOf,
	valvesKey,
	type OpenValves,
	type SeaState
} from '../../rig/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import { saySea, sayValves } from './valves.js';
import { sayDay } from '../when.js';
import { LIVED_WORDS, sayFrom, sayInstant } from './entry.js';

export type { Happening };

/** What is known where something is about to be written down. */
export interface TellingContext {
	readonly rig: Rig;
	readonly trip?: Trip | undefined;
	readonly nowMs: number;
	readonly timeZone: string;
	readonly units: UnitChoice;
	/** litres of one time of each habit as believed now; the rig's prior where absent */
	readonly litresEach?: ReadonlyMap<string, number> | undefined;
	readonly mains?: boolean | undefined;
	/** which waste valves are open into a sewer */
	readonly sewer?: OpenValves | undefined;
	/** what the sea flushes and takes */
	readonly sea?: SeaState | undefined;
	readonly points?: readonly Point[] | undefined;
}

/** ` from Main to Grey`: the way of a habit's water as the rig stands now. */
function way(habit: Habit, { rig, mains = false, sewer = false, sea }: TellingContext): string {
	const flow = flowOf(rig, habit, { mains, sewer, sea, measures: [] });
	const nameOf = (id: string): string => tankById(rig, id)?.name ?? id;
	const ends = [...flow.tanks].map(([id, { perLitre, fixed }]) => ({ id, gain: perLitre + fixed }));
	const from = ends.filter(({ gain }) => gain < 0).map(({ id }) => nameOf(id));
	const to = ends.filter(({ gain }) => gain > 0).map(({ id }) => nameOf(id));
	return `${from.length > 0 ? ` from ${listed(from)}` : ''}${to.length > 0 ? ` to ${listed(to)}` : ''}`;
}

const SIGNS = {
	fresh: { full: 'it overflows', empty: 'the pump sucks air' },
	grey: { full: 'it backs up', empty: 'the drain runs dry' },
	black: { full: 'it backs up', empty: 'the drain runs dry' }
} as const;

function sayMark(tank: Tank, state: 'full' | 'empty', units: UnitChoice): string {
	const litres = state === 'full' ? usableOf(tank) : (tank.residualL ?? 0);
	return `${tank.name} seen ${state}: ${SIGNS[tank.holds][state]} (${formatLitres(litres, units)})`;
}

function sayRead(happening: Extract<Happening, { kind: 'reading' }>, { rig, units }: TellingContext): string {
	const { value } = happening;
	const instrument = rig.instruments.find(({ id }) => id === happening.instrument);
	const name = instrument?.name ?? happening.instrument;
	if (instrument?.kind === 'meter')
		return happening.reset ? `${name} set to ${value}` : `${name} shows ${value}`;
	if (typeof value === 'string') return `${name} reads “${value}”`;
	return instrument?.kind === 'rod'
		? `${name} wet to ${formatQuantity(value, 'length', units)}`
		: `${name} reads ${Number(value.toFixed(1))}`;
}

/** Which hook-up is made or undone, and which valves are open; both where neither changes. */
function sayHookup(
	{ mains, sewer, sea }: Extract<Happening, { kind: 'hookup' }>,
	{
		rig,
		mains: hadMains = false,
		sewer: had = false,
		sea: hadSea
	}: Pick<TellingContext, 'rig' | 'mains' | 'sewer' | 'sea'>
): string {
	const valves = sewer === false ? '' : sayValves(rig, sewer);
	const all = [
		{ says: `Water hook-up ${mains ? 'on' : 'off'}`, changed: mains !== hadMains },
		{
			says: `Sewer hook-up ${sewer === false ? 'off' : 'on'}${valves ? `: ${valves}` : ''}`,
			changed: valvesKey(sewer) !== valvesKey(had)
		},
		...(rig.kind === 'boat' ? [{ says: saySea(rig, sea), changed: seaKey(sea) !== seaKey(hadSea) }] : [])
	];
	const changed = all.filter((one) => one.changed);
	return listed((changed.length > 0 ? changed : all).map(({ says }) => says));
}

const PLACES: ReadonlyMap<string, string> = new Map([
	['ground', 'on the ground'],
	['sewer', 'into the sewer']
]);

/** What is about to be written down, with all that it means to the tanks: `Shower × 2, 16 L from Main to Grey`. */
export function sayHappening(happening: Happening, context: TellingContext): string {
	const { rig, trip, units } = context;
	const tank = (id: string): string => tankById(rig, id)?.name ?? id;
	const amount = (litres: number): string => formatLitres(litres, units);
	switch (happening.kind) {
		case 'use': {
			const habit = rig.habits.find(({ id }) => id === happening.habit);
			if (!habit) return happening.habit;
			const { times, litres } = happening;
			const expected = times * (context.litresEach?.get(habit.id) ?? habit.litresEach.mean);
			return `${habit.name}${times === 1 ? '' : ` × ${times}`}, ${litres === undefined ? amount(expected) : `measured ${amount(litres)}`}${way(habit, context)}`;
		}
		case 'fill':
			return `${tank(happening.tank)} filled${sayFrom(rig, happening.from)}${happening.litres === undefined ? '' : ` with ${amount(happening.litres)}`}${happening.to ? ' to full' : ''}`;
		case 'dump': {
			const { litres, leftL, where } = happening;
			const container = rig.containers.find(({ id }) => id === where);
			const point = context.points?.find(({ id }) => id === where);
			const named = container ? `into ${container.name}` : point ? `at ${point.name}` : where;
			const place = where === undefined ? undefined : (PLACES.get(where) ?? named);
			const rest = leftL === undefined || leftL < 0.05 ? '' : `, ${amount(leftL)} left`;
			return `${litres === undefined ? `${tank(happening.tank)} emptied${rest}` : `${amount(litres)} dumped from ${tank(happening.tank)}`}${place === undefined ? '' : `, ${place}`}`;
		}
		case 'transfer': {
			const [from, to] = [tank(happening.fromTank), tank(happening.toTank)];
			if (happening.litres !== undefined) return `${amount(happening.litres)} from ${from} to ${to}`;
			return happening.until === 'to-full' ? `${to} filled up from ${from}` : `all of ${from} into ${to}`;
		}
		case 'reading':
			return sayRead(happening, context);
		case 'mark': {
			const seen = tankById(rig, happening.tank);
			return seen ? sayMark(seen, happening.state, units) : `${happening.tank} seen ${happening.state}`;
		}
		case 'crew':
			return happening.persons === 0
				? 'Nobody aboard from now on'
				: `${happening.persons} aboard from now on`;
		case 'gap':
			return `${LIVED_WORDS[happening.lived]} since ${sayInstant(instantMs(happening.since), context.timeZone)}`;
		case 'measure':
			return `${rig.measures.find(({ id }) => id === happening.measure)?.name ?? happening.measure}: ${happening.on ? 'on' : 'off'} from now`;
		case 'hookup':
			return sayHookup(happening, context);
		case 'stop': {
			const stop = trip?.stops.find(({ id }) => id === happening.stop);
			const verb = happening.event === 'arrive' ? 'Arrived at' : 'Left';
			if (!trip || !stop) return `${verb} ${happening.stop}`;
			const planned = instantMs(happening.event === 'arrive' ? stop.arrive : stop.depart);
			// A place that the trip comes to twice is told apart by its day.
			const twice = trip.stops.some(({ id, name }) => id !== stop.id && name === stop.name);
			return `${verb} ${stop.name}${twice ? `, planned for ${sayDay(planned, context.nowMs, context.timeZone)}` : ''}`;
		}
		case 'care':
			return `Done: ${rig.care.find(({ id }) => id === happening.task)?.name ?? happening.task}`;
		case 'note':
			return `Note: ${happening.text}`;
	}
}
