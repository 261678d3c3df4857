import { Z90 } from '../../numerics/index.js';
import { dayWriter, utcMidnightMs } from '../../time/index.js';
import type { BesideFlows, Errands, Foreseen, Relived, Review, TankReview } from '../../review/index.js';
import {
	formatDuration,
	formatFigure,
	formatLitres,
	formatMoney,
	formatQuantity,
	type UnitChoice
} from '../../units/index.js';
import { listed } from '../list.js';
import { capital } from '../outlook/stay.js';
import { dayText } from '../log/entry.js';

const many = (count: number, one: string, more = `${one}s`): string => `${count} ${count === 1 ? one : more}`;
const percent = (share: number): string => `${Math.round(100 * Math.abs(share))}%`;

/** Closer than this, two figures are alike. */
const ALIKE = 0.03;

/** How one figure stands to another: `12 % less`, `about the same`. */
export const sayAgainst = (value: number, other: number): string => {
	if (!(other > 0)) return 'nothing to compare with';
	const change = value / other - 1;
	return Math.abs(change) < ALIKE ? 'about the same' : `${percent(change)} ${change < 0 ? 'less' : 'more'}`;
};

/** What a stretch came to, in one line: `19.4 L a day each`. */
export const sayReviewHeadline = ({ perPersonDayL, drawnL }: Review, units: UnitChoice): string =>
	perPersonDayL === undefined
		? `${formatLitres(drawnL, units)} drawn, with nobody aboard`
		: `${formatLitres(perPersonDayL, units)} a day each`;

/** `34 L of that in 2 days without a line.` Nothing where it is little. */
const saySilent = ({ litres, days }: Review['silent'], units: UnitChoice): string =>
	litres < 1
		? ''
		: days < 0.2
			? ` ${formatLitres(litres, units)} of that is still to be logged.`
			: ` ${formatLitres(litres, units)} of that in ${formatDuration(days)} with nothing logged.`;

/** What it rests on: `466 L drawn in 12 days by 2; 40 L of it nobody wrote down`. */
export function sayReviewDetail(
	{ drawnL, drawnSdL, days, personDays, unloggedL, silent }: Review,
	units: UnitChoice
): string {
	const persons = days > 0 ? personDays / days : 0;
	const by = persons > 0 ? ` by ${formatFigure(Number(persons.toFixed(1)))}` : '';
	const give = Z90 * drawnSdL;
	const sure = give > 0.02 * drawnL && give > 0.5 ? `, give or take ${formatLitres(give, units)}` : '';
	const unwritten =
		unloggedL > 0.01 * drawnL && unloggedL > 0.5
			? ` ${formatLitres(unloggedL, units)} of it (${percent(unloggedL / drawnL)}) was not logged; the readings show it.${saySilent(silent, units)}`
			: ' All of it was logged.';
	return `${formatLitres(drawnL, units)} drawn in ${formatDuration(days)}${by}${sure}.${drawnL > 0 ? unwritten : ''}`;
}

/** What of a tank's account nothing explains; nothing where it is little. */
export function sayUnexplained(
	tank: TankReview,
	name: string,
	usableL: number,
	units: UnitChoice
): string | undefined {
	const litres = Math.abs(tank.unexplained);
	if (litres < Math.max(3, 0.05 * usableL)) return undefined;
	return tank.unexplained > 0
		? `${formatLitres(litres, units)} came into ${name} without being logged.`
		: `${formatLitres(litres, units)} left ${name} without being logged.`;
}

/** What water and waste cost: `4 fills and 7 dumps at 5 calls: 12 in fees, 1 h 20, 6 km of detour`. */
export function sayErrands(
	{ fills, dumps, fee, minutes, km, errands, unplaced }: Errands,
	units: UnitChoice
): string {
	if (fills + dumps === 0) return 'Nothing was filled or dumped.';
	const acts = listed([
		...(fills > 0 ? [many(fills, 'fill')] : []),
		...(dumps > 0 ? [many(dumps, 'dump')] : [])
	]);
	const costs = listed([
		...(fee > 0 ? [`${formatMoney(fee)} in fees`] : []),
		...(minutes > 0 ? [`${Math.round(minutes)} minutes`] : []),
		...(km > 0 ? [`${formatQuantity(km, 'distance', units)} of detour`] : [])
	]);
	const calls = errands.length > 0 ? ` at ${many(errands.length, 'visit')}` : '';
	const unknown =
		unplaced > 0
			? ` For ${unplaced === 1 ? 'one of them' : `${unplaced} of them`} the place is not logged.`
			: '';
	return `${capital(acts)}${calls}${costs ? `: ${costs}` : ''}.${unknown}`;
}

/** How often, had one set out full, everything would have had to be served: `3 times, Grey each time`. */
function sayServed({ served }: Relived, nameOf: (tank: string) => string): string {
	if (served.length === 0) return 'not once';
	const tanks = [...new Set(served.map(({ tank }) => tank))].map(nameOf);
	const times = served.length === 1 ? 'once' : served.length === 2 ? 'twice' : `${served.length} times`;
	return `${times}, ${tanks.length === 1 ? `for ${tanks[0]}${served.length > 1 ? ' each time' : ''}` : `for ${listed(tanks)}`}`;
}

/** A stretch as it was and as it would have been, in sentences. */
export function sayRelived(
	was: Relived,
	would: Relived,
	nameOf: (tank: string) => string,
	units: UnitChoice
): readonly string[] {
	const fewer = was.served.length - would.served.length;
	const gist =
		fewer > 0
			? `${fewer} fewer ${fewer === 1 ? 'visit' : 'visits'} to taps and drains.`
			: fewer < 0
				? `${-fewer} more ${fewer === -1 ? 'visit' : 'visits'} to taps and drains.`
				: 'As many visits to taps and drains.';
	const first =
		was.firstDays !== undefined && would.firstDays !== undefined
			? `The first period would have lasted ${formatDuration(would.firstDays)} instead of ${formatDuration(was.firstDays)}.`
			: was.firstDays !== undefined
				? `Nothing would have run low or filled up; as it was, ${nameOf(was.served[0]?.tank ?? '')} did after ${formatDuration(was.firstDays)}.`
				: would.firstDays !== undefined
					? `${nameOf(would.served[0]?.tank ?? '')} would have run low or filled up after ${formatDuration(would.firstDays)}; as it was, nothing did.`
					: 'Either way, nothing runs low or fills up.';
	return [
		gist,
		`Setting out full and stopping only when a tank runs low or fills up: ${sayServed(would, nameOf)}; as it was, ${sayServed(was, nameOf)}.`,
		first,
		Math.abs(would.drawnL - was.drawnL) < 0.01 * was.drawnL
			? `${formatLitres(was.drawnL, units)} drawn either way.`
			: `${formatLitres(would.drawnL, units)} drawn instead of ${formatLitres(was.drawnL, units)}.`
	];
}

const MONTH = dayWriter({ month: 'long', year: 'numeric' });
/** A part of a stretch by its first day: `Wed 21 Apr`, `week of Wed 21 Apr`, `April 2027`. */
export function sayPart(day: string, are: Review['partsAre']): string {
	if (are === 'days') return dayText(day);
	if (are === 'weeks') return `week of ${dayText(day)}`;
	return MONTH(utcMidnightMs(day));
}

/** A stretch against what was to be expected of it, and against its plan. */
export function sayForeseen(
	{ afterFirstDay, perPersonDayL, plan }: Foreseen,
	own: number | undefined,
	units: UnitChoice
): readonly string[] {
	const expected =
		own === undefined || perPersonDayL === undefined
			? 'The log was too short to expect anything.'
			: `Going by ${afterFirstDay ? 'what was known after its first day' : 'how you lived before'}, ${formatLitres(perPersonDayL, units)} a day each was expected: it was ${sayAgainst(own, perPersonDayL)}.`;
	if (!plan) return [expected];
	const { services, feasible, calls, cost } = plan;
	const wanted = `The plan ${afterFirstDay ? 'after its first day' : 'as it began'} wanted ${many(services, 'stop')} for water and waste${cost ? '' : ' by now'}${feasible ? '' : ', and said that it would fall short'}; there ${calls === 1 ? 'was 1 visit' : `were ${calls} visits`}.`;
	return [
		expected,
		cost && (cost.reckoned > 0 || cost.paid > 0)
			? `${wanted} It expected a cost of ${formatMoney(cost.reckoned)}; fees, minutes and detours came to ${formatMoney(cost.paid)}.`
			: wanted
	];
}

/** How a tank's account adds up. */
export const ACCOUNT_ADDS =
	'Start plus in, minus out, gives the end, with all readings in between taken into account.';
/** What a period is replayed with. */
export const REPLAYED_WITH =
	'Choose what would have been different. Every logged use is replayed, and what the readings show of the rest.';

/** `Came in: 40 L from Watermaker. Went out: 12 L given away, 3 L spilled.` Nothing where neither was logged. */
export function sayBeside({ came, went }: BesideFlows, units: UnitChoice): string {
	const inward = came.map(({ name, litres }) => `${formatLitres(litres, units)} from ${name}`);
	const outward = went.map(({ name, litres }) => `${formatLitres(litres, units)} ${name.toLowerCase()}`);
	return [
		...(inward.length > 0 ? [`Came in: ${listed(inward)}.`] : []),
		...(outward.length > 0 ? [`Went out: ${listed(outward)}.`] : [])
	].join(' ');
}
