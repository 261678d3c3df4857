import type { Meter } from '../../logbook/index.js';

/** True litres in one displayed unit of a meter, as its bucket test says. */
export const litresPerUnit = ({ unitL, scale = 1 }: Pick<Meter, 'unitL' | 'scale'>): number => unitL * scale;

/** A display that stood in the last twentieth of a round of 1000 units or more and stands in its first tenth rolled over. */
const ROLLS = { leastUnits: 1000, fromShare: 0.95, toShare: 0.1 };

/** How much a display rolled over by between two values, displayed units; 0 when it did not. */
export function rolledBy(before: number, value: number): number {
	const round = 10 ** Math.ceil(Math.log10(before + 1e-9));
	return round >= ROLLS.leastUnits && before >= ROLLS.fromShare * round && value < ROLLS.toShare * round
		? round
		: 0;
}
