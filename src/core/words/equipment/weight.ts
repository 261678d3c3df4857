import type { AxleLoad, Spare } from '../../rig/index.js';
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
			return { figure: `${figure} more`, says: 'can come aboard before the payload is used up' };
		case 'room':
			return {
				figure: `${figure} more`,
				says:
					spare.payload === 'allows'
						? 'fits in the fresh tanks, and the payload allows it'
						: 'fits in the fresh tanks',
				...(spare.payload === 'unknown'
					? {
							missing: `The weight plate allows ${formatQuantity(spare.payloadKg, 'mass', units)} for everything. Enter what else is aboard to see whether it allows this water.`
						}
					: spare.payload === 'unstated'
						? { missing: 'Enter the payload from the weight plate under “Change rig” to see its share.' }
						: {})
			};
	}
}

/** What an axle or the hitch may still take: `Rear axle takes 40 kg more.`, `Rear axle is 12 kg over its limit.` */
export function sayAxle({ name, carriesKg, sparesKg }: AxleLoad, units: UnitChoice): string {
	const kg = (mass: number): string => formatQuantity(mass, 'mass', units);
	return sparesKg < 0
		? `${name} is ${kg(-sparesKg)} over its limit: it carries ${kg(carriesKg)}.`
		: `${name} can take ${kg(sparesKg)} more: it carries ${kg(carriesKg)}.`;
}
