import type { Rig, Trip } from '../../logbook/index.js';
import type { IfShut } from '../../plan/index.js';
import { tankById, usableOf } from '../../rig/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';
import { mind, plain, type Span } from '../spans.js';
import { sayWhen } from '../when.js';
import { SERVES } from './change.js';

const nameOf = (trip: Trip, id: string): string => trip.stops.find((stop) => stop.id === id)?.name ?? id;

/** How far it is from one stop of a trip to a later one, by the legs of the trip: `, 30 km on`; nothing where they are not known. */
function howFar(trip: Trip, from: string, to: string, units: UnitChoice): string {
	const [first, last] = [from, to].map((id) => trip.stops.findIndex((stop) => stop.id === id)) as [
		number,
		number
	];
	const km = trip.stops.slice(first + 1, last + 1).reduce((sum, { legKm }) => sum + legKm, 0);
	return km > 0 ? `, ${formatQuantity(km, 'distance', units)} on` : '';
}

const tankBinds = (
	rig: Rig,
	trip: Trip,
	{ tank: id, atMs }: NonNullable<IfShut['binds']>,
	nowMs: number
): string => {
	const tank = tankById(rig, id);
	const binds = tank?.holds === 'fresh' ? 'runs low' : 'is full';
	return `${tank?.name ?? id} ${binds} ${sayWhen(atMs, nowMs, trip.timeZone)}`;
};

/** More than this share of what a tank holds nobody saves or carries. */
const MOST_SAVED = 0.4;

/** What one can do before, where that is little enough: ` (12 L less use before that, or a jug more, would do)`. */
function before(rig: Rig, { tank: id, shortL }: NonNullable<IfShut['binds']>, units: UnitChoice): string {
	const tank = tankById(rig, id);
	if (!tank || !(shortL > 0) || shortL > MOST_SAVED * usableOf(tank)) return '';
	const less = formatLitres(Math.max(1, Math.ceil(shortL)), units);
	if (tank.holds !== 'fresh') return ` (${less} less in it before that would do)`;
	const jug = rig.containers.some(
		({ carries, capacityL, headroomL, retired }) =>
			!retired && carries === 'fresh' && capacityL - headroomL >= shortL
	);
	return ` (${less} less use before that${jug ? ', or a jug more,' : ''} would do)`;
}

/** What happens when one service is shut, without its beginning: `Low Sarn instead, 30 km on`; what binds is to be minded. */
function outcome(rig: Rig, trip: Trip, one: IfShut, nowMs: number, units: UnitChoice): Span {
	if (one.binds) return mind(`${tankBinds(rig, trip, one.binds, nowMs)}${before(rig, one.binds, units)}`);
	return plain(
		one.then === undefined
			? 'your tanks last all the same'
			: `${nameOf(trip, one.then)} instead${howFar(trip, one.stop, one.then, units)}`
	);
}

/**
 * What happens when a service that is planned at a stop is found shut, in half a line each: `If it is shut: Low Sarn instead, 30 km on.`
 * Services for which it is the same are told together.
 *
 * @param at the name of the stop, where it is not told beside it: `If Tamsel Ford is shut: …`
 */
export function sayIfShut(
	rig: Rig,
	trip: Trip,
	all: readonly IfShut[],
	nowMs: number,
	units: UnitChoice,
	at?: string
): readonly (readonly Span[])[] {
	const told = new Map<string, { readonly kinds: string[]; readonly span: Span }>();
	for (const one of all) {
		const span = outcome(rig, trip, one, nowMs, units);
		const known = told.get(span.text);
		if (known) known.kinds.push(SERVES[one.kind]);
		else told.set(span.text, { kinds: [SERVES[one.kind]], span });
	}
	return [...told.values()].map(({ kinds, span }) => [
		plain(
			told.size === 1
				? `If ${at ?? 'it'} is shut: `
				: `If the ${kinds.join(' or ')}${at === undefined ? '' : ` at ${at}`} is shut: `
		),
		{ ...span, text: `${span.text}.` }
	]);
}

/** Why no plan survives every service being shut: the one that can't be spared. */
export function sayUnspared(rig: Rig, trip: Trip, { stop, kind, binds }: IfShut, nowMs: number): string {
	const where = `the ${SERVES[kind]} at ${nameOf(trip, stop)}`;
	return binds
		? `No plan works with any one tap or drain shut: without ${where}, ${tankBinds(rig, trip, binds, nowMs)}.`
		: `No plan works without ${where}.`;
}
