import { DAY_MS } from '../../time/index.js';
import type { Meter, Rod, Tank } from '../../logbook/index.js';
import { rodSpan, tankById, usableOf } from '../../rig/index.js';
import type { LastRead, QuickContext } from '../context.js';

/** More than this much water a day nobody uses on the road, litres a person. */
const MOST_A_DAY_L = 60;
/** Through a hose from a tap more can run. */
const MOST_BY_HOSE_L = 300;
/** What a slip of the keyboard makes of a figure: a decimal mark left out, or one too many. */
const SLIPS = [10, 100, 1000, 0.1, 0.01];

const neat = (value: number): number => Number(value.toPrecision(6));

/** What a figure was more likely meant to be, among those that a slip of the keyboard makes of one another. */
export const likelyMeant = (value: number, fits: (value: number) => boolean): number | undefined =>
	SLIPS.map((factor) => neat(value / factor)).find(fits);

const decimalPlace = (value: number): number => 10 ** Math.ceil(Math.log10(Math.max(value, 1)));
/** A display that was near its end may have begun anew (see `docs/logbook.md`). */
const mayRollOver = (last: number, value: number): boolean =>
	last >= 1000 && last >= 0.95 * decimalPlace(last) && value <= 0.1 * decimalPlace(last);

/** How much more a meter can have counted since it was last read, in its own units. */
function mostSince({ place, unitL }: Meter, last: LastRead, context: QuickContext): number {
	const days = Math.max(0, ((context.atMs ?? context.nowMs) - last.atMs) / DAY_MS);
	const tanks = context.rig.tanks.filter(({ holds }) => holds === 'fresh');
	const held = tanks.reduce((sum, tank) => sum + usableOf(tank), 0);
	const perDay =
		(context.persons ?? context.rig.crew) * MOST_A_DAY_L + (place === 'pump' ? 0 : MOST_BY_HOSE_L);
	return (2 * held + perDay * days) / unitL;
}

/** A reading that cannot well be, and what is more likely meant. */
export interface Doubtful {
	readonly why: string;
	readonly likely?: number;
	/** it could be all the same: a counter may have been set anew */
	readonly possible: boolean;
}

/** What speaks against a meter's new reading, by what it showed last. */
export function doubtOfMeter(meter: Meter, value: number, context: QuickContext): Doubtful | undefined {
	const last = context.lastRead?.get(meter.id);
	if (!last || last.atMs > (context.atMs ?? context.nowMs)) return undefined;
	const onBy = (shown: number): number => (meter.counts === 'up' ? shown - last.value : last.value - shown);
	const most = mostSince(meter, last, context);
	const fits = (shown: number): boolean => shown >= 0 && onBy(shown) >= 0 && onBy(shown) <= most;
	if (fits(value) || mayRollOver(last.value, value)) return undefined;
	const likely = likelyMeant(value, fits);
	const why =
		onBy(value) > most
			? `That is ${neat(Math.abs(onBy(value)))} past its last reading, ${last.value}.`
			: `Its last reading was ${last.value}, and it counts ${meter.counts}. If it was set again, enter “meter reset ${value}”.`;
	return { why, possible: onBy(value) < 0, ...(likely === undefined ? {} : { likely }) };
}

/** How long a rod can be wet in its tank, mm; nothing known without the tank's shape. */
export function mostWetMm(rod: Pick<Rod, 'at'>, tank: Tank | undefined): number | undefined {
	const shape = tank?.shape;
	if (!shape) return undefined;
	const span = rodSpan(shape, rod.at);
	return span && span.topMm - span.footMm;
}

/** Litres that a use takes out of the tank that gives most of it, and what that tank is thought to hold, where it is too much. */
export function moreThanThereIs(
	tankId: string,
	litres: number,
	context: QuickContext
): { readonly tank: Tank; readonly heldL: number } | undefined {
	const tank = tankById(context.rig, tankId);
	if (tank?.holds !== 'fresh') return undefined;
	const heldL = context.levels?.get(tank.id) ?? usableOf(tank);
	return litres > 1.15 * heldL + 5 ? { tank, heldL } : undefined;
}
