import type { Rig, Tank } from '../logbook/index.js';
import { emptyOf, usableOf } from '../rig/index.js';

/** Why the water goes out: for the winter, or for one drive home light. */
export type LayUpStep =
	/** pump and heater off, and cold */
	| { readonly do: 'power-off' }
	| { readonly do: 'dump'; readonly tank: string; readonly litres?: number }
	| { readonly do: 'drain'; readonly tank: string; readonly litres?: number }
	| { readonly do: 'pour-out'; readonly tank: string; readonly litres?: number }
	| { readonly do: 'low-points'; readonly litres?: number }
	| { readonly do: 'heater' }
	| { readonly do: 'open-taps'; readonly outlets: readonly string[] }
	| { readonly do: 'outside-shower'; readonly outlet: string }
	| { readonly do: 'pump' }
	| { readonly do: 'meters'; readonly instruments: readonly string[] }
	| { readonly do: 'toilet'; readonly tank: string }
	| { readonly do: 'traps'; readonly outlets: readonly string[] }
	| { readonly do: 'hoses' }
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
	/** litres through the hose until the tank is full, the ones that heater and pipes swallow among them */
	| { readonly do: 'fill'; readonly tank: string; readonly litres: number; readonly swallowedL: number }
	| { readonly do: 'let-air-out'; readonly litres?: number }
	| { readonly do: 'sanitise' }
	| { readonly do: 'heater-on' }
	| { readonly do: 'prime-toilet'; readonly tank: string }
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

/**
 * How to let all water out of a rig, in order, what stays where, and the way back: made from its plumbing.
 *
 * @param rig without what is retired
 * @param litres what is in each tank, by id, where it is known
 */
export function layUpOf(rig: Rig, litres: ReadonlyMap<string, number> = new Map()): LayUp {
	const inIt = (tank: string): { readonly litres?: number } => {
		const known = litres.get(tank);
		return known === undefined ? {} : { litres: known };
	};
	const built = (holds: Tank['holds']): readonly Tank[] =>
		rig.tanks.filter((tank) => tank.holds === holds && tank.portable !== true).sort(byHeight);
	const [fresh, grey, black] = [built('fresh'), built('grey'), built('black')];
	const carried = rig.tanks.filter(({ portable }) => portable);
	const pumped = fresh.length > 0 || carried.some(({ holds }) => holds === 'fresh');
	const blackIds = new Set(rig.tanks.filter(({ holds }) => holds === 'black').map(({ id }) => id));
	const outside = rig.outlets.filter(({ to }) => to === 'ground');
	const taps = rig.outlets.filter(({ id, to }) => !blackIds.has(to) && !outside.some((one) => one.id === id));
	const trapped = taps.filter(({ to }) => to !== 'none');
	const meters = rig.instruments.filter((one) => one.kind === 'meter');
	const system = rig.systemL === undefined ? {} : { litres: rig.systemL };
	const steps: readonly LayUpStep[] = [
		...(pumped ? [{ do: 'power-off' as const }] : []),
		...[...black, ...grey].map(({ id }) => ({ do: 'dump' as const, tank: id, ...inIt(id) })),
		...fresh.map(({ id }) => ({ do: 'drain' as const, tank: id, ...inIt(id) })),
		...(pumped ? [{ do: 'heater' as const }, { do: 'low-points' as const, ...system }] : []),
		...(taps.length > 0 ? [{ do: 'open-taps' as const, outlets: taps.map(({ id }) => id) }] : []),
		...outside.map(({ id }) => ({ do: 'outside-shower' as const, outlet: id })),
		...(pumped ? [{ do: 'pump' as const }] : []),
		...(meters.length > 0 ? [{ do: 'meters' as const, instruments: meters.map(({ id }) => id) }] : []),
		...[...blackIds].map((tank) => ({ do: 'toilet' as const, tank })),
		...carried
			.filter(({ holds }) => holds !== 'black')
			.map(({ id }) => ({ do: 'pour-out' as const, tank: id, ...inIt(id) })),
		...(trapped.length > 0 ? [{ do: 'traps' as const, outlets: trapped.map(({ id }) => id) }] : []),
		{ do: 'hoses' },
		{ do: 'leave-open' }
	];
	const staying = rig.tanks.flatMap((tank): readonly Remains[] => {
		const stays = tank.holds === 'fresh' ? (tank.deadL ?? 0) : tank.portable ? 0 : emptyOf(tank);
		return stays > 0 ? [{ kind: 'tank', tank: tank.id, litres: stays }] : [];
	});
	const swallowedL = rig.systemL ?? 0;
	return {
		steps,
		remains: [
			...staying,
			...(pumped ? [{ kind: 'pump' as const }] : []),
			...(trapped.length > 0 ? [{ kind: 'traps' as const }] : [])
		],
		back: [
			{ do: 'close' },
			{ do: 'look' },
			// The tank that the pump draws from gives the pipes their part.
			...fresh.map((tank, i) => {
				const own = i === 0 ? swallowedL : 0;
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
						{ do: 'sanitise' as const },
						{ do: 'heater-on' as const }
					]
				: []),
			...[...blackIds].map((tank) => ({ do: 'prime-toilet' as const, tank })),
			{ do: 'look-again' }
		]
	};
}
