import type { UnitChoice } from '$core/units';

/** From where something is asked: of which rig, at which moment, in whose zone and units. */
export interface Standpoint {
	readonly rig: string;
	/** the trip at hand */
	readonly trip?: string | undefined;
	readonly atMs: number;
	readonly timeZone: string;
	/** the zone of the rig's person, for days on which no trip is under way; the rig's own when absent */
	readonly home?: string;
	readonly units?: UnitChoice;
	/** how many times as wide forecasts are drawn, by their own record; as they are when absent */
	readonly inflation?: number | undefined;
}
