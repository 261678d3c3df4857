import type { DoseRefusal, SanitisingDose } from '../../care/index.js';
import { formatFigure, formatLitres, type UnitChoice } from '../../units/index.js';

const FLUID_OUNCES = {
	usGal: { ml: 29.5735295625, name: 'US fl oz' },
	impGal: { ml: 28.4130625, name: 'imp fl oz' }
} as const;

/** What small volumes are given in, beside a person's unit of volume: its name, and the millilitres of one. */
export const smallUnit = ({ volume }: UnitChoice): { readonly name: string; readonly ml: number } =>
	volume === 'usGal' || volume === 'impGal' ? FLUID_OUNCES[volume] : { name: 'mL', ml: 1 };

/** A small volume in the person's units: `148 mL`, `5 US fl oz`. */
export function formatMl(ml: number, units: UnitChoice): string {
	const unit = smallUnit(units);
	return `${formatFigure(ml / unit.ml)}\u00a0${unit.name}`;
}

const percent = (value: number): string => `${Number(value.toFixed(2))}%`;

/** Why a dose is refused, and what to do instead. */
export function sayRefusal(refused: DoseRefusal, units: UnitChoice): string {
	switch (refused.kind) {
		case 'no-volume':
			return 'Enter how much water there is and what the label says: without both there is no dose.';
		case 'strength':
			return `No household bleach is sold at ${percent(refused.percent)}: labels say between ${percent(refused.least)} and ${percent(refused.most)}. Check the label.`;
		case 'too-strong':
			return `${formatFigure(refused.mgPerL)} mg/L is over the usual limit of ${formatFigure(refused.most)} mg/L: it harms seals and is hard to rinse out. Use a weaker dose and soak longer.`;
		case 'too-weak':
			return `Less than ${formatFigure(refused.least)} mg/L does not sanitise a tank.`;
		case 'too-old':
			return `Bleach older than ${refused.most} years has lost too much to rely on. Buy a new bottle.`;
		case 'product':
			return refused.product === 'scented-bleach'
				? 'Use only plain, unscented bleach without thickener or detergent in a drinking-water tank.'
				: 'Follow the label of that product: its dose, its soak, its rinse. This sum is for plain chlorine bleach only.';
		case 'mixed':
			return refused.inside === 'acid'
				? 'Never mix it with vinegar, descaler or any acid: that releases chlorine gas. Rinse the acid out first, twice, with the windows open.'
				: refused.inside === 'ammonia'
					? 'Never mix it with ammonia or a cleaner that contains it: the gas is poisonous. Rinse it out first, twice, with the windows open.'
					: 'Never add it on top of another product. Rinse that out first.';
		case 'not-for-drinking':
			return 'Use only a product sold to treat drinking water, and dose it by its own label. Bleach for sanitising is another job: see above.';
		case 'cannot-rinse':
			return `${formatLitres(refused.staysL, units)} stays behind after draining: you couldn’t rinse the chlorine out. Open the low points and the heater drain, or find out why so much stays.`;
	}
}

/** What of a rig bears on sanitising it. */
export interface SanitisedRig {
	/** it makes its own water, through a membrane */
	readonly watermaker: boolean;
	readonly lowPoints: boolean;
}

/** What to do with a dose, step by step. */
export function sayDose(
	{ ml, treatedL, soakHours, rinses, rinseL, leavesMgPerL, percent: strength }: SanitisingDose,
	{ watermaker, lowPoints }: SanitisedRig,
	units: UnitChoice
): readonly string[] {
	const drained = lowPoints
		? 'Drain the tank, and heater and pipes by their low points.'
		: 'Drain the tank. What is in heater and pipes stays, so it takes more rinses.';
	const left =
		leavesMgPerL < 0.1
			? 'Almost nothing is left after that.'
			: `About ${formatFigure(leavesMgPerL)} mg/L is left after that.`;
	return [
		'Take charcoal and membrane cartridges out of their housings, and leave them out.',
		...(watermaker ? ['Shut off the watermaker’s flush line: chlorine ruins its membrane.'] : []),
		'Keep the heater off. Let it fill with treated water; bypass it if its maker says so.',
		`Dilute ${formatMl(ml, units)} of plain, unscented bleach (calculated at ${percent(strength)}) in a bucket of water. Pour it into the empty tank, then fill up: ${formatLitres(treatedL, units)} in all.`,
		'Run every tap, cold and hot, shower and toilet too, until each smells of chlorine.',
		`Leave it for ${formatFigure(soakHours)} h, longer if the label says so.`,
		drained,
		`Rinse ${rinses === 2 ? 'twice' : `${rinses} times`} with drinking water, ${formatLitres(rinseL, units)} in all: fill, run every tap, hot too, and drain as before. ${left}`,
		'If it still smells of chlorine, rinse again. Then put the cartridges back.'
	];
}

/** The word that comes before every sanitising dose. */
export const DOSE_CAUTION =
	'The product’s label and your health authority come first. Use plain, unscented bleach, and never mix it with anything. Wear gloves and eye protection; open the windows. Dispose of chlorinated water only where that is allowed.';

/** The word that comes before treating the water that one drinks. */
export const WATER_DOSE_CAUTION =
	'Use only a product sold for drinking water: take dose and waiting time from its label. It doesn’t make dirty, salty or chemically polluted water safe; don’t drink that, and follow your health authority.';
