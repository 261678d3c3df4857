import { levelOf, standingLevelWith, type Estimate } from '../../estimate/index.js';
import type { Tank } from '../../logbook/index.js';
import { emptyOf, tankById, usableOf } from '../../rig/index.js';

/** What is done at a drain. */
export type DumpAct = 'open-vent' | 'empty' | 'backflush' | 'rinse' | 'treat' | 'cap';

/** One step at a drain. */
export interface DumpStep {
	readonly do: DumpAct;
	readonly tank?: string;
	/** emptied: what will run; backflushed: what of grey is let in; treated: water that goes back */
	readonly litres?: number;
}

/** Less grey than this flushes nothing back, litres. */
const ENOUGH_TO_FLUSH_L = 3;
/** So much of the grey is let back, and the rest kept to rinse the hose at the end. */
const FLUSHED_SHARE = 0.5;
/** A black tank is filled so far when it is flushed: more would stand in the toilet. */
const FLUSHED_UP_TO = 0.5;
/** Water that goes back so that black is never dry: of what serves, and at least so much, litres. */
const WET_SHARE = 0.05;
const WET_L = 1;

/** Water that goes back into an emptied black tank, litres, to the half. */
export const wetL = (tank: Tank): number => Math.max(WET_L, Math.round(2 * WET_SHARE * usableOf(tank)) / 2);

/** A tank with all that stands level with it: they run as one. */
interface Body {
	readonly tank: Tank;
	/** litres that run out of it */
	readonly runs: number;
	readonly usableL: number;
	readonly byHand: boolean;
}

function bodiesOf(estimate: Estimate, ids: readonly string[]): readonly Body[] {
	const { rig } = estimate.model;
	const seen = new Set<string>();
	return ids.flatMap((id): readonly Body[] => {
		const tank = tankById(rig, id);
		if (!tank || tank.holds === 'fresh' || seen.has(id)) return [];
		const members = standingLevelWith(estimate, id).map((one) => tankById(rig, one) ?? tank);
		members.forEach((one) => seen.add(one.id));
		const sum = (of: (one: Tank) => number): number => members.reduce((all, one) => all + of(one), 0);
		return [
			{
				tank,
				runs: sum((one) => Math.max(0, levelOf(estimate, one.id).mean - emptyOf(one))),
				usableL: sum(usableOf),
				byHand: tank.portable === true
			}
		];
	});
}

/**
 * The right order at a drain, from the plumbing: black before grey always; grey let back into black through the outlet that they
 * share, where there is enough of it; grey last, the fullest at the very end, so that the hose ends rinsed; water back into
 * black, which is never left dry. What is carried by hand shares no outlet: it is rinsed by itself.
 *
 * @param tanks ids of waste tanks to empty; others are passed over
 * @returns no steps where there is nothing to empty
 */
export function dumpOrder(estimate: Estimate, tanks: readonly string[]): readonly DumpStep[] {
	const bodies = bodiesOf(estimate, tanks);
	if (bodies.length === 0) return [];
	const black = bodies.filter(({ tank }) => tank.holds === 'black');
	const grey = bodies
		.filter(({ tank }) => tank.holds === 'grey')
		.sort((a, b) => Number(b.byHand) - Number(a.byHand) || a.runs - b.runs);
	const source = grey.findLast(({ byHand, runs }) => !byHand && runs >= ENOUGH_TO_FLUSH_L);
	let left = source ? FLUSHED_SHARE * source.runs : 0;
	let flushed = 0;
	const emptied = black.flatMap(({ tank: { id }, runs, usableL, byHand }): readonly DumpStep[] => {
		const empty: DumpStep = { do: 'empty', tank: id, litres: runs };
		const litres = byHand ? 0 : Math.min(left, FLUSHED_UP_TO * usableL);
		if (litres < ENOUGH_TO_FLUSH_L / 2) return [empty, { do: 'rinse', tank: id }];
		left -= litres;
		flushed += litres;
		return [empty, { do: 'backflush', tank: id, litres }, { ...empty, litres }];
	});
	return [
		{ do: 'open-vent' },
		...emptied,
		...grey.map((body): DumpStep => ({
			do: 'empty',
			tank: body.tank.id,
			litres: body.runs - (body === source ? flushed : 0)
		})),
		{ do: 'cap' },
		...black.map(({ tank }): DumpStep => ({ do: 'treat', tank: tank.id, litres: wetL(tank) }))
	];
}

/** Which grey tank is let back into black: the one with most in it. */
export function flushedFrom(estimate: Estimate, tanks: readonly string[]): string | undefined {
	return bodiesOf(estimate, tanks)
		.filter(({ tank, byHand }) => tank.holds === 'grey' && !byHand)
		.reduce<Body | undefined>((most, one) => (most && most.runs >= one.runs ? most : one), undefined)?.tank
		.id;
}
