import type { Outlet, Rig, Tank } from '../logbook/index.js';
import { chargeOf, emptyOf, isFlushTank, usableOf } from '../rig/index.js';
import { hasWasher, watermakersOf } from './equipment.js';

/** A step of letting all water out, for the winter or for a drive home light. */
export type LayUpStep =
	/** pump and heater off, and cold */
	| { readonly do: 'power-off' }
	| { readonly do: 'open-taps'; readonly outlets: readonly string[] }
	| { readonly do: 'outside-shower'; readonly outlet: string }
	| { readonly do: 'drain'; readonly tank: string; readonly litres?: number }
	| { readonly do: 'low-points'; readonly litres?: number }
	| { readonly do: 'heater' }
	/** what holds water between tank and tap: check valve and inlet, filter housings, accumulator */
	| { readonly do: 'fittings' }
	| { readonly do: 'pump' }
	| { readonly do: 'meters'; readonly instruments: readonly string[] }
	| { readonly do: 'washer' }
	| { readonly do: 'flush-tank'; readonly outlet: string }
	| { readonly do: 'toilet'; readonly tank: string; readonly sea: boolean }
	/** a boat's sea water: seacocks, strainers, raw-water pump, deck wash */
	| { readonly do: 'sea-water' }
	| { readonly do: 'watermaker'; readonly source: string }
	| { readonly do: 'pour-out'; readonly tank: string; readonly litres?: number }
	| { readonly do: 'traps'; readonly outlets: readonly string[] }
	| { readonly do: 'hoses' }
	| { readonly do: 'dump'; readonly tank: string; readonly litres?: number }
	| { readonly do: 'macerator' }
	| { readonly do: 'shut-waste'; readonly tanks: readonly string[] }
	| { readonly do: 'leave-open' };

/** What stays when all of it is done. */
export interface Remains {
	readonly kind: 'tank' | 'pump' | 'traps';
	readonly tank?: string;
	readonly litres?: number;
}

/** One step on the way back into use after a lay-up. */
export type WayBackStep =
	| { readonly do: 'close' }
	| { readonly do: 'look' }
	| { readonly do: 'sea-water' }
	| { readonly do: 'watermaker'; readonly source: string }
	/** the dose first, then the water on it */
	| { readonly do: 'dose' }
	/** litres through the hose until the tank is full, the ones that heater and pipes swallow among them */
	| { readonly do: 'fill'; readonly tank: string; readonly litres: number; readonly swallowedL: number }
	| { readonly do: 'let-air-out'; readonly litres?: number }
	| { readonly do: 'soak-and-rinse' }
	| { readonly do: 'cartridges' }
	| { readonly do: 'heater-on' }
	| { readonly do: 'prime-toilet'; readonly tank: string; readonly litres?: number }
	| { readonly do: 'look-again' };

/** What is to be done to drain a rig down, and on the way back, in order. */
export interface LayUp {
	readonly steps: readonly LayUpStep[];
	readonly remains: readonly Remains[];
	readonly back: readonly WayBackStep[];
}

const LOWEST_FIRST: readonly (Tank['exposure'] | undefined)[] = [
	'underslung',
	'bilge',
	'outside',
	undefined,
	'inside'
];
const byHeight = (a: Tank, b: Tank): number =>
	LOWEST_FIRST.indexOf(a.exposure) - LOWEST_FIRST.indexOf(b.exposure);
const ids = (list: readonly { readonly id: string }[]): readonly string[] => list.map(({ id }) => id);

/** What of a rig a lay-up goes round. */
interface Parts {
	readonly fresh: readonly Tank[];
	readonly grey: readonly Tank[];
	readonly black: readonly Tank[];
	readonly carried: readonly Tank[];
	readonly toilets: readonly Tank[];
	readonly outside: readonly Outlet[];
	readonly taps: readonly Outlet[];
	readonly trapped: readonly Outlet[];
	/** there is a pump, with what belongs to it */
	readonly pumped: boolean;
}

function partsOf(rig: Rig): Parts {
	const built = (holds: Tank['holds']): readonly Tank[] =>
		rig.tanks.filter((tank) => tank.holds === holds && tank.portable !== true).sort(byHeight);
	const carried = rig.tanks.filter(({ portable }) => portable);
	const fresh = built('fresh');
	const toilets = rig.tanks.filter(({ holds }) => holds === 'black');
	const outside = rig.outlets.filter(({ to }) => to === 'ground');
	const taps = rig.outlets.filter(
		({ id, to, from }) =>
			from !== 'outside' && !toilets.some((tank) => tank.id === to) && !outside.some((one) => one.id === id)
	);
	return {
		fresh,
		grey: built('grey'),
		black: built('black'),
		carried,
		toilets,
		outside,
		taps,
		trapped: taps.filter(({ to }) => to !== 'none'),
		pumped: fresh.length > 0 || carried.some(({ holds }) => holds === 'fresh')
	};
}

/**
 * All water out, in the order in which it leaves: power off and cold; air in at every tap; tanks, low points, heater; what holds
 * water on its way; then what all of that ran into, grey last of all; shut for driving.
 */
function stepsDown(rig: Rig, parts: Parts, litres: ReadonlyMap<string, number>): readonly LayUpStep[] {
	const { fresh, grey, black, carried, toilets, outside, taps, trapped, pumped } = parts;
	const inIt = (tank: string): { readonly litres?: number } => {
		const known = litres.get(tank);
		return known === undefined ? {} : { litres: known };
	};
	const boat = rig.kind === 'boat';
	const meters = rig.instruments.filter((one) => one.kind === 'meter');
	const system = rig.systemL === undefined ? {} : { litres: rig.systemL };
	const seaFlushed = (tank: Tank): boolean =>
		boat && rig.outlets.some(({ from, to }) => from === 'outside' && to === tank.id);
	return [
		...(pumped ? [{ do: 'power-off' as const }] : []),
		...(taps.length > 0 ? [{ do: 'open-taps' as const, outlets: ids(taps) }] : []),
		...outside.map(({ id }) => ({ do: 'outside-shower' as const, outlet: id })),
		...fresh.map(({ id }) => ({ do: 'drain' as const, tank: id, ...inIt(id) })),
		...(pumped
			? [
					{ do: 'low-points' as const, ...system },
					{ do: 'heater' as const },
					{ do: 'fittings' as const },
					{ do: 'pump' as const }
				]
			: []),
		...(meters.length > 0 ? [{ do: 'meters' as const, instruments: ids(meters) }] : []),
		...(hasWasher(rig) ? [{ do: 'washer' as const }] : []),
		...rig.outlets
			.filter((outlet) => isFlushTank(rig, outlet))
			.map(({ id }) => ({ do: 'flush-tank' as const, outlet: id })),
		...(boat ? [{ do: 'sea-water' as const }] : []),
		...watermakersOf(rig).map(({ id }) => ({ do: 'watermaker' as const, source: id })),
		...carried
			.filter(({ holds }) => holds === 'fresh')
			.map(({ id }) => ({ do: 'pour-out' as const, tank: id, ...inIt(id) })),
		{ do: 'hoses' },
		...toilets.map((tank) => ({ do: 'toilet' as const, tank: tank.id, sea: seaFlushed(tank) })),
		...(trapped.length > 0 ? [{ do: 'traps' as const, outlets: ids(trapped) }] : []),
		// All that is above has run into them: black before grey, grey last of all.
		...[...black, ...carried.filter(({ holds }) => holds !== 'fresh').sort(blackFirst), ...grey].map(
			({ id }) => ({
				do: 'dump' as const,
				tank: id,
				...inIt(id)
			})
		),
		...(boat && black.length + grey.length > 0 ? [{ do: 'macerator' as const }] : []),
		...(black.length + grey.length > 0
			? [{ do: 'shut-waste' as const, tanks: ids([...black, ...grey]) }]
			: []),
		...(pumped ? [{ do: 'leave-open' as const }] : [])
	];
}

const blackFirst = (a: Tank, b: Tank): number => Number(b.holds === 'black') - Number(a.holds === 'black');

/**
 * How to let all water out of a rig, in order, what stays where, and the way back: made from its plumbing.
 *
 * @param rig without what is retired
 * @param litres what is in each tank, by id, where it is known
 */
export function layUpOf(rig: Rig, litres: ReadonlyMap<string, number> = new Map()): LayUp {
	const parts = partsOf(rig);
	const { fresh, toilets, trapped, pumped } = parts;
	const staying = rig.tanks.flatMap((tank): readonly Remains[] => {
		const stays = tank.holds === 'fresh' ? (tank.deadL ?? 0) : tank.portable ? 0 : emptyOf(tank);
		return stays > 0 ? [{ kind: 'tank', tank: tank.id, litres: stays }] : [];
	});
	const system = rig.systemL === undefined ? {} : { litres: rig.systemL };
	const boat = rig.kind === 'boat';
	return {
		steps: stepsDown(rig, parts, litres),
		remains: [
			...staying,
			...(pumped ? [{ kind: 'pump' as const }] : []),
			...(trapped.length > 0 ? [{ kind: 'traps' as const }] : [])
		],
		back: [
			{ do: 'close' },
			{ do: 'look' },
			...(boat ? [{ do: 'sea-water' as const }] : []),
			...(pumped ? [{ do: 'dose' as const }] : []),
			// The tank that the pump draws from gives the pipes their part.
			...fresh.map((tank, i) => {
				const own = i === 0 ? (rig.systemL ?? 0) : 0;
				return {
					do: 'fill' as const,
					tank: tank.id,
					litres: usableOf(tank) + (tank.deadL ?? 0) + own,
					swallowedL: own
				};
			}),
			...(pumped
				? [
						{ do: 'let-air-out' as const, ...system },
						{ do: 'soak-and-rinse' as const },
						{ do: 'cartridges' as const },
						{ do: 'heater-on' as const }
					]
				: []),
			...watermakersOf(rig).map(({ id }) => ({ do: 'watermaker' as const, source: id })),
			...toilets.map((tank) => ({
				do: 'prime-toilet' as const,
				tank: tank.id,
				...(chargeOf(tank) > 0 ? { litres: chargeOf(tank) } : {})
			})),
			{ do: 'look-again' }
		]
	};
}
