import type { Outlet, Rig } from '../../logbook/index.js';
import { tankById } from '../tanks/index.js';

/** Whether an outlet is a toilet that flushes from its own small tank: on land, where no sea is at hand. */
export const isFlushTank = (rig: Pick<Rig, 'tanks' | 'kind'>, { from, to, retired }: Outlet): boolean =>
	!retired && rig.kind === 'camper' && from === 'outside' && tankById(rig, to)?.holds === 'black';
