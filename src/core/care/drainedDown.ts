import { instantMs, type Entry, type Rig } from '../logbook/index.js';

/**
 * Litres that heater and pipes swallow of the next fill of a tank: what they hold, when all was drained down since it was last
 * filled. That is known from a fresh tank that was emptied, or from a task of the frost or the lay-up that was done.
 *
 * @param entries of the rig, in order
 * @returns 0 when nothing was drained, or nobody knows how much they hold
 */
export function swallowedL(rig: Rig, entries: readonly Entry[], tankId: string): number {
	const tank = rig.tanks.find(({ id }) => id === tankId);
	if (!rig.systemL || tank?.holds !== 'fresh' || tank.portable) return 0;
	const seasons = new Map(rig.care.map(({ id, season }) => [id, season]));
	const last = (is: (entry: Entry) => boolean): number => {
		const found = entries.findLast((entry) => entry.void !== true && is(entry));
		return found ? instantMs(found.at) : -Infinity;
	};
	const filled = last((entry) => entry.kind === 'fill' && entry.tank === tankId);
	const drained = last(
		(entry) =>
			(entry.kind === 'dump' && entry.tank === tankId && entry.to === 'empty') ||
			(entry.kind === 'care' && ['frost', 'lay-up'].includes(seasons.get(entry.task) ?? ''))
	);
	return drained > filled ? rig.systemL : 0;
}
