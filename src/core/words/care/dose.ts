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

const percent = (value: number): string => `${Number(value.toFixed(2))} %`;

/** Why a dose is refused, and what to do instead. */
export function sayRefusal(refused: DoseRefusal, units: UnitChoice): string {
	switch (refused.kind) {
		case 'no-volume':
			return 'Say how much the tank holds, and what the label asks for: without it there is no dose.';
		case 'strength':
			return `A strength of ${percent(refused.percent)} is not on the label of any household bleach: it says between ${percent(refused.least)} and ${percent(refused.most)}. Look again.`;
		case 'too-strong':
			return `${formatFigure(refused.mgPerL)} mg/L is over the usual maximum of ${formatFigure(refused.most)} mg/L: it harms seals and is not rinsed out. Soak longer instead.`;
		case 'too-weak':
			return `Less than ${formatFigure(refused.least)} mg/L does not sanitise a tank.`;
		case 'product':
			return refused.product === 'scented-bleach'
				? 'Only plain, unscented bleach without thickener or detergent belongs into a drinking-water tank.'
				: 'For another product its own label counts: dose, soak and rinse as it says. This sum is for plain chlorine bleach alone.';
		case 'mixed':
			return refused.inside === 'acid'
				? 'Never together with vinegar, descaler or any acid: that sets chlorine gas free. Rinse the acid out first, twice, with the windows open.'
				: refused.inside === 'ammonia'
					? 'Never together with ammonia or what contains it: the gas is poisonous. Rinse it out first, twice, with the windows open.'
					: 'Never on top of another product: rinse that out first.';
		case 'cannot-rinse':
			return `${formatLitres(refused.staysL, units)} stay in the tank when it is drained: it could not be rinsed clear. Find out why first.`;
	}
}

/** What to do with a dose, step by step. */
export function sayDose(dose: SanitisingDose, units: UnitChoice): readonly string[] {
	const { ml, treatedL, soakHours, rinses, rinseL, leavesMgPerL } = dose;
	return [
		`${formatMl(ml, units)} of plain, unscented bleach for ${formatLitres(treatedL, units)}. Dilute it in a bucket of water first, pour it in, then fill up.`,
		'Run every tap, hot and cold, until it smells of chlorine; the heater is off and bypassed where its maker asks for it.',
		`Let it soak for ${soakHours} h, longer where the label says so.`,
		`Drain, and rinse ${rinses === 2 ? 'twice' : `${rinses} times`}: ${formatLitres(rinseL, units)} of drinking water in all. ${leavesMgPerL < 0.1 ? 'Next to nothing' : `About ${formatFigure(leavesMgPerL)} mg/L`} is left then. Still a smell: once more.`
	];
}

/** The word that comes before every dose. */
export const DOSE_CAUTION =
	'The health authority’s word and the product’s label come first. Plain and unscented, never mixed with anything; gloves, eyes, air. Waste with chlorine in it goes where that is allowed.';
