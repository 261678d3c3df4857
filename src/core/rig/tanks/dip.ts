import type { Shape } from '../../logbook/index.js';
import {
	defaultRodPlace,
	depthFor,
	fullLitres,
	litresAt,
	rodSpan,
	type Lean,
	type RodPlace
} from './shape.js';

/** How a tank is dipped: its lean, where the rod stands, and the litres below the pump's suction. */
export interface Dipping {
	readonly lean?: Lean | undefined;
	readonly at?: RodPlace | undefined;
	/** litres that the rod sees and the pump does not reach */
	readonly deadL?: number | undefined;
}

/** A depth, mm, and the litres at it. */
export interface DipRow {
	/** wet length of the rod, or height of a mark along it, mm */
	readonly depthMm: number;
	/** litres that serve, above the suction */
	readonly litres: number;
}

const MOST_ROWS = 2000;

/** 0, step, 2·step … up to the end, the end itself last. */
function steps(end: number, step: number, unit: string): readonly number[] {
	if (!(step > 0)) throw new RangeError(`the step is ${step} ${unit}; give one above 0`);
	const whole = Math.floor(end / step + 1e-9);
	if (whole > MOST_ROWS)
		throw new RangeError(`a step of ${step} ${unit} gives ${whole} rows; take a larger one`);
	const list = Array.from({ length: whole + 1 }, (_, i) => i * step);
	return end - whole * step > 1e-6 * step ? [...list, end] : list;
}

const spanMm = (shape: Shape, at: RodPlace): number => {
	const span = rodSpan(shape, at);
	if (!span) throw new RangeError(`the dipstick at x ${at.xMm} mm, y ${at.yMm} mm is outside the tank`);
	return span.topMm - span.footMm;
};

/**
 * The dip table of a tank by depth: litres for every `everyMm` of the rod, its top last.
 *
 * @throws RangeError when the step is not above 0 or too small, or the rod misses the tank
 */
export function dipTable(shape: Shape, everyMm: number, dipping: Dipping = {}): readonly DipRow[] {
	const { lean, at = defaultRodPlace(shape), deadL = 0 } = dipping;
	return steps(spanMm(shape, at), everyMm, 'mm').map((depthMm) => ({
		depthMm,
		litres: Math.max(0, litresAt(shape, depthMm, lean, at) - deadL)
	}));
}

/** The heights at which some volumes stand; volumes that the rod cannot show are left out. */
export function marksFor(shape: Shape, litres: readonly number[], dipping: Dipping = {}): readonly DipRow[] {
	const { lean, at = defaultRodPlace(shape), deadL = 0 } = dipping;
	const spanned = spanMm(shape, at);
	const [least, most] = [litresAt(shape, 0, lean, at), litresAt(shape, spanned, lean, at)];
	return litres
		.filter((l) => l + deadL >= least - 1e-9 && l + deadL <= most + 1e-9)
		.map((l) => ({ depthMm: depthFor(shape, l + deadL, lean, at), litres: l }));
}

/** The dip table of a tank by volume: the height of every `everyL` litres, and of the whole tank. */
export const litreMarks = (shape: Shape, everyL: number, dipping: Dipping = {}): readonly DipRow[] =>
	marksFor(shape, steps(Math.max(0, fullLitres(shape) - (dipping.deadL ?? 0)), everyL, 'L'), dipping);
