import type { FrostNight, FrostRisk } from '../../care/index.js';
import { formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';
import { sayWeatherFrom } from '../trip/weatherFrom.js';
import { sayDay } from '../when.js';

/** The night in a sentence, with where its figure comes from: `Skarn Hause tonight: −2 °C (simulated, not a forecast)`. */
export function sayFrostNight(
	{ name, minC, fromMs, from, stop, coldestOf }: FrostNight,
	nowMs: number,
	timeZone: string,
	units: UnitChoice
): string {
	const day = sayDay(fromMs, nowMs, timeZone);
	const night =
		coldestOf === undefined
			? day === 'today'
				? 'tonight'
				: `${day} night`
			: `coldest of ${coldestOf} nights${day === 'today' ? '' : ` from ${day}`}`;
	const where = name === undefined ? night.charAt(0).toUpperCase() + night.slice(1) : `${name}, ${night}`;
	const source = from
		? sayWeatherFrom({ weatherFrom: from })
		: stop === undefined
			? undefined
			: 'from a file';
	return `${where}: down to ${formatQuantity(minC, 'temperature', units)}${source ? ` (${source})` : ''}`;
}

/** What to do about something that may freeze. */
export function sayFrostRisk(risk: FrostRisk, units: UnitChoice): string {
	const litres = risk.litres === undefined ? '' : ` (${formatLitres(risk.litres, units)})`;
	const unsaid = risk.unsaid ? ' Where it is fitted is not entered yet: add it in Rig.' : '';
	const name = risk.name ?? '';
	switch (risk.kind) {
		case 'pipes':
			return risk.does === 'heat'
				? 'Pipes and heater: keep the heating on all night, cupboards and lockers open. Let a tap drip only where local rules allow it.'
				: `Pipes and heater${litres}: pump off, heater off and cold, then every tap, low point and the heater drain open.`;
		case 'outside-outlet':
			return `${name}: shut it off inside, open it outside, let the hose hang empty.`;
		case 'hoses':
			return 'Hoses: empty, capped, inside. Take a pressure hose off and drain it.';
		case 'flush-tank':
			return risk.does === 'heat'
				? `${name}: the flush tank freezes too. Keep its compartment warm.`
				: `${name}: empty the flush tank and press the flush until nothing comes.`;
		case 'auto-valve':
			return 'Some water heaters drain themselves near 3 °C. If yours does, check the tank in the morning: it may have run out.';
		case 'tank':
			break;
	}
	switch (risk.does) {
		case 'bring-in':
			return `${name}${litres}: bring it in.${unsaid}`;
		case 'heat':
			return `${name}${litres}: keep the locker or the boards to it open, so that warm air reaches it.${unsaid}`;
		case 'switch-on':
			return `${name}${litres}: switch its heater on. Its valve freezes first: empty it before the night if it is nearly full.${unsaid}`;
		case 'drain':
			return `${name}${litres}: drain it before the night; it gets no warmth.${unsaid}`;
		default:
			return `${name}${litres}: empty it at a designated place before the night; never on the ground. A frozen valve stays shut until it thaws.${unsaid}`;
	}
}

/** What is to be minded where it may freeze. */
export const FROST_CAUTION =
	'A rule of thumb: wind, a long night or an empty gas bottle make it worse. Ventilate heaters and fit a carbon monoxide alarm. Never thaw with a flame.';
