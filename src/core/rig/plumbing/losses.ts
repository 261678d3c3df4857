import type { Habit, Rig } from '../../logbook/index.js';

/**
 * Whether a habit is none, but water that leaves by another way: given away, spilled, leaked, tipped out. It reaches no tank, and comes
 * as it comes, so that no forecast expects it.
 */
export const isLoss = (rig: Rig, { outlet: id, often }: Pick<Habit, 'outlet' | 'often'>): boolean => {
	const outlet = rig.outlets.find((one) => one.id === id);
	return often.times === 0 && outlet !== undefined && !rig.tanks.some((tank) => tank.id === outlet.to);
};
