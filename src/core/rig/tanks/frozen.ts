import { instantMs, type Tank } from '../../logbook/index.js';

/** Whether a tank's valve, or what is in it, is frozen at a moment: it cannot be emptied then. */
export const isFrozenAt = ({ frozen }: Pick<Tank, 'frozen'>, ms: number): boolean =>
	frozen !== undefined &&
	instantMs(frozen.since) <= ms &&
	(frozen.until === undefined || ms < instantMs(frozen.until));
