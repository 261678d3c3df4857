/** Where water is planned to be taken. */
export const DRINKING_CAUTION =
	'Fill drinking water only where a sign or a person says it is, through a drinking-water hose.';

/** Where waste is dumped. */
export const DUMP_CAUTION =
	'Dump black only at designated places, with gloves; run grey on the ground or overboard only where local rules allow it. They differ.';

/** Before one drinks at a place. */
export const DRINK_ONLY = 'Drink it only where a sign or a person says it is drinking water.';

/** What makes a source one of drinking water. */
export const SOURCE_SAYS = 'Spring, tap, tanker. It is drinking water only if a sign or a person says so.';

/** At a pressure hook-up. */
export const REGULATOR = 'Use a regulator at the tap: it protects the pipes.';

/** The lengths of legs after a stop was skipped or moved. */
export const LEGS_UNCHANGED = 'Leg distances are unchanged; correct any that differ.';

/** Where nothing that was tried makes a plan work. */
export const NO_FIX = 'No single change fixes it. Combine several, or shorten the trip.';

/** What a plan before its first day assumes. */
export const sayPlannedFrom = (day: string): string =>
	`Planned as if you set out on ${day} with full water and empty waste tanks, living as you do now.`;
