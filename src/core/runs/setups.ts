import type { Estimate } from '../estimate/index.js';
import type { Container, Entry, Rig, Tank } from '../logbook/index.js';
import { hoseRestL, loadsOf, tankById, usableOf, type Hose, type Loads, type Vessel } from '../rig/index.js';
import { dumpLines, dumpOrder, flushedFrom, type DumpPlace } from './dump/index.js';
import { fillFigures, lastShown, passedBetween, type FillTarget } from './fill/index.js';
import type { CarrySetup, DumpSetup, FillSetup, Source, ToteSetup } from './steps/index.js';

/** What a person says before a fill. */
export interface FillWish {
	/** the tanks in the order of the hose; jugs and cans by the same hose too */
	readonly tanks: readonly { readonly tank: string; readonly target: FillTarget }[];
	readonly source: Source;
	/** the meter on the hose and what it shows now, displayed units; where what passed since its last reading went */
	readonly meter?: { readonly id: string; readonly reads: number; readonly into?: 'tank' | 'elsewhere' };
	readonly flowLpm?: number;
}

/** A meter that stands where it was left, to a tenth of a unit, has not counted since. */
const SAME = 0.05;

/** What a hose meter has counted since it was last read, litres: nothing when it stands where it was left, or was never read. */
export function passedSince(
	rig: Rig,
	entries: readonly Entry[],
	meterId: string,
	reads: number
): { readonly kind: 'first' | 'same' | 'backwards' } | { readonly kind: 'passed'; readonly litres: number } {
	const meter = rig.instruments.find(({ id }) => id === meterId);
	const last = meter?.kind === 'meter' ? lastShown(meter, entries) : undefined;
	if (meter?.kind !== 'meter' || last === undefined) return { kind: 'first' };
	if (Math.abs(reads - last) <= SAME) return { kind: 'same' };
	const passed = passedBetween(meter, last, reads);
	return passed.kind === 'backwards' ? passed : { kind: 'passed', litres: passed.litres };
}

function meterOfWish(
	{ model }: Estimate,
	entries: readonly Entry[],
	meter: NonNullable<FillWish['meter']>
): NonNullable<FillSetup['meter']> {
	const { id, reads } = meter;
	const since = passedSince(model.rig, entries, id, reads);
	switch (since.kind) {
		case 'first':
			return { id, reads, since: 'first' };
		case 'same':
			return { id, reads, since: 'as-logged' };
		// It was reset, or turned round: it counts from here.
		case 'backwards':
			return { id, reads, since: 'elsewhere' };
		case 'passed':
			return meter.into === 'tank'
				? { id, reads, since: 'unwritten', passedL: since.litres }
				: { id, reads, since: 'elsewhere' };
	}
}

/**
 * Sets a fill up: what each tank takes, by what is believed now.
 *
 * @param entries of the rig, those that count, in order
 * @throws RangeError as `fillFigures`, or when no tank is named
 */
export function fillSetup(estimate: Estimate, entries: readonly Entry[], wish: FillWish): FillSetup {
	const { rig } = estimate.model;
	if (wish.tanks.length === 0) throw new RangeError('choose which tank to fill');
	const filled = new Set(wish.tanks.map(({ tank }) => tank));
	return {
		kind: 'fill',
		parts: wish.tanks.map(({ tank, target }) => {
			const { takeL, roomL, levelL, leavesL, usableL } = fillFigures(estimate, tank, target);
			return { tank, toFull: target.kind === 'full', takeL: takeL.p50, roomL, levelL, leavesL, usableL };
		}),
		source: wish.source,
		...(wish.meter ? { meter: meterOfWish(estimate, entries, wish.meter) } : {}),
		...(wish.flowLpm === undefined ? {} : { flowLpm: wish.flowLpm }),
		counters: rig.instruments.flatMap((one) =>
			one.kind === 'meter' &&
			one.place === 'pump' &&
			one.counts === 'down' &&
			!one.retired &&
			filled.has(one.tank)
				? [{ meter: one.id, tank: one.tank }]
				: []
		)
	};
}

/** Sets a dump up, in the right order; nothing where there is nothing to empty. */
export function dumpSetup(
	estimate: Estimate,
	tanks: readonly string[],
	place: DumpPlace = {}
): DumpSetup | undefined {
	const { where, pumped } = place;
	// Only a hose into a drain lets grey run back.
	const hose = !pumped && where !== 'overboard' && where !== 'ground' && estimate.model.rig.kind !== 'boat';
	const order = dumpOrder(estimate, tanks, hose);
	if (order.length === 0) return undefined;
	const flushed = order.find((step) => step.do === 'backflush')?.tank;
	const from = flushed === undefined ? undefined : flushedFrom(estimate, tanks, flushed);
	return {
		kind: 'dump',
		order,
		lines: dumpLines(estimate.model.rig, order, place),
		...(from === undefined ? {} : { flushedFrom: from }),
		...(where === undefined ? {} : { where }),
		...(pumped ? { pumped } : {})
	};
}

/**
 * Sets a way with a tote, drum or bucket up.
 *
 * @param litres what is to go
 * @param hose between tank and container; none where it is poured
 * @param partL what the container holds already, litres
 * @throws RangeError when the container is not for what the tank holds, or nothing fits it
 */
export function toteSetup(
	tank: Tank,
	container: Container,
	litres: number,
	hose: Hose | undefined,
	partL = 0
): ToteSetup {
	if (tank.holds !== container.carries)
		throw new RangeError(
			`${tank.name} holds ${tank.holds}, ${container.name} carries ${container.carries}; choose a container for ${tank.holds}`
		);
	if (!(partL >= 0 && partL <= container.capacityL))
		throw new RangeError(`${container.name} can’t hold ${partL} L; give 0 … ${container.capacityL}`);
	const { keepFreeL } = loadsOf(container.carries, litres, container, hose, partL);
	const hoseL = hoseRestL(container.carries, hose);
	const fits = container.capacityL - container.headroomL;
	return {
		kind: 'tote',
		tank: tank.id,
		container: container.id,
		litres,
		capacityL: container.capacityL,
		keepFreeL,
		...(hoseL > 0 ? { hoseL } : {}),
		tareKg: container.tareKg,
		partL,
		emptyFirst: partL > 0 && !(fits - partL > Math.max(SAME, hoseL))
	};
}

/** What is brought in by hand. */
export interface CarryWish {
	readonly into: string;
	readonly litres: number;
	readonly by:
		| { readonly kind: 'container'; readonly container: Container }
		| { readonly kind: 'jugs'; readonly ids: readonly string[] }
		| { readonly kind: 'bottles'; readonly litresEach: number };
	readonly how: 'gravity' | 'pump';
	readonly source: Source;
}

/** A list cut into pieces of so many. */
const inPieces = <T>(list: readonly T[], size: number): readonly (readonly T[])[] =>
	Array.from({ length: Math.ceil(list.length / size) }, (_, i) => list.slice(i * size, (i + 1) * size));

/** A bottle weighs next to nothing empty. */
const BOTTLE = { headroomL: 0, tareKg: 0 } as const;

/** What carries the water of a wish: jugs that are tanks are alike only as the smallest of them is. */
function vesselOf(rig: Rig, { by, litres }: CarryWish): Vessel {
	switch (by.kind) {
		case 'container':
			return by.container;
		case 'bottles':
			return { ...BOTTLE, capacityL: by.litresEach, count: Math.max(1, Math.ceil(litres / by.litresEach)) };
		case 'jugs': {
			const jugs = by.ids.flatMap((id) => tankById(rig, id) ?? []);
			return {
				headroomL: 0,
				capacityL: Math.min(...jugs.map(usableOf)),
				tareKg: Math.max(0, ...jugs.map(({ tareKg = 0 }) => tareKg)),
				count: jugs.length
			};
		}
	}
}

/** The loads and trips of a wish. @throws RangeError as `loadsOf` */
export const carryLoads = (rig: Rig, wish: CarryWish): Loads =>
	loadsOf('fresh', wish.litres, vesselOf(rig, wish));

/**
 * Sets water carried by hand up: which trips, and how full each jug is.
 *
 * @throws RangeError when the container does not carry fresh water or nothing fits it
 */
export function carrySetup(rig: Rig, wish: CarryWish): CarrySetup {
	const { by, into, how, source } = wish;
	if (by.kind === 'container' && by.container.carries !== 'fresh')
		throw new RangeError(
			`${by.container.name} carries ${by.container.carries}; drinking water needs its own container`
		);
	if (tankById(rig, into)?.holds !== 'fresh') throw new RangeError('choose which fresh tank it goes into');
	const vessel = vesselOf(rig, wish);
	const { loadL } = carryLoads(rig, wish);
	return {
		kind: 'carry',
		into,
		by:
			by.kind === 'container'
				? { kind: 'container', id: by.container.id }
				: by.kind === 'jugs'
					? { kind: 'jugs', ids: by.ids }
					: { kind: 'bottles' },
		trips: inPieces(loadL, vessel.count),
		tareKg: vessel.tareKg,
		how,
		source
	};
}
