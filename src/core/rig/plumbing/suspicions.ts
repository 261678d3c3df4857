import {
	instantMs,
	inOrder,
	type Entry,
	type EntryOf,
	type Meter,
	type Rig,
	type Tank
} from '../../logbook/index.js';
import { litresPerUnit } from '../instruments/index.js';
import { plumbingOf } from './plumbing.js';
import { fullLitres, usableOf } from '../tanks/index.js';
import { passesMeter } from './touches.js';

/** A gallon that litres may have been meant in. */
export type Gallon = 'US gallon' | 'imperial gallon';

/** Something in a rig or its log that is possible but more likely a slip. Facts only; words are made elsewhere. */
export type Suspicion =
	| {
			readonly kind: 'usable-over-plate';
			readonly tank: string;
			readonly share: number;
			readonly gallon?: Gallon;
	  }
	| { readonly kind: 'reserve-too-large'; readonly tank: string }
	| {
			readonly kind: 'shape-off-plate';
			readonly tank: string;
			readonly shapeL: number;
			readonly gallon?: Gallon;
	  }
	| { readonly kind: 'curve-falls'; readonly instrument: string; readonly reads: string | number }
	| { readonly kind: 'curve-over-tank'; readonly instrument: string; readonly litres: number }
	| {
			readonly kind: 'meter-backwards';
			readonly instrument: string;
			readonly entry: string;
			readonly from: number;
			readonly to: number;
	  }
	| {
			readonly kind: 'meter-off-log';
			readonly instrument: string;
			readonly factor: number;
			readonly gallon: Gallon;
	  }
	| { readonly kind: 'loop'; readonly through: readonly string[] };

/** How much more than its plate a tank may hold before it is odd. */
const OVER_PLATE = 1.15;
/** How far a shape may be from the plate: walls, baffles and rounding are less. */
const OFF_PLATE = 0.25;
/** A ratio this close to a gallon is a gallon. */
const NEARLY = 0.08;
const GALLONS = Object.freeze([
	['US gallon', 3.785411784],
	['imperial gallon', 4.54609]
] as const);

/** The gallon that would explain a ratio, either way round. */
export function gallonIn(ratio: number): Gallon | undefined {
	const near = (litres: number): number => Math.abs(Math.log(ratio > 1 ? ratio / litres : ratio * litres));
	const [name, litres] = near(GALLONS[0][1]) <= near(GALLONS[1][1]) ? GALLONS[0] : GALLONS[1];
	return near(litres) < NEARLY ? name : undefined;
}

function tankSuspicions(tank: Tank): readonly Suspicion[] {
	const share = (tank.usableL ?? 0) / tank.nominalL;
	const shapeL = tank.shape && fullLitres(tank.shape);
	const found: Suspicion[] = [];
	if (share > OVER_PLATE) {
		const gallon = gallonIn(share);
		found.push({ kind: 'usable-over-plate', tank: tank.id, share, ...(gallon ? { gallon } : {}) });
	}
	if (tank.reserveL >= usableOf(tank)) found.push({ kind: 'reserve-too-large', tank: tank.id });
	if (shapeL !== undefined && Math.abs(shapeL / tank.nominalL - 1) > OFF_PLATE) {
		const gallon = gallonIn(shapeL / tank.nominalL);
		found.push({ kind: 'shape-off-plate', tank: tank.id, shapeL, ...(gallon ? { gallon } : {}) });
	}
	return found;
}

function gaugeSuspicions(rig: Rig): readonly Suspicion[] {
	return rig.instruments.flatMap((gauge): readonly Suspicion[] => {
		if (gauge.kind !== 'gauge') return [];
		const tank = rig.tanks.find(({ id }) => id === gauge.tank);
		const over =
			tank && gauge.curve.find(({ litres }) => litres > OVER_PLATE * Math.max(usableOf(tank), tank.nominalL));
		const numbers = gauge.curve
			.flatMap(({ reads, litres }) => (typeof reads === 'number' ? [{ reads, litres }] : []))
			.sort((a, b) => a.reads - b.reads);
		const ends = (numbers.at(-1)?.litres ?? 0) - (numbers[0]?.litres ?? 0);
		const turn = numbers.find(({ litres }, i) => {
			const before = numbers[i - 1];
			return before !== undefined && (litres - before.litres) * ends < 0;
		});
		return [
			...(turn ? [{ kind: 'curve-falls', instrument: gauge.id, reads: turn.reads } as const] : []),
			...(over ? [{ kind: 'curve-over-tank', instrument: gauge.id, litres: over.litres } as const] : [])
		];
	});
}

const isReading = (entry: Entry): entry is EntryOf<'reading'> => entry.kind === 'reading';

/** Readings of one meter in order; a pair that runs against its way without a reset between. */
function meterSuspicions(rig: Rig, meter: Meter, entries: readonly Entry[]): readonly Suspicion[] {
	const readings = entries.filter(isReading).filter(({ instrument }) => instrument === meter.id);
	const found: Suspicion[] = [];
	let [displayed, lastAt, firstAt] = [0, '', ''];
	readings.forEach((reading, i) => {
		const before = readings[i - 1];
		if (typeof reading.value !== 'number') return;
		if (!before || typeof before.value !== 'number' || reading.reset) {
			if (firstAt === '') firstAt = reading.at;
			return;
		}
		const moved = (reading.value - before.value) * (meter.counts === 'up' ? 1 : -1);
		if (moved < 0 && !reading.trusted)
			found.push({
				kind: 'meter-backwards',
				instrument: meter.id,
				entry: reading.id,
				from: before.value,
				to: reading.value
			});
		else [displayed, lastAt] = [displayed + moved, reading.at];
	});
	const logged = loggedPast(rig, meter, entries, firstAt, lastAt);
	const counted = displayed * litresPerUnit(meter);
	const gallon = logged > ENOUGH_L && counted > 0 ? gallonIn(counted / logged) : undefined;
	return gallon
		? [...found.slice(-1), { kind: 'meter-off-log', instrument: meter.id, factor: counted / logged, gallon }]
		: found.slice(-1);
}

/** Fewer logged litres than this prove nothing about a meter's unit. */
const ENOUGH_L = 60;

/** Litres that the log says passed a meter between two moments. */
function loggedPast(rig: Rig, meter: Meter, entries: readonly Entry[], from: string, to: string): number {
	if (from === '' || to === '') return 0;
	const within = entries.filter(
		({ at }) => instantMs(at) > instantMs(from) && instantMs(at) <= instantMs(to)
	);
	if (meter.place === 'fill')
		return within.reduce(
			(sum, entry) => sum + (entry.kind === 'fill' && entry.tank === meter.tank ? (entry.litres ?? 0) : 0),
			0
		);
	if (meter.place !== 'pump') return 0;
	return within.reduce((sum, entry) => {
		if (entry.kind !== 'use') return sum;
		const habit = rig.habits.find(({ id }) => id === entry.habit);
		const outlet = rig.outlets.find(({ id }) => id === habit?.outlet);
		return habit && outlet && passesMeter(outlet, meter)
			? sum + (entry.litres ?? entry.times * habit.litresEach.mean)
			: sum;
	}, 0);
}

/** What looks like a slip in a rig, and in its entries as far as they bear on its instruments. */
export function suspicionsOf(rig: Rig, entries: readonly Entry[] = []): readonly Suspicion[] {
	const own = inOrder(entries.filter((entry) => entry.rig === rig.id && entry.void !== true));
	const loop = plumbingOf(rig).faults.find((fault) => fault.kind === 'loop');
	return [
		...rig.tanks.flatMap(tankSuspicions),
		...gaugeSuspicions(rig),
		...rig.instruments.flatMap((meter) => (meter.kind === 'meter' ? meterSuspicions(rig, meter, own) : [])),
		...(loop ? [loop] : [])
	];
}
