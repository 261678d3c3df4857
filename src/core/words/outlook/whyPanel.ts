import type { WhyLasting } from '../../habits/index.js';
import { Z90, type Spread } from '../../numerics/index.js';
import { formatFigure, formatLitres, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';
import { plain, strong, type Span } from '../spans.js';

/** Within what the level is: `Very likely between 55 L and 63 L, of 90 L usable.` */
export const sayLevelRange = (
	{ low, high, usableL }: { readonly low: number; readonly high: number; readonly usableL: number },
	units: UnitChoice
): readonly Span[] => [
	plain('Very likely between '),
	strong(formatLitres(low, units)),
	plain(' and '),
	strong(formatLitres(high, units)),
	plain(` (9 in 10), of ${formatLitres(usableL, units)} usable.`)
];

const dayWord = (figure: number): string => `${formatFigure(figure)} ${figure === 1 ? 'day' : 'days'}`;

/** The sum behind the days: `Grey has 18 L of room until it is at 50 L. An average day uses 6 L of it: about 3 days.` */
export function sayLastingSum(
	name: string,
	fresh: boolean,
	{ roomL, limitL, behind, perDayL }: WhyLasting,
	units: UnitChoice
): readonly Span[] {
	const say = (litres: number): string => formatLitres(litres, units);
	const until = fresh
		? ` until it is down to its reserve of ${say(limitL)}`
		: ` of room until it is at ${say(limitL)}`;
	const also =
		behind.length > 0
			? `, including ${listed(behind.map(({ tank, litres }) => `${say(litres)} in ${tank.name}`))}`
			: '';
	const has = [plain(`${name} has `), strong(say(roomL)), plain(`${until}${also}. `)];
	return perDayL > 0
		? [
				...has,
				plain('An average day uses '),
				strong(say(perDayL)),
				plain(' of it: about '),
				strong(dayWord(roomL / perDayL)),
				plain('.')
			]
		: [...has, plain('None of your habits uses it.')];
}

/** How far the days may differ from that. */
export const sayDaysRange = ({ p10, p90 }: Spread): string =>
	`Days differ, and the level is not exact: 1 in 10 that it is less than ${dayWord(p10)}, 1 in 10 that it is more than ${dayWord(p90)}.`;

/** What a habit takes: `You entered 8 L, give or take 2 L. It is now estimated at 7.1 L, give or take 0.6 L.` */
export function sayHabitWhy(
	entered: { readonly mean: number; readonly sd: number },
	estimated: { readonly litresEach: number; readonly sd: number },
	units: UnitChoice
): readonly Span[] {
	const say = (litres: number): string => formatLitres(litres, units);
	return [
		plain(`You entered ${say(entered.mean)}, give or take ${say(Z90 * entered.sd)}. It is now estimated at `),
		strong(say(estimated.litresEach)),
		plain(`, give or take ${say(Z90 * estimated.sd)}.`)
	];
}

/** How much of that is the person's own figure. */
export const sayOwnShare = (share: number): string =>
	`${Math.round(100 * share)}% of this is your own figure. The rest was learned from these: a measured use counts most, and a reading tells about everything since the last one.`;

/** What to do where nothing in the log tells of a habit, or of a tank. */
export const sayNothingLearned = (habit: string): string =>
	`Nothing in the log has refined it yet: it is your own figure. Measure one (${habit.toLowerCase()} with litres in the line below), or read an instrument before and after.`;
export const NOTHING_OF_TANK =
	'Nothing is logged for this tank yet: it may be at any level. Fill it to the brim, empty it or read an instrument, and log that.';
