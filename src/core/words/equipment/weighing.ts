import { formatQuantity, type UnitChoice } from '../../units/index.js';

/** What water weighs. */
export const WATER_WEIGHS = 'A litre weighs a kilogram.';

/** What the figures of a load rest on. */
export const LIMITS_CAUTION = 'Payload and axle limits: the weighbridge and the weight plate decide.';

/** The same where axles and hitch are told. */
export const WEIGHING_CAUTION =
	'The weight plates and a weighbridge decide on payload, each axle and the hitch. This is water and waste only.';

/** What a total counts beside the levels. */
export const TOTAL_COUNTS =
	'Total counts heater and pipes, the empty weight of jugs and cassettes, and water the pump can’t reach.';

/** By how much a full rig is over its payload. */
export const sayOverFull = (overKg: number, units: UnitChoice): string =>
	`Full, it would be ${formatQuantity(overKg, 'mass', units)} over the payload. Take less water, or leave something behind.`;

/** An axle or the hitch over its limit. */
export const OVER_A_LIMIT = 'Over a limit: carry less, or move the load. Don’t drive like this.';

/** What a larger tank brings beside its water. */
export const FITTING_CAUTION =
	'Add the tank’s empty weight and straps, and check the payload on the weight plate. Have it fitted by someone licensed to do it.';
