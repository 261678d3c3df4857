import { instantMs, type Logbook } from '../../logbook/index.js';
import type { Timeline } from '../../time/index.js';

/** Which hook-ups hold. */
export interface HookUp {
	readonly mains: boolean;
	readonly sewer: boolean;
}

const UNHOOKED: HookUp = { mains: false, sewer: false };

/**
 * The hook-ups that a rig's trips have in store: at a stop that has them from its arrival to its departure. One that
 * holds now ends with the first of these, whatever it says: nobody drives with a hose.
 */
export const hookUpsOf = (rigId: string, trips: Logbook['trips']): Timeline<HookUp> =>
	trips
		.filter(({ rig }) => rig === rigId)
		.flatMap(({ stops }) =>
			stops.flatMap(({ arrive, depart, services }) => [
				{
					ms: instantMs(arrive),
					is: {
						mains: services.some(({ kind }) => kind === 'mains'),
						sewer: services.some(({ kind }) => kind === 'sewer')
					}
				},
				{ ms: instantMs(depart), is: UNHOOKED }
			])
		)
		.sort((a, b) => a.ms - b.ms);
