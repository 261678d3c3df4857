import type { Gauge, Instrument, Meter, Rig } from '../../logbook/index.js';
import { tankById } from '../../rig/index.js';
import { formatLitres, unitsOfMeter, type UnitChoice } from '../../units/index.js';

/** Where a meter sits. */
export const METER_PLACES: Readonly<Record<Meter['place'], string>> = {
	pump: 'at the pump’s inlet',
	fill: 'on the filling hose',
	mains: 'at the pressure inlet'
};

/** What each kind of instrument is called. */
export const INSTRUMENT_NAMES: Readonly<Record<Instrument['kind'], string>> = {
	meter: 'meter',
	gauge: 'gauge',
	rod: 'dipstick'
};

const showsLights = ({ curve }: Gauge): boolean => curve.some(({ reads }) => typeof reads === 'string');

/** An instrument in a line: `meter at the pump’s inlet, counts up`. */
export function sayInstrument(instrument: Instrument): string {
	switch (instrument.kind) {
		case 'meter':
			return `meter ${METER_PLACES[instrument.place]}, counts ${instrument.counts}`;
		case 'rod':
			return 'dipstick, reads a depth';
		case 'gauge':
			return `gauge${showsLights(instrument) ? ' with lights' : ''}: ${instrument.curve.map(({ reads }) => reads).join(', ')}`;
	}
}

/** What one displayed unit of a meter is: `litres`, `US gallons`, `0.5 L`. */
export const sayMeterUnit = ({ unitL, scale = 1 }: Meter): string =>
	`${unitsOfMeter(unitL)}${scale === 1 ? '' : `, times ${Number(scale.toFixed(3))} by its bucket test`}`;

/** How a meter counts, and what it is set to. */
export const sayMeterCount = ({ counts, setTo, alarmAt }: Meter): string =>
	[
		counts,
		...(setTo === undefined ? [] : [`set to ${setTo} at a reset`]),
		...(alarmAt === undefined ? [] : [`beeps at ${alarmAt}`])
	].join(', ');

/** What the beep of a countdown meter means; nothing for one without. */
export function sayBeep(meter: Meter, units: UnitChoice): string | undefined {
	const { counts, setTo, alarmAt, unitL, scale = 1 } = meter;
	if (counts !== 'down' || setTo === undefined || alarmAt === undefined) return undefined;
	const say = (displayed: number): string => formatLitres(displayed * unitL * scale, units);
	return `${say(setTo - alarmAt)} has gone through since it was set; ${say(alarmAt)} is left of what it was set to.`;
}

/** Where a tank's water may go on to: `poured into Main`, `level with Fore`. */
export function sayLinks(rig: Rig, tankId: string): string {
	const tank = tankById(rig, tankId);
	const name = (id: string): string => tankById(rig, id)?.name ?? id;
	return [
		...(tank?.feeds === undefined ? [] : [`, poured into ${name(tank.feeds)}`]),
		...(tank?.joined === undefined ? [] : [`, level with ${name(tank.joined)}`])
	].join('');
}

/** How often a habit is stated: `0.5 × per person and day`. */
export const sayCadence = ({ times, per }: { readonly times: number; readonly per: string }): string =>
	`${times} × per ${per === 'day' ? 'day' : 'person and day'}`;
