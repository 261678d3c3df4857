import type { EntryOf, Gauge, Meter, Rod } from '../../logbook/index.js';
import type { Sparse } from '../../numerics/index.js';
import { fromShapeLitres, litresAt, litresPerUnit, tankById } from '../../rig/index.js';
import type { KeyedRegime } from '../inputs/index.js';
import * as PARAMETERS from '../parameters.js';
import type { Model } from './model.js';
import type { TankPlace } from './pools.js';

type Reading = EntryOf<'reading'>;

/** What an instrument says of h·x: a value with a normal error, or a band with soft edges, open where it is infinite. */
export interface Measurement {
	readonly h: Sparse;
	readonly from: number;
	readonly to: number;
	readonly sd: number;
	/** along which the belief gives way when readings agree against it */
	readonly giveWay: Sparse;
	readonly pool: number;
	readonly poolL: number;
}

/** A depth in litres, and what a doubt in millimetres comes to there. */
export function rodLitres(
	model: Model,
	rod: Rod,
	entry: Reading
): { litres: number; sd: number } | undefined {
	const tank = tankById(model.rig, rod.tank);
	if (!tank || typeof entry.value !== 'number') return undefined;
	const sdMm = rod.sdMm ?? PARAMETERS.rodSdMm;
	if (!tank.shape) return undefined;
	const shape = tank.shape;
	const at = (mm: number): number => fromShapeLitres(tank, litresAt(shape, mm, entry, rod.at));
	const half = Math.max(sdMm, 0.5);
	const slope = (at(entry.value + half) - at(entry.value - half)) / (2 * half);
	return { litres: at(entry.value), sd: Math.max(slope * sdMm, 1e-3) };
}

/** The litres between which a gauge shows a reading: a light's band, or a point on the curve. */
export function gaugeBand(
	gauge: Gauge,
	usableL: number,
	value: number | string
): readonly [from: number, to: number] | undefined {
	if (typeof value === 'string') {
		const lights = [...gauge.curve].sort((a, b) => a.litres - b.litres);
		const i = lights.findIndex(({ reads }) => reads === value);
		const light = lights[i];
		return light && [light.litres, Math.max(light.litres, lights[i + 1]?.litres ?? usableL)];
	}
	const points = gauge.curve
		.flatMap(({ reads, litres }) => (typeof reads === 'number' ? [{ reads, litres }] : []))
		.sort((a, b) => a.reads - b.reads);
	const above = points.findIndex(({ reads }) => reads >= value);
	const high = points[above === -1 ? points.length - 1 : above];
	const low = points[Math.max(0, above === -1 ? points.length - 1 : above - 1)];
	if (!high || !low) return undefined;
	const part =
		high.reads === low.reads
			? 0
			: (Math.min(Math.max(value, low.reads), high.reads) - low.reads) / (high.reads - low.reads);
	const litres = low.litres + part * (high.litres - low.litres);
	return [litres, litres];
}

/**
 * At its ends a gauge cannot show more: its lowest reading means so much or less, its highest so much or more, since
 * its own error goes both ways.
 */
export function openEnded(
	gauge: Gauge,
	[from, to]: readonly [number, number],
	value: number | string
): readonly [number, number] {
	const litres = gauge.curve.map((point) => point.litres);
	const [least, most] = [Math.min(...litres), Math.max(...litres)];
	if (typeof value === 'string') return [from <= least ? -Infinity : from, from >= most ? Infinity : to];
	return [from <= least ? -Infinity : from, to >= most ? Infinity : to];
}

/** A measurement of a tank's level, in litres of that tank. */
function ofLevel({ pool, share }: TankPlace, from: number, to: number, sd: number): Measurement {
	return {
		h: [[pool.index, share]],
		from,
		to,
		sd,
		giveWay: [[pool.index, 1]],
		pool: pool.index,
		poolL: pool.usableL
	};
}

/** A dip: the level, with the rod's own error. */
export const rodMeasurement = (
	place: TankPlace,
	{ litres, sd }: { litres: number; sd: number }
): Measurement => ofLevel(place, litres, litres, sd);

/** How far a tank leans, as the tangent of its angle to the plumb line. */
const leanOf = (rollDeg: number, pitchDeg: number): number =>
	Math.hypot(Math.tan((rollDeg * Math.PI) / 180), Math.tan((pitchDeg * Math.PI) / 180));

/**
 * A gauge: the level and the part of its error that lasts, which is one constant of that gauge; the rest of its error
 * is new at each look.
 *
 * @returns nothing when the gauge has no such reading on its curve
 */
export function gaugeMeasurement(
	model: Model,
	place: TankPlace,
	gauge: Gauge,
	{ value, rollDeg = 0, pitchDeg = 0 }: Pick<Reading, 'value' | 'rollDeg' | 'pitchDeg'>
): Measurement | undefined {
	const band = gaugeBand(gauge, place.share * place.pool.usableL, value);
	if (!band) return undefined;
	const [from, to] = openEnded(gauge, band, value);
	const sd = model.gaugeSdL.get(gauge.id) ?? 0;
	const usableL = place.share * place.pool.usableL;
	const level = ofLevel(
		place,
		from,
		to,
		Math.hypot(
			Math.sqrt(1 - PARAMETERS.gaugeLastingVarianceShare) * sd,
			PARAMETERS.leanSdShare * usableL * leanOf(rollDeg, pitchDeg)
		)
	);
	const lasting = model.gaugeErrorRow.get(gauge.id);
	return lasting === undefined ? level : { ...level, h: [...level.h, [lasting, 1]] };
}

/** Rounding of a display, litres. */
export const displaySd = (meter: Meter, value: number): number => {
	const decimals = /\.(\d+)$/.exec(String(value))?.[1]?.length ?? 0;
	return Math.max(1e-4, PARAMETERS.roundingSdDigits * meter.unitL * 10 ** -Math.min(decimals, 3));
};

/** Where water that a meter counted and nobody wrote down came from and went, per litre counted, by the usual day. */
function usualMix(model: Model, regime: KeyedRegime, counted: number): Sparse {
	const sums = new Map<number, number>();
	for (const { perPerson, usualL, gains } of model.streams) {
		const litres = usualL * (perPerson ? Math.max(1, model.crew.usual) : 1);
		for (const [index, gain] of gains(regime)) sums.set(index, (sums.get(index) ?? 0) + litres * gain);
	}
	const total = sums.get(counted) ?? 0;
	return total > 0 ? [...sums].map(([index, litres]) => [index, litres / total] as const) : [[counted, 1]];
}

/**
 * A meter's counter: what has passed it since its reset, with its own constant error.
 *
 * @param countsFrom the displayed value that it counts from
 * @param value the displayed value
 */
export function meterMeasurement(
	model: Model,
	regime: KeyedRegime,
	meter: Meter,
	countsFrom: number,
	value: number
): Measurement {
	const shown = (meter.counts === 'up' ? value - countsFrom : countsFrom - value) * litresPerUnit(meter);
	const stopped = meter.counts === 'down' && value === 0;
	const counted = model.countedRow.get(meter.id) ?? 0;
	const error = model.meterErrorRow.get(meter.id) ?? 0;
	const pool = model.places.get(meter.tank)?.pool;
	const passed = model.accounts?.rows.passed.get(meter.id);
	const hose: Sparse = [[counted, 1], ...(passed === undefined ? [] : [[passed, 1] as const])];
	return {
		// true litres = shown · (1 + error), the error one constant of the meter
		h: [
			[counted, 1],
			[error, -shown]
		],
		from: shown,
		// a down counter stops at 0: that much or more
		to: stopped ? Infinity : shown,
		sd: displaySd(meter, value),
		giveWay: meter.place === 'fill' ? hose : usualMix(model, regime, counted),
		pool: pool?.index ?? -1,
		poolL: pool?.usableL ?? 0
	};
}

/** What a gauge's or a rod's reading says in litres, a light by the middle of its band; nothing for a meter. */
export function litresRead(model: Model, entry: Reading): number | undefined {
	const instrument = model.instruments.get(entry.instrument);
	const place = instrument && model.places.get(instrument.tank);
	if (!instrument || !place || instrument.kind === 'meter') return undefined;
	if (instrument.kind === 'rod') return rodLitres(model, instrument, entry)?.litres;
	const band = gaugeBand(instrument, place.share * place.pool.usableL, entry.value);
	return band && (band[0] + band[1]) / 2;
}
