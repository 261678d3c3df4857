import type { WaterAge, WaterWarning } from '../../care/index.js';
import { formatDuration, formatQuantity, type UnitChoice } from '../../units/index.js';

const percent = (share: number): string => `${Math.max(1, Math.round(100 * share))} %`;

/** How old the water in a tank is: `4 days on average; nine tenths younger than 9 days`. */
export function sayWaterAge({ meanDays, oldDays, atLeast }: WaterAge): string {
	const mean = `${formatDuration(Math.max(meanDays, 1 / 24))} on average`;
	const old = oldDays > 1.2 * meanDays ? `, a tenth of it older than ${formatDuration(oldDays)}` : '';
	return `${atLeast ? 'at least ' : ''}${mean}${old}`;
}

/** What is to be minded of a tank's water. */
export function sayWaterWarning(warning: WaterWarning, tank: string, units: UnitChoice): string {
	switch (warning.kind) {
		case 'old': {
			const warm =
				warning.maxC === undefined || warning.maxC < 25
					? ''
					: ` With ${formatQuantity(warning.maxC, 'temperature', units)} by day it ages faster.`;
			return `Water in ${tank} is up to ${formatDuration(warning.days ?? 0)} old.${warm} For washing; whether to drink it, boil or filter it is your local authority’s call.`;
		}
		case 'not-drinking':
			return `${percent(warning.share ?? 0)} of what is in ${tank} came from a tap that is not for drinking: wash with it. Boil or filter only as your local authority says.`;
		case 'nobody-said':
			return `${percent(warning.share ?? 0)} of what is in ${tank} came from a tap of which nobody has said that it is drinking water. Ask, look for the sign, or boil or filter as your local authority says.`;
	}
}
