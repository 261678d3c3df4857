/** A minute, ms. */
export const MINUTE_MS = 60_000;
/** An hour, ms. */
export const HOUR_MS = 3_600_000;
/** A day of 24 hours, ms. */
export const DAY_MS = 86_400_000;
