import type { EntryOf, Gauge, Meter, Rod } from '../logbook/index.js';
import { fromShapeLitres, litresAt, tankById, usableOf } from '../rig/index.js';
import { doubt, dot, learn, varianceOf, type Sparse } from './belief.js';
import type { Model, Place } from './model.js';
import { normalCdf, truncate } from './normal.js';
import type { Doubt, Suspicion, Tally } from './tally.js';

type Reading = EntryOf<'reading'>;

/** A reading further than this from the belief, in standard deviations of both together, is doubted. */
const GATE = 4;
/** A gauge lies more often than a rod or a meter: its gate, and that of one that was doubted just before. */
const GAUGE_GATE = 3.1;
const DISTRUSTED_GATE = 1.9;

const gateOf = (tally: Tally, entry: Reading, kind: string): number => {
	if (kind !== 'gauge') return GATE;
	return (tally.distrust.get(entry.instrument) ?? 0) > 0 ? DISTRUSTED_GATE : GAUGE_GATE;
};

/** What an instrument says of h·x: a value with a normal error, or a band with soft edges. */
interface Said {
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
function rodLitres(model: Model, rod: Rod, entry: Reading): { litres: number; sd: number } | undefined {
	const tank = tankById(model.rig, rod.tank);
	if (!tank || typeof entry.value !== 'number') return undefined;
	const sdMm = rod.sdMm ?? 4;
	if (!tank.shape) return undefined;
	const shape = tank.shape;
	const at = (mm: number): number => fromShapeLitres(tank, litresAt(shape, mm, entry, rod.at));
	const half = Math.max(sdMm, 0.5);
	const slope = (at(entry.value + half) - at(entry.value - half)) / (2 * half);
	return { litres: at(entry.value), sd: Math.max(slope * sdMm, 1e-3) };
}

const sdOfGauge = (model: Model, gauge: Gauge): number => {
	const tank = tankById(model.rig, gauge.tank);
	return gauge.sdL ?? 0.05 * (tank ? usableOf(tank) : 0);
};

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

const poolSays = (place: Place, from: number, to: number, sd: number): Said => ({
	h: [[place.pool.index, place.share]],
	from,
	to,
	sd,
	giveWay: [[place.pool.index, 1]],
	pool: place.pool.index,
	poolL: place.pool.usableL
});

/** Rounding of a display, litres: a third of its last digit shown. */
const displaySd = (meter: Meter, value: number): number => {
	const decimals = /\.(\d+)$/.exec(String(value))?.[1]?.length ?? 0;
	return Math.max(1e-4, 0.29 * meter.unitL * 10 ** -Math.min(decimals, 3));
};

function meterSays(model: Model, tally: Tally, meter: Meter, value: number): Said {
	const base = tally.meterBase.get(meter.id) ?? value;
	const shown = (meter.counts === 'up' ? value - base : base - value) * meter.unitL * (meter.scale ?? 1);
	const counted = model.counted.get(meter.id) ?? 0;
	const error = model.meterError.get(meter.id) ?? 0;
	const mix = model.mixed(Math.max(1, model.crew.usual), tally);
	const unlogged = [...mix.tanks].flatMap(([id, { perLitre }]) => {
		const index = model.places.get(id)?.pool.index;
		return index === undefined ? [] : [[index, perLitre] as const];
	});
	const pool = model.places.get(meter.tank)?.pool;
	return {
		// true litres = shown · (1 + error), the error one constant of the meter
		h: [
			[counted, 1],
			[error, -shown]
		],
		from: shown,
		to: shown,
		sd: displaySd(meter, value),
		giveWay: meter.place === 'fill' ? [[counted, 1]] : [[counted, 1], ...unlogged],
		pool: pool?.index ?? -1,
		poolL: pool?.usableL ?? 0
	};
}

/** Doubted readings that stand together: two of different instruments (or two dips, two totals) that agree. */
function agrees(suspicion: Suspicion, gapL: number, sdL: number, instrument: string, kind: string): boolean {
	if (suspicion.instrument === instrument && kind === 'gauge') return false;
	return Math.abs(suspicion.gapL - gapL) <= 2.5 * Math.hypot(suspicion.sdL, sdL) + 0.15 * Math.abs(gapL);
}

function believe(tally: Tally, said: Said): Tally {
	const expected = {
		mean: dot(tally.belief.mean, said.h),
		sd: Math.sqrt(varianceOf(tally.belief, said.h) + said.sd ** 2)
	};
	const learnt =
		said.to > said.from
			? (({ mean, sd }) => ({ mean, variance: sd * sd }))(truncate(expected, said.from, said.to))
			: { mean: said.from, variance: 0 };
	return { ...tally, belief: learn(tally.belief, said.h, said.sd ** 2, learnt) };
}

const litresText = (litres: number): string =>
	`${Math.abs(litres) < 20 ? litres.toFixed(1) : litres.toFixed(0)} L`;

/**
 * A meter that counted more than was written down is no liar as long as the tank could have given it: people
 * forget to write. (One that counted less is doubted first, as any instrument.)
 */
function isMoreUse(tally: Tally, said: Said, kind: string, gapL: number): boolean {
	if (kind !== 'meter' || gapL < 0) return false;
	return (tally.belief.mean[said.pool] ?? 0) - gapL > -0.05 * said.poolL;
}

/** A reading was taken in: its instrument is believed as before. */
const trusted = (tally: Tally, { instrument }: Reading): Tally =>
	tally.distrust.has(instrument)
		? { ...tally, distrust: new Map([...tally.distrust].filter(([id]) => id !== instrument)) }
		: tally;

/** Weighs what a reading says against the belief: taken in, or doubted, or taken in because others agree with it. */
function weigh(tally: Tally, entry: Reading, said: Said, kind: string): Tally {
	const variance = varianceOf(tally.belief, said.h) + said.sd ** 2;
	const mean = dot(tally.belief.mean, said.h);
	const nearest = Math.min(Math.max(mean, said.from), said.to);
	const gapL = nearest - mean;
	const isBand = said.to > said.from;
	const gate = gateOf(tally, entry, kind);
	// A light is doubted when the belief gives its band less than the two-sided chance beyond the gate.
	const likely = isBand
		? gapL === 0 ||
			truncate({ mean, sd: Math.sqrt(variance) }, said.from, said.to).mass > 2 * normalCdf(-gate)
		: gapL ** 2 <= gate ** 2 * variance;
	const settled = tally.suspicions.filter(({ pool }) => pool !== said.pool);
	if (likely) return trusted({ ...believe(tally, said), suspicions: settled }, entry);
	const others = tally.suspicions.filter(({ pool }) => pool === said.pool);
	if (
		entry.trusted ||
		isMoreUse(tally, said, kind, gapL) ||
		others.some((other) => agrees(other, gapL, said.sd, entry.instrument, kind))
	)
		return trusted(
			{
				...believe({ ...tally, belief: doubt(tally.belief, said.giveWay, gapL ** 2) }, said),
				suspicions: tally.suspicions.filter(({ pool }) => pool !== said.pool)
			},
			entry
		);
	const doubted: Doubt = {
		entry: entry.id,
		instrument: entry.instrument,
		why: `It says ${litresText(isBand ? nearest : said.from)}; everything else says ${litresText(mean)}, give or take ${litresText(1.645 * Math.sqrt(variance))}.`
	};
	const suspicion: Suspicion = { instrument: entry.instrument, gapL, sdL: said.sd, pool: said.pool };
	return {
		...tally,
		doubts: [...tally.doubts, doubted],
		distrust: new Map(tally.distrust).set(entry.instrument, (tally.distrust.get(entry.instrument) ?? 0) + 1),
		suspicions: [...others.slice(-3), suspicion, ...tally.suspicions.filter(({ pool }) => pool !== said.pool)]
	};
}

/** The meter was set: it counts from the value shown now, and what it had counted is forgotten. */
function restart(model: Model, tally: Tally, meter: Meter, value: number): Tally {
	const counted = model.counted.get(meter.id);
	if (counted === undefined) return tally;
	const mean = Float64Array.from(tally.belief.mean);
	const cov = Float64Array.from(tally.belief.cov);
	mean[counted] = 0;
	for (let k = 0; k < model.size; k++) cov[counted * model.size + k] = cov[k * model.size + counted] = 0;
	return { ...tally, belief: { mean, cov }, meterBase: new Map(tally.meterBase).set(meter.id, value) };
}

function readMeter(model: Model, tally: Tally, entry: Reading, meter: Meter): Tally {
	if (typeof entry.value !== 'number') return tally;
	const base = tally.meterBase.get(meter.id);
	if (entry.reset || base === undefined) return restart(model, tally, meter, entry.value);
	const said = meterSays(model, tally, meter, entry.value);
	if (said.from < -displaySd(meter, entry.value)) {
		const why = `It shows ${entry.value}, on the wrong side of the ${base} from which it counts ${meter.counts}. It was probably reset; it counts from here.`;
		const doubted: Doubt = { entry: entry.id, instrument: meter.id, why };
		return { ...restart(model, tally, meter, entry.value), doubts: [...tally.doubts, doubted] };
	}
	return weigh(tally, entry, said, meter.kind);
}

const ignored = (tally: Tally, entry: Reading, why: string): Tally => ({
	...tally,
	doubts: [...tally.doubts, { entry: entry.id, instrument: entry.instrument, why }]
});

/** A reading as a measurement of the joint belief. */
export function applyReading(model: Model, tally: Tally, entry: Reading): Tally {
	const instrument = model.instruments.get(entry.instrument);
	if (!instrument) return tally;
	if (instrument.kind === 'meter') return readMeter(model, tally, entry, instrument);
	const place = model.places.get(instrument.tank);
	if (!place) return tally;
	if (instrument.kind === 'gauge') {
		const usableL = place.share * place.pool.usableL;
		const band = gaugeBand(instrument, usableL, entry.value);
		if (!band) return ignored(tally, entry, 'The gauge has no such reading on its curve.');
		return weigh(tally, entry, poolSays(place, band[0], band[1], sdOfGauge(model, instrument)), 'gauge');
	}
	const dipped = rodLitres(model, instrument, entry);
	if (!dipped)
		return ignored(
			tally,
			entry,
			'The tank has no shape yet, so a depth cannot be turned into litres. Give it one in Rig.'
		);
	return weigh(tally, entry, poolSays(place, dipped.litres, dipped.litres, dipped.sd), 'rod');
}

/** Full or empty seen with one's own eyes: nearly exact; a belief that cannot explain it gives way. */
export function applyMark(model: Model, tally: Tally, entry: EntryOf<'mark'>): Tally {
	const place = model.places.get(entry.tank);
	if (!place) return tally;
	const { pool } = place;
	const seen =
		entry.state === 'full'
			? { litres: pool.usableL, sd: pool.fullSdL }
			: { litres: pool.emptyL, sd: Math.max(pool.emptySdL, 0.001 * pool.usableL) };
	const h: Sparse = [[pool.index, 1]];
	const gap = seen.litres - dot(tally.belief.mean, h);
	const explained = gap ** 2 <= GATE ** 2 * (varianceOf(tally.belief, h) + seen.sd ** 2);
	const belief = explained ? tally.belief : doubt(tally.belief, h, gap ** 2);
	return {
		...tally,
		belief: learn(belief, h, seen.sd ** 2, { mean: seen.litres, variance: 0 }),
		suspicions: tally.suspicions.filter(({ pool: of }) => of !== pool.index)
	};
}
