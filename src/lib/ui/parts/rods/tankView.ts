import type { Assessment } from '$core/now';
import type { Rig, Tank } from '$core/logbook';
import { formatFigure, formatLitres, fromBase, type UnitChoice } from '$core/units';
import { isCarried } from '$core/rig';
import { DRINK_WORDS, sayBehind, sayBetween, sayFirst, sayLasting, sayRod } from '$core/words';
import type { RodFacts } from './rodGeometry';

/** A tank as the rods show it: figures and words, ready to be drawn. */
export interface TankView {
	readonly id: string;
	readonly name: string;
	readonly holds: Tank['holds'];
	readonly carried: boolean;
	readonly first: boolean;
	readonly facts: RodFacts;
	/** `62 L` */
	readonly level: string;
	/** `± 4` */
	readonly give: string;
	/** `4½ days` */
	readonly lasts: string;
	/** `Sunday morning` */
	readonly until: string;
	/** `+ 18 L in Jug`; nothing where nothing stands behind it */
	readonly behind: string;
	/** `washing only`; nothing where it is drinking water, or not for drinking at all */
	readonly drink: string;
	/** `fills first`; nothing where another one does */
	readonly limits: string;
	/** all of it in sentences */
	readonly label: string;
}

/** Of less than this nobody asks whether one may drink it. */
const LEAST_L = 0.5;

/** The tanks of a rig as rods, in the order of the rig. */
export function tankViews(
	rig: Rig,
	assessment: Assessment,
	units: UnitChoice,
	timeZone: string
): readonly TankView[] {
	return rig.tanks.flatMap((tank): readonly TankView[] => {
		const level = assessment.levels.tanks.find(({ id }) => id === tank.id);
		if (!level) return [];
		const outlook = assessment.tanks.find(({ id }) => id === tank.id);
		const carried = isCarried(rig, tank);
		const words = sayLasting(
			{ holds: tank.holds, carried, litres: level.litres },
			outlook ?? {},
			assessment.atMs,
			timeZone
		);
		const first = outlook?.bindsFirst ?? false;
		const ends = assessment.levels.silent?.tanks.find(({ id }) => id === tank.id);
		const shown = ends ? sayBetween(ends.livedL, ends.awayL, units) : formatLitres(level.litres, units);
		const give = ends ? '' : `±\u00a0${formatFigure(fromBase((level.high - level.low) / 2, units.volume))}`;
		const behind = sayBehind(rig, tank.holds, outlook?.behind, units);
		const drink =
			outlook?.drink && outlook.drink !== 'drinking' && level.litres >= LEAST_L
				? DRINK_WORDS[outlook.drink]
				: '';
		return [
			{
				id: tank.id,
				name: tank.name,
				holds: tank.holds,
				carried,
				first,
				facts: {
					holds: tank.holds,
					usableL: level.usableL,
					litres: level.litres,
					low: level.low,
					high: level.high,
					reserveL: tank.reserveL,
					drinkingL: outlook?.drinkingL,
					flags: outlook?.flags ?? []
				},
				level: shown,
				give,
				...words,
				behind,
				drink,
				limits: first ? sayFirst(tank.holds) : '',
				label: sayRod({
					...{ name: tank.name, holds: tank.holds, first, ...words },
					level: give === '' ? shown : `${shown} ${give}`,
					usable: formatLitres(level.usableL, units),
					more: [behind, drink]
				})
			}
		];
	});
}
