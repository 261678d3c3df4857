export { parseNumber } from './number.js';
export {
	fromBase,
	METRIC,
	parseQuantity,
	toBase,
	unitNamed,
	unitSymbol,
	type Measurand,
	type UnitChoice,
	type UnitId
} from './quantity.js';
export {
	formatDuration,
	formatFigure,
	formatHours,
	formatLitres,
	formatPlain,
	formatQuantity
} from './format.js';
export { formatMoney } from './money.js';
export { UNIT_CHOICES, VOLUME_CHOICES, unitsOfMeter } from './choices.js';
