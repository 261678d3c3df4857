import { DAY_MS } from '../../time/index.js';
import type { Container, Point, Rig, Stop } from '../../logbook/index.js';
import { instantMs } from '../../logbook/index.js';
import type { StayLoads, WhenToGo } from '../../runs/index.js';
import type { Loads } from '../../rig/index.js';
import { tankById } from '../../rig/index.js';
import { formatDuration, formatHours, formatLitres, type UnitChoice } from '../../units/index.js';
import type { Carrying } from '../../plan/index.js';
import { listed, midSentence } from '../list.js';
import { capital } from '../outlook/stay.js';
import { SERVES, sayTrips } from '../trip/change.js';
import { sayWhen } from '../when.js';
import { sayMass } from './mass.js';
import { sayShown } from './step.js';

const COUNTS = [
	'no',
	'one',
	'two',
	'three',
	'four',
	'five',
	'six',
	'seven',
	'eight',
	'nine',
	'ten',
	'eleven',
	'twelve'
];
const ORDINALS = [
	'',
	'every day',
	'every second day',
	'every third day',
	'every fourth day',
	'every fifth day',
	'every sixth day'
];
const count = (n: number): string => COUNTS[n] ?? String(n);
const loadsWord = (n: number): string => `${count(n)} ${n === 1 ? 'load' : 'loads'}`;
const MINUTES = 60;

function sayHowOften(everyDays: number, trips: number): string {
	if (trips <= 1) return '';
	const days = Math.round(everyDays);
	if (everyDays < 0.75) return `, ${count(Math.round(1 / everyDays))} a day`;
	return `, one ${ORDINALS[days] ?? (days === 7 ? 'a week' : `every ${days} days`)}`;
}

/** What a whole stay asks of a container: `Five loads, one every third day, 20 min each.` */
export function sayStayLoads(stay: StayLoads, units: UnitChoice): string {
	if (stay.loads === 0) return 'No loads needed.';
	const each = stay.minutesEach === undefined ? '' : `, ${formatHours(stay.minutesEach / MINUTES)} each`;
	const often = sayHowOften(stay.everyDays, stay.trips);
	const most = stay.mostLoads > stay.loads ? ` It may be ${count(stay.mostLoads)}.` : '';
	const first = loadsWord(stay.loads);
	return `${capital(first)}${often}${each}; the fullest weighs ${sayMass(stay.heaviestKg, units)}.${most}`;
}

/** How some litres are carried: `3 loads in 2 trips, 18 min, 21 kg the fullest.` */
export function sayLoads({ loads, trips, minutes, heaviestKg }: Loads, units: UnitChoice): string {
	const taking = minutes === undefined ? '' : `, ${formatHours(minutes / MINUTES)}`;
	const together = trips === loads ? '' : ` in ${trips} ${trips === 1 ? 'trip' : 'trips'}`;
	return `${loads} ${loads === 1 ? 'load' : 'loads'}${together}${taking}; the fullest weighs ${sayMass(heaviestKg, units)}.`;
}

/** When to go with the tote: `Grey will just fill Grey tote when Pump meter shows 472.0: Wednesday evening, 22 L.` */
export function sayWhenToGo(
	rig: Rig,
	{ tank, container, fitsL, runsL, atMs, meter }: WhenToGo,
	nowMs: number,
	timeZone: string,
	units: UnitChoice
): string {
	const name = rig.containers.find(({ id }) => id === container)?.name ?? 'The tote';
	const from = tankById(rig, tank)?.name ?? tank;
	if (atMs <= nowMs)
		return `${from} holds ${formatLitres(runsL, units)}, ${name} has room for ${formatLitres(fitsL, units)}: go now, and shut the valve in time.`;
	const when = sayWhen(atMs, nowMs, timeZone);
	const shows = meter ? rig.instruments.find(({ id }) => id === meter.id)?.name : undefined;
	return meter && shows
		? `${from} will just fill ${name} when ${shows} shows ${sayShown(meter.reads)}: ${when}, ${formatLitres(fitsL, units)}.`
		: `${from} will just fill ${name} ${when}: ${formatLitres(fitsL, units)}.`;
}

/** A service that is near where one is without: `No tap at Rook Moor; Low Sarn is near: 3 trips of 1.2 km a way, 45 min.` */
export function sayNear(
	rig: Rig,
	stop: Stop,
	points: readonly Point[],
	carrying: Carrying,
	units: UnitChoice
): string {
	const name = points.find(({ id }) => id === carrying.point)?.name ?? carrying.point;
	const container = rig.containers.find(({ id }) => id === carrying.container)?.name ?? 'the container';
	return `No ${SERVES[carrying.service]} at ${stop.name}; ${name} is near: with ${container} ${sayTrips(carrying, units)}.`;
}

/** Jugs that take turns at the tap: `Jug at the tap until tonight, then Spare jug: 2 days more.` */
export function sayJugs(
	at: string,
	bindsMs: number | undefined,
	spares: readonly { readonly name: string; readonly addsDays: number }[],
	nowMs: number,
	timeZone: string,
	untilMs?: number
): string {
	if (bindsMs === undefined) return `${at} lasts longer than the forecast looks ahead.`;
	const first = `${at} until ${sayWhen(bindsMs, nowMs, timeZone)}`;
	if (spares.length === 0) return `${first}, and no other jug is full.`;
	const days = spares.reduce((sum, { addsDays }) => sum + addsDays, 0);
	return `${first}, then ${listed(spares.map(({ name }) => name))}: ${formatDuration(days)} more, until ${sayWhen(untilMs ?? bindsMs + days * DAY_MS, nowMs, timeZone)}.`;
}

/** A container as it stands in a list: `2 × 20 L for fresh water, 21 kg full, 9 min there and back`. */
export function sayContainer(
	{ carries, capacityL, headroomL, tareKg, count: pieces, minutesPerLoad }: Container,
	units: UnitChoice
): string {
	const many = pieces === 1 ? '' : `${pieces} × `;
	const way = minutesPerLoad === undefined ? '' : `, ${formatHours(minutesPerLoad / MINUTES)} there and back`;
	const full = sayMass(tareKg + capacityL - headroomL, units);
	return `${many}${formatLitres(capacityL, units)} for ${carries} water, ${full} full${way}`;
}

/** A stay at a stop that has no service, lived from a container: `Two weeks at Rook Moor with Grey tote: five loads …` */
export function sayStayAt(
	stop: Stop,
	container: Pick<Container, 'name'>,
	stay: StayLoads,
	units: UnitChoice
): string {
	const days = Math.max(1, Math.round(stay.days));
	const planned = Math.round((instantMs(stop.depart) - instantMs(stop.arrive)) / DAY_MS);
	const length =
		days === 14 ? 'two weeks' : days === 7 ? 'a week' : `${count(days)} ${days === 1 ? 'day' : 'days'}`;
	const during =
		days < planned ? `The last ${days === 1 ? 'day' : length.replace(/^a /, '')}` : capital(length);
	const said = sayStayLoads(stay, units);
	return `${during} at ${stop.name} with ${container.name}: ${midSentence(said)}`;
}
