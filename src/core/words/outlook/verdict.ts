import { DAY_MS } from '../../time/index.js';
import { lastingOf, type Forecast, type TankForecast } from '../../forecast/index.js';
import type { Rising } from '../../habits/index.js';
import { instantMs, type Rig, type Tank, type Trip } from '../../logbook/index.js';
import type { Plan, ServiceKind } from '../../plan/index.js';
import { neverBinds, tankById } from '../../rig/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import { mind, plain, spanText, strong, type Span } from '../spans.js';
import { sayWeatherFrom } from '../trip/weatherFrom.js';
import { onDay, sayDay, sayLastDay, sayWhen } from '../when.js';

/** What *Now* says: one sentence of answer, one or two of what there is beside it, and what the trip offers. */
export interface Verdict {
	readonly headline: readonly Span[];
	readonly detail: readonly Span[];
	/** where the trip leads past the next service; empty where no trip is planned, or not yet */
	readonly next: readonly Span[];
	/** the tank that binds first, when one does within the days looked at */
	readonly binds?: string;
}

/** What the verdict of *Now* is made from. */
export interface VerdictInput {
	readonly rig: Rig;
	readonly forecast: Forecast;
	/** days the forecast looked ahead */
	readonly days: number;
	readonly trip?: Trip | undefined;
	readonly plan?: Plan | undefined;
	/** what stands behind a tank and has something to give */
	readonly behind?: ((tank: string) => readonly Tank[]) | undefined;
	/** use that rises with the heat or the work of a stop ahead */
	readonly rising?: Rising | undefined;
	/** how unsure it is how much a day takes here, as a share of it */
	readonly paceDoubt?: number | undefined;
	readonly units?: UnitChoice | undefined;
	readonly atMs: number;
	readonly timeZone: string;
}

const bindingWords = (tank: Tank): string => (tank.holds === 'fresh' ? 'runs low first' : 'is full first');
const boundWords = (tank: Tank): string => (tank.holds === 'fresh' ? 'is down to its reserve.' : 'is full.');

/** The tank that most often binds first. */
const binding = ({ rig, forecast, days }: VerdictInput): Tank | undefined =>
	forecast.autonomyDays.p50 < days ? tankById(rig, forecast.binding[0]?.tank ?? '') : undefined;

function headlineOf(input: VerdictInput, tank: Tank): readonly Span[] {
	const { forecast, atMs, timeZone } = input;
	const known = forecast.tanks.find(({ id }) => id === tank.id);
	const spread = known ? lastingOf(known) : forecast.autonomyDays;
	if (spread.p50 <= 0) return [plain(`${tank.name} `), mind(boundWords(tank))];
	const say = (days: number): string => sayWhen(atMs + days * DAY_MS, atMs, timeZone);
	const [likely, early] = [say(spread.p50), say(Math.min(spread.p10, forecast.autonomyDays.p10))];
	const headline = [plain(`${tank.name} ${bindingWords(tank)}: `), mind(likely)];
	return early === likely ? [...headline, plain('.')] : [...headline, plain(`, ${early} at the earliest.`)];
}

/** The words for the services of a kind, as one finds them on the way. */
const SERVICE_WORDS: Readonly<Record<ServiceKind, string>> = {
	water: 'a tap',
	grey: 'a drain',
	black: 'a dump point'
};

function nextService({ rig, plan, trip, forecast, atMs, timeZone }: VerdictInput): readonly Span[] {
	if (!plan || !trip) return [];
	const stop = trip.stops.find(({ id }) => id === plan.next?.stop);
	const holds = tankById(rig, plan.shortfall?.tank ?? '')?.holds ?? 'fresh';
	if (plan.shortfall && !plan.next)
		return [
			mind(`No stop ahead has ${SERVICE_WORDS[holds === 'fresh' ? 'water' : holds]} in time`),
			plain('.')
		];
	if (!plan.next || !stop) return [plain('You need no fill or dump before the trip ends.')];
	const what = listed(plan.next.what.map((kind) => SERVICE_WORDS[kind]));
	const arriveMs = instantMs(stop.arrive);
	const late = plan.shortfall !== undefined && arriveMs > plan.shortfall.atMs;
	const short = forecast.tanks.find(({ id }) => id === plan.shortfall?.tank);
	const likelyMs = atMs + DAY_MS * (short ? lastingOf(short).p50 : 0);
	const where = strong(`${stop.name} ${onDay(arriveMs, atMs, timeZone)}`);
	// Late at the certainty of the plan, and perhaps in time by the odds.
	const comes = likelyMs > arriveMs ? 'may come ' : 'comes ';
	return late
		? [plain(`The next stop ${comes}`), mind('too late'), plain(`: ${what} at `), where, plain('.')]
		: [plain(`You pass ${what} at `), where, plain('.')];
}

function othersLast(input: VerdictInput, first: Tank): readonly Span[] {
	const { rig, forecast, days, atMs, timeZone } = input;
	const rest = forecast.tanks.flatMap((tank: TankForecast) => {
		const known = tankById(rig, tank.id);
		return known && known.id !== first.id && !neverBinds(rig, known)
			? [{ name: known.name, days: lastingOf(tank).p50 }]
			: [];
	});
	const lasting = rest.filter((tank) => tank.days < days).sort((a, b) => a.days - b.days);
	const byDay = new Map<string, string[]>();
	for (const tank of lasting) {
		const day = sayLastDay(atMs + tank.days * DAY_MS, atMs, timeZone);
		byDay.set(day, [...(byDay.get(day) ?? []), tank.name]);
	}
	const parts = [...byDay].map(
		([day, names], i) =>
			`${listed(names)} ${i > 0 ? 'until' : names.length > 1 ? 'last until' : 'lasts until'} ${day}`
	);
	return parts.length > 0 ? [plain(`${listed(parts)}.`)] : [];
}

/** `That includes Jug, needed tonight.`: what stands behind the tank that binds first, and when it is wanted. */
function counting({ forecast, behind, atMs, timeZone }: VerdictInput, tank: Tank): readonly Span[] {
	const known = forecast.tanks.find(({ id }) => id === tank.id);
	const others = behind?.(tank.id) ?? [];
	if (!known?.withCarried || others.length === 0) return [];
	const names = listed(others.map(({ name }) => name));
	const wantedMs = atMs + known.days.p50 * DAY_MS;
	return known.days.p50 <= 0
		? [plain(`That includes ${names}, `), mind('needed now'), plain('. ')]
		: [plain(`That includes ${names}, needed ${sayWhen(wantedMs, atMs, timeZone)}. `)];
}

/** `32 °C from Thursday: expect to drink 3 L more a day.` Nothing where it comes after the tank that binds first. */
function heatAhead({ rising, forecast, trip, units, atMs, timeZone }: VerdictInput): readonly Span[] {
	if (!rising || rising.fromMs > atMs + forecast.autonomyDays.p90 * DAY_MS) return [];
	const { maxC, exertion } = rising.climate;
	const what = maxC === undefined ? 'Harder days' : formatQuantity(maxC, 'temperature', units);
	const work = maxC !== undefined && exertion > 1 ? ' and harder days' : '';
	const more = `expect to ${rising.drunk ? 'drink' : 'use'} ${formatLitres(rising.moreL, units)} more a day`;
	const stop = trip?.stops.findLast(({ arrive }) => instantMs(arrive) <= rising.fromMs);
	const source = maxC === undefined || !stop ? undefined : sayWeatherFrom(stop);
	const from = source === undefined ? '' : ` (${source})`;
	return [plain(` ${what}${work} from ${sayDay(rising.fromMs, atMs, timeZone)}${from}: ${more}.`)];
}

/** From here on, a forecast is as others live. */
const AS_OTHERS = 0.25;

/** What would tell most of how one lives: a meter before a rod, a rod before a gauge, and litres filled where there is neither. */
function narrowsMost({ instruments }: Rig): string {
	const live = instruments.filter(({ retired }) => !retired);
	const pump = live.find((one) => one.kind === 'meter' && one.place === 'pump');
	const rod = live.find(({ kind }) => kind === 'rod');
	const gauge = live.find(({ kind }) => kind === 'gauge');
	if (pump) return `Read ${pump.name} tomorrow morning to narrow it.`;
	if (rod) return `Dip with ${rod.name} tomorrow morning to narrow it.`;
	if (gauge) return `Look at ${gauge.name} tomorrow morning to narrow it.`;
	return 'Log the litres of your next fill to narrow it.';
}

/** `So far this goes by average use, not yours. …`: in the first days, before anything tells how one lives oneself. */
const asOthers = ({ paceDoubt = 0, rig }: VerdictInput): readonly Span[] =>
	paceDoubt > AS_OTHERS && rig.habits.some(({ retired }) => !retired)
		? [plain(` So far this goes by average use, not yours. ${narrowsMost(rig)}`)]
		: [];

/**
 * One or two plain sentences: which tank binds first, when, how sure, and what the trip offers before that.
 */
export function verdict(input: VerdictInput): Verdict {
	const { rig, forecast, days, trip, plan, atMs, timeZone } = input;
	const tank = binding(input);
	if (rig.tanks.length === 0)
		return { headline: [plain('No tank yet.')], detail: [plain('Add the first one in Rig.')], next: [] };
	if (!tank)
		return {
			headline: [plain(`Every tank lasts more than ${days} days at this rate.`)],
			detail: [...heatAhead(input), ...asOthers(input)],
			next: nextService(input)
		};
	const endMs = trip && Math.max(...trip.stops.map(({ depart }) => instantMs(depart)));
	const lasts =
		endMs !== undefined &&
		endMs > atMs &&
		atMs + forecast.autonomyDays.p10 * DAY_MS >= endMs &&
		plan?.feasible;
	if (lasts && plan?.services.length === 0)
		return {
			headline: [
				plain('Every tank lasts to the end of the trip, '),
				strong(sayDay(endMs, atMs, timeZone)),
				plain('.')
			],
			detail: [
				plain(`${spanText(headlineOf(input, tank))} `),
				...counting(input, tank),
				...heatAhead(input),
				...asOthers(input)
			],
			next: [],
			binds: tank.id
		};
	return {
		headline: headlineOf(input, tank),
		detail: [...counting(input, tank), ...othersLast(input, tank), ...heatAhead(input), ...asOthers(input)],
		next: nextService(input),
		binds: tank.id
	};
}

/** Why a plan falls short, in a sentence. */
export function sayShortfall(
	rig: Rig,
	{ tank: id, atMs, shortL, limitL }: NonNullable<Plan['shortfall']>,
	nowMs: number,
	timeZone: string,
	units: UnitChoice
): string {
	const tank = tankById(rig, id);
	const name = tank?.name ?? id;
	const amount = formatLitres(Math.max(1, shortL), units);
	const limit = formatLitres(limitL, units);
	return tank?.holds === 'fresh'
		? `${name} reaches its reserve of ${limit} ${sayWhen(atMs, nowMs, timeZone)}, before the next tap; ${amount} short.`
		: `${name} reaches ${limit} ${sayWhen(atMs, nowMs, timeZone)}, before you can empty it; ${amount} too much.`;
}
