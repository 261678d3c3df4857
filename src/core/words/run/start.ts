import { formatLitres, type UnitChoice } from '../../units/index.js';

/** Before anything is dumped. */
export const DUMP_START_CAUTION = 'Wear gloves. Use only places meant for it: local rules come first.';

/** Before grey goes on the ground, or waste overboard. */
export const sayOutsideCaution = (overboard: boolean): string =>
	`Do this only where local rules allow it; they differ from place to place${overboard ? ', for grey too' : ''}.`;

/** Why nothing goes overboard at a place that was marked. */
export const sayNoDischarge = (place: string): string =>
	`You marked ${place}: nothing may go overboard there. Keep it aboard, or pump out.`;

/** Why black is not let onto the ground. */
export const NEVER_ON_THE_GROUND = 'Black never goes on the ground.';

/** At the end of a dump. */
export const SHUT_AND_CLEAN = 'Is every valve shut, the cap on, and your hands washed?';

/** A first fill after draining: heater and pipes take of it. */
export const sayFirstFill = (swallowedL: number, units: UnitChoice): string =>
	`All was drained: heater and pipes take the first ${formatLitres(swallowedL, units)}. Fill up, let every tap run until no air comes, and fill up again. Keep the heater off until then.`;

/** A fill that is more than there is room for. */
export const sayWontFit = (litres: number, roomL: number, units: UnitChoice): string =>
	`${formatLitres(litres, units)} won’t fit: there is room for about ${formatLitres(roomL, units)}. It stops there.`;

/** What the figures of a payload rest on. */
export const PLATE_DECIDES = 'The weighbridge and the weight plate decide.';

/** What a container keeps free, and why. */
export const sayKeepFree = (
	name: string,
	capacityL: number,
	keepFreeL: number,
	hose: boolean,
	units: UnitChoice
): string =>
	`${name} holds ${formatLitres(capacityL, units)} to the brim; ${formatLitres(keepFreeL, units)} must be free when you shut the valve${hose ? ', as the hose must still drain into it' : ''}.`;

/** Where even a full tank does not reach the day that was asked for. */
export const EVEN_FULL = 'Even a full tank won’t last that long, as you live now.';

/** A meter that shows less than when it was left. */
export const NOT_ON_FROM =
	'That doesn’t follow from its last reading. If it was reset, continue: it counts from here.';

/** A run that was begun too long ago to go on with. */
export const OLD_RUN =
	'Its figures are out of date: tanks and meter have changed since. Its entries are kept; start again for today.';

/** A run whose tank or container this device does not have. */
export const RUN_WITHOUT_RIG =
	'Its tank or container was removed, or the rig is on another phone: import its logbook first, under Data.';
/** A run that this device does not have. */
export const RUN_ELSEWHERE =
	'It may have been started on another phone: share it from there, or start again.';
