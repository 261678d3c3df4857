import { DAY_MS } from '../../time/index.js';
import { levelOf, expectedMeter, type Estimate } from '../../estimate/index.js';
import { aheadNow, dailyChange, dayAhead } from '../../habits/index.js';
import type { Container, Entry, Tank } from '../../logbook/index.js';
import { emptyOf, fitsL, litresPerUnit, type Hose } from '../../rig/index.js';

/** When a container is just right for what a waste tank holds. */
export interface WhenToGo {
	readonly tank: string;
	readonly container: string;
	/** what the container takes, and what would run now, litres */
	readonly fitsL: number;
	readonly runsL: number;
	/** the moment at which it is just right; past or now when it is already, or more */
	readonly atMs: number;
	/** the meter to look at, and what it shows then, displayed units */
	readonly meter?: { readonly id: string; readonly reads: number };
}

/** The container that a waste tank was last emptied into, where it lives from one. */
export function livesFrom(estimate: Estimate, tank: Tank, entries: readonly Entry[]): Container | undefined {
	const last = entries.findLast((entry) => !entry.void && entry.kind === 'dump' && entry.tank === tank.id);
	const where = last?.kind === 'dump' ? last.where : undefined;
	return estimate.model.rig.containers.find(
		({ id, retired, carries, count }) =>
			id === where && !retired && carries === tank.holds && count > 0 && where !== undefined
	);
}

/**
 * When to go with the tote: at the rate at which one lives, the moment at which the tank holds what it takes, and what the pump's
 * meter shows then. Counted from the level as it is believed, so a meter that is read late says it all the same.
 */
export function whenToGo(
	estimate: Estimate,
	tank: Tank,
	container: Container,
	hose: Hose | undefined
): WhenToGo | undefined {
	const { model, atMs } = estimate;
	const day = dayAhead(estimate, aheadNow(estimate));
	const perDayL = dailyChange(estimate, day, tank.id);
	const fits = fitsL(tank.holds, container, hose);
	const runsL = Math.max(0, levelOf(estimate, tank.id).mean - emptyOf(tank));
	const lacks = fits - runsL;
	if (!(perDayL > 0) && lacks > 0) return undefined;
	const days = Math.max(0, lacks / perDayL) || 0;
	const meter = model.rig.instruments.find(
		(one) => one.kind === 'meter' && one.place === 'pump' && !one.retired && expectedMeter(estimate, one.id)
	);
	const shows = meter && expectedMeter(estimate, meter.id);
	const drawnL = meter?.kind === 'meter' ? -dailyChange(estimate, day, meter.tank) * days : 0;
	const units = meter?.kind === 'meter' ? drawnL / litresPerUnit(meter) : 0;
	const reads =
		shows && meter?.kind === 'meter' ? shows.mean + (meter.counts === 'up' ? units : -units) : undefined;
	return {
		tank: tank.id,
		container: container.id,
		fitsL: fits,
		runsL,
		atMs: atMs + days * DAY_MS,
		...(meter && reads !== undefined && reads >= 0 ? { meter: { id: meter.id, reads } } : {})
	};
}
