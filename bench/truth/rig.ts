import type { Random } from '../../src/core/numerics';
import type { Habit, Instrument, Rig, Tank } from '../../src/core/logbook';
import type { Manner } from './manner';

export type Between = (range: readonly [from: number, to: number]) => number;

interface Kind {
	readonly name: string;
	readonly at: 'sink' | 'shower' | 'toilet';
	readonly mean: readonly [number, number];
	readonly times: readonly [number, number];
	readonly per: 'person-day' | 'day';
	readonly kept?: number;
	readonly adds?: number;
}
const KINDS: readonly Kind[] = [
	{ name: 'Shower', at: 'shower', mean: [6, 12], times: [0.3, 0.8], per: 'person-day' },
	{ name: 'Dishes', at: 'sink', mean: [3, 7], times: [1, 2.5], per: 'day' },
	{ name: 'Hands', at: 'sink', mean: [0.3, 0.7], times: [3, 6], per: 'person-day' },
	{ name: 'Kettle', at: 'sink', mean: [0.9, 2], times: [1, 2], per: 'person-day', kept: 0.75 },
	{ name: 'Flush', at: 'toilet', mean: [0.4, 0.9], times: [3, 6], per: 'person-day', adds: 0.2 }
];

const GALLON_L = 3.785411784;
const RESIDUAL_L = 1.5;

type Sizes = Readonly<Record<'fresh' | 'grey' | 'black', number>>;

function tanksOf(size: Sizes, manner: Manner): readonly Tank[] {
	const usable = (litres: number): Partial<Tank> => (manner.plates ? {} : { usableL: litres });
	const side = Math.cbrt(size.fresh * 1e6);
	const fresh: Tank = {
		id: 'fresh',
		name: 'Fresh',
		holds: 'fresh',
		nominalL: size.fresh,
		...usable(size.fresh),
		reserveL: Math.round(0.07 * size.fresh),
		shape: { form: 'box', lengthMm: 1.5 * side, widthMm: side, heightMm: side / 1.5 }
	};
	const waste = (['grey', 'black'] as const).map((id): Tank => ({
		id,
		name: id,
		holds: id,
		nominalL: size[id],
		...usable(size[id]),
		reserveL: Math.round(0.07 * size[id]),
		...(id === 'black' && manner.cassette ? { portable: true } : { residualL: RESIDUAL_L })
	}));
	const jugs = ['jug 1', 'jug 2'].map((id): Tank => ({
		id,
		name: id,
		holds: 'fresh',
		nominalL: 15,
		usableL: 15,
		reserveL: 0,
		feeds: 'fresh',
		portable: true
	}));
	return [fresh, ...waste, ...(manner.jugs ? jugs : [])];
}

function instrumentsOf(random: Random, size: Sizes, manner: Manner): readonly Instrument[] {
	const meter = (place: 'pump' | 'fill'): Instrument => ({
		id: 'meter',
		kind: 'meter',
		name: 'Meter',
		place,
		tank: 'fresh',
		unitL: manner.gallons || random.uniform() < 0.3 ? GALLON_L : 1,
		scale: random.uniform() < 0.5 ? 1 : 1.04,
		sdFraction: 0.02,
		counts: random.uniform() < (place === 'pump' ? 0.3 : 0) || manner.countdown ? 'down' : 'up'
	});
	const gauge = (holds: 'fresh' | 'grey'): Instrument => ({
		id: `gauge-${holds}`,
		kind: 'gauge',
		name: `${holds} gauge`,
		tank: holds,
		curve:
			manner.gauges === 'lights'
				? ['empty', '1/3', '2/3', 'full'].map((reads, i) => ({
						reads,
						litres: Math.round(([0, 0.3, 0.58, 0.85][i] ?? 0) * size[holds])
					}))
				: [0, 25, 50, 75, 100].map((reads) => ({ reads, litres: (reads / 100) * size[holds] })),
		sdL: 0.05 * size[holds]
	});
	return [
		...(manner.meter ? [meter(manner.meter)] : []),
		...(manner.gauges ? [gauge('fresh'), gauge('grey')] : []),
		...(manner.rod ? [{ id: 'rod', kind: 'rod', name: 'Rod', tank: 'fresh', sdMm: 4 } as const] : [])
	];
}

/** A rig drawn at random, with what its makers' plates and owners say of it. */
export function drawRig(random: Random, manner: Manner, between: Between): Rig {
	const crew = 1 + Math.floor(3 * random.uniform());
	const fresh = Math.round(between(manner.jugs ? [45, 80] : [70, 200]));
	const size = { fresh, grey: Math.round(fresh * between([0.6, 1])), black: Math.round(between([18, 60])) };
	const habits = KINDS.map((kind): Habit => {
		const mean = between(kind.mean);
		return {
			id: kind.name.toLowerCase(),
			name: kind.name,
			outlet: kind.at,
			litresEach: { mean, sd: mean * between([0.2, 0.35]) },
			often: { times: between(kind.times), per: kind.per },
			...(kind.kept ? { keptFraction: kind.kept } : {}),
			...(kind.adds ? { addsL: kind.adds } : {})
		};
	});
	const usual = habits.reduce(
		(sum, { litresEach, often }) => sum + (litresEach.mean * often.times) / (often.per === 'day' ? crew : 1),
		0
	);
	const missing = (1 - manner.logged) * usual + 1;
	return {
		id: 'rig',
		name: 'Truth',
		kind: 'camper',
		crew,
		...(manner.states ? { unlogged: { mean: missing, sd: 0.35 * missing + 0.4 } } : {}),
		tanks: [...tanksOf(size, manner)],
		outlets: [
			{ id: 'sink', name: 'Sink', from: 'fresh', to: 'grey' },
			{ id: 'shower', name: 'Shower', from: 'fresh', to: 'grey' },
			{ id: 'toilet', name: 'Toilet', from: 'fresh', to: 'black' }
		],
		instruments: [...instrumentsOf(random, size, manner)],
		habits,
		measures: [],
		containers: [],
		care: []
	};
}
