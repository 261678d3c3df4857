import { formatQuantity, type UnitChoice } from '../../units/index.js';

/** From here on lifting is worth a word, kg. */
const LIFT_KG = 15;
/** From here on it is for two, kg. */
const TOGETHER_KG = 25;

/** A mass in the chosen unit. */
export const sayMass = (kg: number, units: UnitChoice): string => formatQuantity(kg, 'mass', units);

/** The caution of lifting so much; nothing for what is light. */
export function sayLoadOf(kg: number, units: UnitChoice): string | undefined {
	if (kg < LIFT_KG) return undefined;
	const mass = sayMass(kg, units);
	return kg < TOGETHER_KG
		? `${mass}: bend your knees, hold it close, or carry it half full.`
		: `${mass}: lift it together, or use wheels, or fill it less.`;
}
