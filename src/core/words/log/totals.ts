import type { Totals } from '../../habits/index.js';
import { formatLitres, type UnitChoice } from '../../units/index.js';

const many = (count: number, one: string, more: string): string => `${count} ${count === 1 ? one : more}`;

/** What some entries add up to: `42 L used, 60 L filled, 1 dump`; empty when nothing. */
export const sayTotals = (totals: Totals, units: UnitChoice): string =>
	[
		...(totals.usedL > 0 ? [`${formatLitres(totals.usedL, units)} used`] : []),
		...(totals.filledL > 0 ? [`${formatLitres(totals.filledL, units)} filled`] : []),
		...(totals.unmeasuredFills > 0 ? [`${many(totals.unmeasuredFills, 'fill', 'fills')} unmeasured`] : []),
		...(totals.dumps > 0 ? [many(totals.dumps, 'dump', 'dumps')] : [])
	].join(', ');
