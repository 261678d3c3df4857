import { formatFigure, formatLitres, fromBase, type UnitChoice } from '../../units/index.js';
import { sayInstant } from '../log/entry.js';

/** A silence, told by one tank. */
export interface SilenceWords {
	readonly sinceMs: number;
	/** the tank, and what may be in it, litres */
	readonly tank: string;
	readonly livedL: number;
	readonly awayL: number;
	readonly timeZone: string;
	readonly units?: UnitChoice | undefined;
}

/** `Nothing logged since Sun 14 Jun 13:18. If you lived as usual, Main has about 18 L; if you were away, 52 L.` */
export const saySilence = ({ sinceMs, tank, livedL, awayL, timeZone, units }: SilenceWords): string =>
	`Nothing logged since ${sayInstant(sinceMs, timeZone)}. If you lived as usual, ${tank} has about ${formatLitres(livedL, units)}; if you were away, ${formatLitres(awayL, units)}.`;

/** Both ends in one figure: `18–52 L`. */
export const sayBetween = (oneL: number, otherL: number, units: UnitChoice): string => {
	const [low, high] = [Math.min(oneL, otherL), Math.max(oneL, otherL)];
	return formatLitres(low, units) === formatLitres(high, units)
		? formatLitres(low, units)
		: `${formatFigure(fromBase(low, units.volume))}–${formatLitres(high, units)}`;
};
