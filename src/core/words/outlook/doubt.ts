import type { Doubt } from '../../estimate/index.js';
import { formatLitres, METRIC, type UnitChoice } from '../../units/index.js';

/** Why a reading is left out, in a sentence. */
export function sayDoubt({ cause }: Pick<Doubt, 'cause'>, units: UnitChoice = METRIC): string {
	const litres = (value: number): string => formatLitres(value, units);
	switch (cause.kind) {
		case 'unexplained':
			return `It says ${litres(cause.saysL)}; everything else says ${litres(cause.believedL)}, give or take ${litres(cause.bandL)}.`;
		case 'reset':
			return `It shows ${cause.shows}, on the wrong side of the ${cause.from} from which it counts ${cause.counts}. It was probably reset; it counts from here.`;
		case 'mistyped':
			return cause.meant === undefined
				? 'It fits neither what was read before nor what was read after. It was probably mistyped.'
				: `It does not fit, and ${cause.meant} would. Was it mistyped?`;
		case 'off-curve':
			return 'This reading is not in the gauge’s calibration.';
		case 'no-shape':
			return 'The tank has no shape yet, so a depth can’t be turned into litres. Add its shape in Rig.';
		case 'below-nothing':
			return `It shows ${cause.shows}, and no reading can be below 0. Look again, or enter it without the minus.`;
	}
}
