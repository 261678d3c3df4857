import { levelOf, standingLevelWith, type Estimate } from '../../estimate/index.js';
import type { Tank } from '../../logbook/index.js';
import { drainOf, emptyOf, tankById, usableOf } from '../../rig/index.js';

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

/** Water that goes back into an emptied black tank, litres: what its people put back, else a little, to the half. */
export const wetL = (tank: Tank): number =>
	tank.chargeL ?? Math.max(WET_L, Math.round(2 * WET_SHARE * usableOf(tank)) / 2);

/** A tank with all that stands level with it: they run as one. */
interface Body {
	readonly tank: Tank;
	/** litres that run out of it */
	readonly runs: number;
	readonly usableL: number;
	readonly byHand: boolean;
	/** through which it runs out */
	readonly drain: string;
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
				byHand: tank.portable === true,
				drain: drainOf(rig, tank)
			}
		];
	});
}

/**
 * The right order at a drain, from the plumbing: black before grey always; grey let back into black through the outlet that they
 * share, where there is enough of it; grey last, the fullest at the very end, so that the hose ends rinsed; water back into
 * black, which is never left dry. What shares no outlet, such as what is carried by hand, is rinsed by itself.
 *
 * @param tanks ids of waste tanks to empty; others are passed over
 * @param backflush whether grey may be let back at all: not where a pump or the sea takes it
 * @returns no steps where there is nothing to empty
 */
export function dumpOrder(
	estimate: Estimate,
	tanks: readonly string[],
	backflush = true
): readonly DumpStep[] {
	const bodies = bodiesOf(estimate, tanks);
	if (bodies.length === 0) return [];
	const black = bodies.filter(({ tank }) => tank.holds === 'black');
	const grey = bodies
		.filter(({ tank }) => tank.holds === 'grey')
		.sort((a, b) => Number(b.byHand) - Number(a.byHand) || a.runs - b.runs);
	/** what may still be let back of each grey tank, and what was */
	const left = new Map(
		grey.map((body) => [body, body.runs >= ENOUGH_TO_FLUSH_L ? FLUSHED_SHARE * body.runs : 0])
	);
	const flushed = new Map<Body, number>();
	const emptied = black.flatMap((body): readonly DumpStep[] => {
		const { id } = body.tank;
		const empty: DumpStep = { do: 'empty', tank: id, litres: body.runs };
		const source = backflush ? sourceFor(body, grey) : undefined;
		const litres = source ? Math.min(left.get(source) ?? 0, FLUSHED_UP_TO * body.usableL) : 0;
		if (!source || litres < ENOUGH_TO_FLUSH_L / 2) return [empty, { do: 'rinse', tank: id }];
		left.set(source, (left.get(source) ?? 0) - litres);
		flushed.set(source, (flushed.get(source) ?? 0) + litres);
		return [empty, { do: 'backflush', tank: id, litres }, { ...empty, litres }];
	});
	return [
		{ do: 'open-vent' },
		...emptied,
		...grey.map((body): DumpStep => ({
			do: 'empty',
			tank: body.tank.id,
			litres: body.runs - (flushed.get(body) ?? 0)
		})),
		{ do: 'cap' },
		...black.map(({ tank }): DumpStep => ({ do: 'treat', tank: tank.id, litres: wetL(tank) }))
	];
}

/** The grey tank that is let back into a black one: of those that share its outlet, the one with most in it. */
const sourceFor = ({ drain }: Body, grey: readonly Body[]): Body | undefined =>
	grey
		.filter((body) => body.drain === drain)
		.reduce<Body | undefined>((most, one) => (most && most.runs >= one.runs ? most : one), undefined);

/** Which grey tank is let back into a black one at a drain; nothing where none shares its outlet. */
export function flushedFrom(estimate: Estimate, tanks: readonly string[], black: string): string | undefined {
	const bodies = bodiesOf(estimate, tanks);
	const of = bodies.find(({ tank }) => tank.id === black);
	return (
		of &&
		sourceFor(
			of,
			bodies.filter(({ tank }) => tank.holds === 'grey')
		)?.tank.id
	);
}
