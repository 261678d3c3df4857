/** Milliseconds of a minute, an hour and a day of 24 hours. */
export const MINUTE_MS = 60_000;
export const HOUR_MS = 3_600_000;
export const DAY_MS = 86_400_000;
