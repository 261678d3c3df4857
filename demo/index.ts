import { mergeLogbooks, type Logbook } from '../src/core/logbook';
import { boatLogbook } from './boat';
import { camperLogbook } from './camper';

export { boatLogbook, camperLogbook };

/** Both demo rigs in one logbook, dated so that their trips are under way at a moment. */
export const demoLogbook = (nowMs: number, timeZone: string): Logbook =>
	mergeLogbooks(camperLogbook(nowMs, timeZone), boatLogbook(nowMs, timeZone));
