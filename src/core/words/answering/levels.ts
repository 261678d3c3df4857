import type { Tank } from '../../logbook/index.js';
import { formatLitres, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';

/** How a tank stands, for an answer. */
export interface LevelTold {
	readonly name: string;
	readonly holds: Tank['holds'];
	readonly litres: number;
	/** it is very likely between these */
	readonly low: number;
	readonly high: number;
	readonly usableL: number;
	/** what is poured into it, or stands in for it */
	readonly behind: readonly string[];
	/** litres above its reserve, or up to where it is full; less than nothing beyond that */
	readonly spareL: number;
}

/** From here on doubt is said. */
const DOUBT_L = 1.5;

const between = ({ low, high }: Pick<LevelTold, 'low' | 'high'>, units: UnitChoice): string =>
	high - low > 2 * DOUBT_L
		? ` (likely ${formatLitres(Math.max(0, low), units)} to ${formatLitres(high, units)})`
		: '';

/** `Grey has 20 L of 80 L (likely 17 L to 23 L); 60 L more fits.` */
export function sayLevelOf(level: LevelTold, units: UnitChoice): string {
	const { name, holds, litres, usableL, spareL } = level;
	const beside =
		spareL <= 0
			? holds === 'fresh'
				? 'down to its reserve'
				: 'full'
			: holds === 'fresh'
				? `${formatLitres(spareL, units)} above its reserve`
				: `${formatLitres(spareL, units)} more fits`;
	return `${name} has ${formatLitres(litres, units)} of ${formatLitres(usableL, units)}${between(level, units)}; ${beside}.`;
}

/** All the water aboard: `58 L: Main 38 L, Jug 1 20 L.` */
export function sayWaterAboard(levels: readonly LevelTold[], units: UnitChoice): string {
	const [one] = levels;
	if (!one) return 'This rig has no fresh tank. Add one in Rig.';
	if (levels.length === 1) return sayLevelOf(one, units);
	const sum = levels.reduce((total, { litres }) => total + litres, 0);
	const low = levels.reduce((total, level) => total + Math.max(0, level.low), 0);
	const high = levels.reduce((total, level) => total + level.high, 0);
	const each = listed(levels.map(({ name, litres }) => `${name} ${formatLitres(litres, units)}`));
	return `${formatLitres(sum, units)} aboard${between({ low, high }, units)}: ${each}.`;
}

/** How much more fits: `60 L more fits into Grey.` */
export function sayRoomIn(
	rooms: readonly { readonly name: string; readonly litres: number }[],
	units: UnitChoice
): string {
	return rooms
		.map(({ name, litres }) =>
			litres < 0.05
				? `${name} is full: nothing more fits.`
				: `${formatLitres(litres, units)} more fits into ${name}.`
		)
		.join(' ');
}
