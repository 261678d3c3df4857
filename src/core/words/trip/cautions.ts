/** Where water is planned to be taken. */
export const DRINKING_CAUTION =
	'Fill drinking water only where a sign or a person says it is, through a drinking-water hose.';

/** Where waste is planned to be dumped. */
export const DUMP_CAUTION =
	'Dump black only at designated places, with gloves; run grey on the ground or overboard only where local rules allow it. They differ.';
