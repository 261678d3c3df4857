/** Where water is planned to be taken. */
export const DRINKING_CAUTION =
	'Drinking water only from a source that a sign or a person calls drinking water, through a drinking-water hose.';

/** Where waste is planned to be dumped. */
export const DUMP_CAUTION =
	'Black only at designated places, with gloves; grey on the ground or overboard only where local rules allow. They differ.';
