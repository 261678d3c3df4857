import type { FrostNight, FrostRisk } from '../../care/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';
import { sayDay } from '../when.js';

/** The night in a sentence: `Skarn Hause tonight: −2 °C`. */
export const sayFrostNight = (
	{ name, minC, fromMs }: FrostNight,
	nowMs: number,
	timeZone: string,
	units: UnitChoice
): string => {
	const day = sayDay(fromMs, nowMs, timeZone);
	return `${name}, ${day === 'today' ? 'tonight' : `${day} night`}: down to ${formatQuantity(minC, 'temperature', units)}`;
};

/** What to do about something that may freeze. */
export function sayFrostRisk(risk: FrostRisk, units: UnitChoice): string {
	const litres = risk.litres === undefined ? '' : ` (${formatLitres(risk.litres, units)})`;
	const unsaid = risk.unsaid ? ' Nobody has said where it hangs: say so under Rig.' : '';
	const name = risk.name ?? '';
	switch (risk.kind) {
		case 'pipes':
			return `Pipes and heater${litres}: pump off, heater off and cold, low points open, taps open.`;
		case 'outside-outlet':
			return `${name}: shut it off inside, open it outside, hang the hose down.`;
		case 'hoses':
			return 'Hoses: empty, capped, inside. A pressure hook-up off and drained.';
		case 'tank':
			break;
	}
	switch (risk.does) {
		case 'bring-in':
			return `${name}${litres}: bring it in.${unsaid}`;
		case 'heat':
			return `${name}${litres}: keep the heating on, and the locker or the boards to it open.${unsaid}`;
		case 'drain':
			return `${name}${litres}: drain it, or keep its heating on.${unsaid}`;
		default:
			return `${name}${litres}: dump it at a designated place before the night, or keep its heating on; never open it onto the ground.${unsaid}`;
	}
}

/** What is to be minded where it may freeze. */
export const FROST_CAUTION =
	'A rule of thumb: wind, a long night and an empty gas bottle make it worse. Heaters need ventilation and an alarm.';
