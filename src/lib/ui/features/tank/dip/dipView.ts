import type { Rod, Shape, Tank } from '$core/logbook';
import { dipTable, litreMarks, marksFor, type DipRow, type Dipping } from '$core/rig';
import { formatLitres, formatQuantity, toBase, type UnitChoice } from '$core/units';
import { range } from 'd3-array';

/** How a dip table is stepped: by depth, by volume, or one mark for each day of use. */
export type Stepping = 'mm5' | 'mm10' | 'L5' | 'L10' | 'days';

export const STEPPINGS = (
	units: UnitChoice
): readonly { readonly value: Stepping; readonly label: string }[] => {
	const inches = units.length === 'in';
	const gallons = units.volume !== 'L';
	return [
		{ value: 'mm5', label: inches ? 'every quarter inch' : 'every 5 mm' },
		{ value: 'mm10', label: inches ? 'every half inch' : 'every 10 mm' },
		{ value: 'L5', label: gallons ? 'every gallon' : 'every 5 L' },
		{ value: 'L10', label: gallons ? 'every 2 gallons' : 'every 10 L' },
		{ value: 'days', label: 'one mark a day of use' }
	];
};

export interface DipLine extends DipRow {
	/** what is written at the mark: litres, or the day */
	readonly label: string;
}

/** The rows of a dip table as chosen, each with what is written beside its mark. */
export function dipLines(
	tank: Tank & { readonly shape: Shape },
	stepping: Stepping,
	dipping: Dipping,
	units: UnitChoice,
	/** litres at each coming dawn, with the day */
	days: readonly { readonly label: string; readonly litres: number }[]
): readonly DipLine[] {
	const { shape } = tank;
	const fine = stepping === 'mm5' || stepping === 'L5' ? 1 : 2;
	const labelled = (rows: readonly DipRow[]): readonly DipLine[] =>
		rows.map((row) => ({ ...row, label: formatLitres(row.litres, units) }));
	if (stepping === 'days')
		return days.flatMap(({ label, litres }) =>
			marksFor(shape, [litres], dipping).map((row) => ({
				...row,
				label: `${label}, ${formatLitres(litres, units)}`
			}))
		);
	if (stepping === 'mm5' || stepping === 'mm10')
		return labelled(dipTable(shape, units.length === 'in' ? fine * 0.25 * 25.4 : fine * 5, dipping));
	return labelled(litreMarks(shape, units.volume === 'L' ? fine * 5 : toBase(fine, units.volume), dipping));
}

export const depthText = (mm: number, units: UnitChoice): string =>
	units.length === 'in'
		? `${(mm / 25.4).toFixed(2)}\u00a0in`
		: formatQuantity(Math.round(mm), 'length', units);

/** A page takes this much of a strip, mm; longer ones are cut and taped together. */
const PAGE_MM = 240;

/** The pieces of a strip from the floor up to a depth, each no longer than a page, mm. */
export const stripsOf = (topMm: number): readonly { readonly from: number; readonly to: number }[] =>
	range(0, Math.max(1, topMm), PAGE_MM).map((from) => ({
		from,
		to: Math.min(Math.max(1, topMm), from + PAGE_MM)
	}));

/** Depths that can carry a label: from the floor up, each at least so far above the last that has one, mm. */
export function clearOf(depths: readonly number[], apartMm: number): ReadonlySet<number> {
	const kept = new Set<number>();
	let last = -Infinity;
	for (const depth of [...depths].sort((a, b) => a - b)) {
		if (depth - last < apartMm) continue;
		kept.add(depth);
		last = depth;
	}
	return kept;
}

/** The rod that dips a tank, when there is one. */
export const rodOf = (
	instruments: readonly { readonly kind: string; readonly tank: string }[],
	tank: string
) => instruments.find((one): one is Rod => one.kind === 'rod' && one.tank === tank);
