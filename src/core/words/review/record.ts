import type { ForecastRecord, Surprise } from '../../forecast/index.js';
import type { Rig } from '../../logbook/index.js';
import { formatFigure, formatLitres, formatQuantity, type UnitChoice } from '../../units/index.js';

const evenings = (count: number): string => `${count} ${count === 1 ? 'evening' : 'evenings'}`;

/** Eight in ten should fall inside. */
const SHOULD = 0.8;
/** More deviations than this beside what should be are worth a word, and no more: chance alone does it to one record in five. */
const WORTH_A_WORD = 1.28;

/** How many deviations more fell inside than should have. */
const beside = ({ forecasts, inside }: ForecastRecord): number =>
	(inside - SHOULD * forecasts) / Math.sqrt(SHOULD * (1 - SHOULD) * Math.max(1, forecasts));

/** The record in one line: `17 of 17 in range, on 9 evenings; 14 expected, so a little wide.` */
export function sayRecord(record: ForecastRecord): string {
	const { evenings: count, forecasts, inside, verdict } = record;
	if (count === 0) return 'No forecast can be checked yet.';
	const off = beside(record);
	const so =
		Math.abs(off) < WORTH_A_WORD ? ', about right' : off > 0 ? ', so a little wide' : ', so a little narrow';
	// Where they are too sharp or too dull, it is by how far off they were, and said apart.
	const said = verdict === 'fits' || verdict === 'young' ? so : '';
	return `${inside} of ${forecasts} in range, on ${evenings(count)}; ${Math.round(SHOULD * forecasts)} expected${said}.`;
}

/** What follows from it. */
export function sayRecordVerdict(record: ForecastRecord): string {
	const { verdict, spread, evenings: count } = record;
	switch (verdict) {
		case 'young':
			return count === 0
				? 'Each evening the application is open, its forecast for a day later is saved on this device and checked against what the readings show then.'
				: `After ten evenings you can see whether that is right.`;
		case 'fits':
			return Math.abs(beside(record)) < WORTH_A_WORD
				? 'The ranges stay as they are.'
				: 'That may be chance: the ranges stay as they are.';
		case 'sharper':
			return `Ranges too narrow: the outcome was outside too often. All forecasts are drawn ${formatFigure(spread)} times as wide from now on.`;
		case 'duller':
			return `Ranges too wide: the outcome was closer than forecast. All forecasts are drawn at ${Math.round(100 * spread)}% of their width from now on.`;
	}
}

/** How one tank fared: `12 of 14 in range, as many as chance allows`. */
export function sayTankRecord({
	evenings: count,
	inside,
	wide,
	verdict
}: ForecastRecord['tanks'][number]): string {
	const says = {
		young: 'too few to say more',
		fits: 'within what chance allows',
		sharper: `too few: its ranges should have been ${formatFigure(wide)} times as wide`,
		duller: `so close to the middle that ${Math.round(100 * wide)}% of the width would have done`
	};
	return `${inside} of ${count} in range, ${says[verdict]}`;
}

/** Why an evening came otherwise. */
export function saySurprise(surprise: Surprise, rig: Rig, units: UnitChoice): string {
	const named = (list: readonly { readonly id: string; readonly name: string }[], id: string): string =>
		list.find((one) => one.id === id)?.name ?? id;
	const people = (count: number): string => formatFigure(Number(count.toFixed(1)));
	switch (surprise.kind) {
		case 'people':
			return `${people(surprise.were)} aboard instead of ${people(surprise.foretold)}`;
		case 'heat':
			return `a hot day, ${formatQuantity(surprise.maxC, 'temperature', units)}`;
		case 'hook-up':
			return 'a hook-up came or went';
		case 'measure':
			return `${named(rig.measures, surprise.measure)} was switched ${surprise.on ? 'on' : 'off'}`;
		case 'leak':
			return `a loss from ${named(rig.tanks, surprise.tank)}`;
		case 'habit':
			return `${named(rig.habits, surprise.habit)} ${formatFigure(surprise.times)} times instead of ${formatFigure(Number(surprise.usual.toFixed(1)))}`;
		case 'unwritten':
			return `${formatLitres(surprise.litres, units)} more than usual was not logged`;
	}
}

/** How an evening of the record is read. */
export function sayReadEvenings(untold: number, waiting: number): string {
	const missing =
		untold > 0
			? ` ${untold} ${untold === 1 ? 'evening has' : 'evenings have'} no reading to check against.`
			: '';
	const ahead = waiting > 0 ? ` ${waiting} ${waiting === 1 ? 'is' : 'are'} still to come.` : '';
	return `The bar is the 8-in-10 range, the notch its middle; the mark is the actual level, as if nothing had been filled or dumped.${missing}${ahead}`;
}

/** Why there is no forecast to keep yet. */
export const sayNoForecasts = (worked: boolean, leastL: number, units: UnitChoice): string =>
	`No forecasts yet${worked ? '' : ', as the levels are still being worked out'}. It takes a tank whose level is not exact, nor full or at its reserve; ${formatLitres(leastL, units)} of doubt is enough.`;

/** What the record is, and what it does not count. */
export const RECORD_IS =
	'Saved on this device only, not in the logbook. What the log already knows is not forecast, and an evening without a reading is not counted.';
