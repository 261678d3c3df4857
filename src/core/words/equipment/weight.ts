import type { Spare } from '../../rig/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';

/** The answer to "how much more may come?": a figure, and what it is. */
export interface SpareWords {
	readonly figure: string;
	readonly says: string;
	/** what would have to be known to say more; absent when nothing is missing */
	readonly missing?: string;
}

/** How much fresh water may still come aboard, as far as it is known. */
export function saySpare(spare: Spare, units: UnitChoice): SpareWords {
	const figure = formatLitres(spare.litres, units);
	switch (spare.limit) {
		case 'payload':
			return { figure: `${figure} more`, says: 'may come aboard before the payload is used up' };
		case 'room':
			return {
				figure: `${figure} more`,
				says:
					spare.payload === 'allows'
						? 'fit in the fresh tanks, and the payload allows it'
						: 'fit in the fresh tanks',
				...(spare.payload === 'unknown'
					? {
							missing: `The plate allows ${formatQuantity(spare.payloadKg, 'mass', units)} for everything. Say what else is aboard of it, and you see whether the payload allows this water.`
						}
					: spare.payload === 'unstated'
						? { missing: 'Put the payload of the plate into “Change rig” to see its share.' }
						: {})
			};
	}
}

const EVEN_KGM = 0.5;

/** A moment about the datum, by its two ways: `12 fore`, `even`. */
export const sayMoment = (kgM: number, plus: string, minus: string): string =>
	Math.abs(kgM) < EVEN_KGM ? 'even' : `${Math.round(Math.abs(kgM))} ${kgM > 0 ? plus : minus}`;
