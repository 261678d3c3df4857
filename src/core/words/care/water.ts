import type { Drink, DrinkReason, WaterAge, WaterState, WaterWarning } from '../../care/index.js';
import { DRINK_WORDS } from '../outlook/drink.js';
import { formatDuration, formatQuantity, type UnitChoice } from '../../units/index.js';

/** How old the water in a tank is: `4 days on average; nine tenths younger than 9 days`. */
export function sayWaterAge({ meanDays, oldDays, atLeast }: WaterAge): string {
	const mean = `${formatDuration(Math.max(meanDays, 1 / 24))} on average`;
	const old = oldDays > 1.2 * meanDays ? `, a tenth of it older than ${formatDuration(oldDays)}` : '';
	return `${atLeast ? 'at least ' : ''}${mean}${old}`;
}

/** Why a water is what it is. */
function sayReason(why: DrinkReason, drink: Drink, nameOf: (tank: string) => string): string {
	switch (why.kind) {
		case 'nothing-known':
			return 'Where it came from is not logged.';
		case 'filled':
			if (drink === 'drinking') return 'It came from a source that is drinking water.';
			return drink === 'washing'
				? 'Water that is not for drinking went in.'
				: 'Water went in that is not known to be drinking water.';
		case 'poured':
			return `It was poured in from ${nameOf(why.from)}.`;
		case 'sanitised':
			return 'It was sanitised and not filled since: the dose is still in it. Drain it, rinse it, then fill.';
		case 'disinfected':
			return 'A dose for drinking water was put in; what is filled after it is as good as its own source.';
	}
}

/** What to do with it. */
const SAY_USE: Readonly<Record<Drink, string>> = {
	drinking: '',
	treated: '',
	unsure:
		'Look for the sign or ask; boil it or treat it as your health authority says. What is mixed in stays: only sanitising and filling again clears it.',
	washing:
		'For bodies and floors: not for drinking, dishes, teeth, ice, cooking or pets. Only sanitising it and filling it again clears it; running it dry does not.'
};

/** Whether one may drink what is in a tank, and why, in a sentence or two. */
export const sayDrink = (
	{ drink, why }: Pick<WaterState, 'drink' | 'why'>,
	nameOf: (tank: string) => string
): string => `${sayReason(why, drink, nameOf)} ${why.kind === 'sanitised' ? '' : SAY_USE[drink]}`.trim();

/** Whether one may drink what is in a tank, answered. */
export function sayDrinkAnswer(
	name: string,
	state: Pick<WaterState, 'drink' | 'why'>,
	nameOf: (tank: string) => string
): string {
	const answers = {
		drinking: `Yes, as far as it is logged: ${name} is drinking water.`,
		treated: `Yes, as far as it is logged: ${name} is treated.`,
		unsure: `Not known: ${name} is not known to be drinking water.`,
		washing: `No: ${name} is for washing only.`
	} as const;
	return `${answers[state.drink]} ${sayDrink(state, nameOf)}`.trim();
}

/** What is to be minded of a tank's water. */
export function sayWaterWarning(
	warning: WaterWarning,
	nameOf: (tank: string) => string,
	units: UnitChoice
): string {
	const tank = nameOf(warning.tank);
	if (warning.kind === 'doubtful')
		return `${tank}, ${DRINK_WORDS[warning.drink]}. ${sayDrink(warning, nameOf)}`;
	const warm =
		warning.maxC === undefined || warning.maxC < 25
			? ''
			: ` With ${formatQuantity(warning.maxC, 'temperature', units)} by day it ages faster.`;
	return `Water in ${tank} is up to ${formatDuration(warning.days)} old.${warm} Use it for washing. Drink it only as your health authority advises.`;
}

/** What water makes of a tank as it goes in; nothing for drinking water. */
export function sayGoingIn(potable: boolean | undefined): string | undefined {
	if (potable === true) return undefined;
	const then =
		potable === false
			? 'With this, all that is in it is for washing bodies and floors only, not for dishes, teeth or ice,'
			: 'With this, you can’t know whether you may drink what is in it,';
	return `Fill a drinking-water tank only with what a sign or a person says is drinking water. ${then} until it is sanitised and filled again: diluting does not clear it.`;
}
