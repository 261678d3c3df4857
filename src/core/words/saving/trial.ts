/** How a random trial is made. */
export const TRIAL_IS =
	'Half of the days with it, half without, picked at random in pairs, so that heat and mood affect both alike. It is switched on and off for you, from tomorrow morning.';

/** What a trial of whole days needs. */
export const TRIAL_NEEDS =
	'For litres of a whole day, read the pump meter on some days with it and on some without.';

/** What the worth of ways to save rests on. */
export const IDEAS_ARE =
	'Opinions differ on which is worth the effort. Add what you might do: what it is worth here is calculated, and measured where possible.';
