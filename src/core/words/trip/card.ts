import { zonedTime } from '../../time/index.js';
import {
	instantMs,
	notRetired,
	weatherOfStay,
	type Meter,
	type Rig,
	type Stop,
	type Tank,
	type Trip
} from '../../logbook/index.js';
import type { Drink } from '../../care/index.js';
import type { Plan } from '../../plan/index.js';
import { DRINK_WORDS } from '../outlook/drink.js';
import { usableOf } from '../../rig/index.js';
import { showsAfter } from '../../runs/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';
import { clockText, dayText, sayDays, sayInstant } from '../log/entry.js';
import { capital } from '../outlook/stay.js';
import { sayShown } from '../run/step.js';
import { spanText } from '../spans.js';
import { sayIfShut } from './ifShut.js';
import { sayWeatherFrom } from './weatherFrom.js';
import { doesAt, lastFor, sayDoubtfulTaps, sayOverload } from './plan.js';
import { sayServices } from './point.js';
import { hasFrost, sayLegFrom, sayNights, sayWeatherOf } from './stop.js';

/** A meter of the rig as it was read last. */
export interface MeterRead {
	readonly meter: Meter;
	/** displayed units */
	readonly shows: number;
	readonly atMs: number;
	/** litres that have gone through it since, as far as is known */
	readonly passedL?: number | undefined;
}

/** What a card is made from. */
export interface CardFacts {
	readonly rig: Rig;
	readonly trip: Trip;
	readonly plan: Plan | undefined;
	/** litres now, by tank */
	readonly levels: ReadonlyMap<string, number>;
	/** what is kept for drinking, litres by tank */
	readonly drinkingL?: ReadonlyMap<string, number>;
	/** whether one may drink it, by fresh tank */
	readonly drinks?: ReadonlyMap<string, Drink>;
	readonly meters: readonly MeterRead[];
	readonly nowMs: number;
	readonly units: UnitChoice;
}

/** A stop as it stands on the card. */
export interface CardStop {
	readonly id: string;
	readonly day: string;
	readonly clock: string;
	readonly name: string;
	/** nights, the way there, the weather */
	readonly about: string;
	readonly does: readonly string[];
	readonly lastFor: readonly string[];
	/** what then if it is shut */
	readonly ifShut: readonly string[];
	readonly offers: string;
	readonly past: boolean;
}

/** A trip on a card of two sides: what to do where, and what to look at. */
export interface TripCard {
	readonly title: string;
	readonly stops: readonly CardStop[];
	readonly tanks: readonly { readonly name: string; readonly now: string; readonly limit: string }[];
	readonly meters: readonly string[];
	readonly cautions: readonly string[];
}

function cardStop(stop: Stop, { rig, trip, plan, nowMs, units }: CardFacts): CardStop {
	const { timeZone } = trip;
	const about = [
		sayNights(stop, timeZone),
		stop.legKm > 0 ? `${formatQuantity(stop.legKm, 'distance', units)}${sayLegFrom(stop)}` : '',
		sayWeatherOf(stop, units)
	];
	return {
		id: stop.id,
		day: dayText(zonedTime(instantMs(stop.arrive), timeZone).day),
		clock: clockText(stop.arrive, timeZone),
		name: stop.name,
		about: about.filter((part) => part !== '').join(', '),
		does: doesAt(rig, plan, stop, units, timeZone).map(capital),
		lastFor: lastFor(rig, plan, stop.id),
		ifShut: sayIfShut(
			rig,
			trip,
			(plan?.ifShut ?? []).filter((one) => one.stop === stop.id),
			nowMs,
			units
		).map(spanText),
		offers: stop.services.length > 0 ? sayServices(stop.services) : '',
		past: instantMs(stop.depart) <= nowMs
	};
}

/** At which a tank is to be left alone: its reserve, or what is kept for drinking where that is more. */
const keptOf = ({ id, reserveL }: Tank, drinkingL: CardFacts['drinkingL']): number =>
	Math.max(reserveL, drinkingL?.get(id) ?? 0);

/** What the figures of a meter mean: `about 451 now; Main is at its reserve at 503`. */
function meterLine(
	{ meter, shows, atMs, passedL }: MeterRead,
	{ rig, trip, levels, drinkingL, units }: CardFacts
): string {
	const { timeZone } = trip;
	const read = `${meter.name} read ${sayShown(shows)} on ${sayInstant(atMs, timeZone)}`;
	const tank = rig.tanks.find(({ id }) => id === meter.tank);
	if (meter.place === 'fill')
		return `${read}. Note its figure before a fill; that and the litres you take give where to stop.`;
	const level = levels.get(meter.tank);
	if (meter.place !== 'pump' || !tank || level === undefined || passedL === undefined) return `${read}.`;
	const now = showsAfter(meter, shows, passedL);
	const left = Math.max(0, level - keptOf(tank, drinkingL));
	const end = now === undefined ? undefined : showsAfter(meter, now, left);
	const at = end === undefined ? '' : `; ${tank.name} is at its reserve at about ${Math.round(end)}`;
	return now === undefined
		? `${read}.`
		: `${read}, about ${Math.round(now)} now${at} (${formatLitres(left, units)} from now, unless it is filled).`;
}

const HOT_C = 28;
/** Heavier than this a full vessel is for two, kg. */
const HEAVY_KG = 15;

/** What to mind on this trip, by what is done on it. */
function cautionsOf({ rig, trip, plan, nowMs, units }: CardFacts): readonly string[] {
	const ahead = trip.stops.filter(({ depart }) => instantMs(depart) > nowMs);
	const planned = (plan?.services ?? []).map(({ stop }) => stop);
	const used = ahead
		.filter(({ id }) => planned.length === 0 || planned.includes(id))
		.flatMap(({ services }) => services);
	const has = (...kinds: readonly string[]): boolean => used.some(({ kind }) => kinds.includes(kind));
	const hot = ahead.find(({ weather }) => (weatherOfStay(weather)?.maxC ?? -Infinity) >= HOT_C);
	const cold = ahead.find(hasFrost);
	const sourced = (stop: Stop | undefined): string => {
		const from = stop && sayWeatherFrom(stop);
		return from ? ` (${from})` : '';
	};
	const heavy = rig.tanks.some((tank) => tank.portable && usableOf(tank) + (tank.tareKg ?? 0) > HEAVY_KG);
	const said: readonly (readonly [boolean, string])[] = [
		[
			has('water'),
			'Fill drinking water only where a sign or a person says so, through a drinking-water hose.'
		],
		[
			has('mains'),
			rig.kind === 'boat'
				? 'Use a regulator at the tap; shut the dock’s tap when you leave.'
				: 'Use a regulator at the tap, against burst pipes.'
		],
		[
			has('black', 'grey'),
			rig.kind === 'boat'
				? 'Pump-out: read the cap twice, WASTE. Wear gloves; wash your hands. Use designated places only.'
				: 'Dump black first, then grey, so that the hose ends rinsed. Wear gloves; wash your hands. Use designated places only.'
		],
		[has('grey'), 'Run grey on the ground or overboard only where local rules allow it.'],
		[
			ahead.some(({ noDischarge }) => noDischarge === true),
			'Discharge nothing where you marked it: keep seacock and Y-valve shut and secured.'
		],
		[has('sewer'), 'At a sewer, keep black shut until it is two thirds full, then dump and rinse.'],
		[heavy, 'A full jug or cassette is heavy: lift it together, or fill it less.'],
		[hot !== undefined, `Heat${sourced(hot)}: drink more, and don’t let water age in the tank.`],
		[
			cold !== undefined,
			`Frost at night${sourced(cold)}: keep the heating on and take hoses in; drain the rig if you leave it.`
		],
		[true, 'Figures are calculated, not seen: look into the tank when in doubt. Local rules come first.']
	];
	const ofPlan = plan ? [sayOverload(trip, plan, units), sayDoubtfulTaps(trip, plan)] : [];
	return [
		...ofPlan.filter((text) => text !== undefined),
		...said.filter(([holds]) => holds).map(([, text]) => text)
	];
}

/** A trip on a card. */
export function tripCard(facts: CardFacts): TripCard {
	const { rig, trip, levels, meters, units } = facts;
	return {
		title: `${trip.name}, ${sayDays(trip)}`,
		stops: notRetired(trip.stops).map((stop) => cardStop(stop, facts)),
		tanks: notRetired(rig.tanks).flatMap((tank) => {
			const level = levels.get(tank.id);
			if (level === undefined) return [];
			const serves = usableOf(tank);
			const keptL = keptOf(tank, facts.drinkingL);
			const room = Math.max(0, serves - tank.reserveL - level);
			const limit =
				tank.holds === 'fresh'
					? `of ${formatLitres(serves, units)}${keptL > 0 ? `; stop at ${formatLitres(keptL, units)}` : ''}`
					: `room for ${formatLitres(room, units)}`;
			const drink = facts.drinks?.get(tank.id);
			const doubt = drink === undefined || drink === 'drinking' ? '' : `, ${DRINK_WORDS[drink]}`;
			return [{ name: tank.name, now: `${formatLitres(level, units)}${doubt}`, limit }];
		}),
		meters: meters.map((one) => meterLine(one, facts)),
		cautions: cautionsOf(facts)
	};
}
