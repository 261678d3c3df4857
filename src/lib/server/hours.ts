import { hoursReader } from '$core/hours';

/** The one reader of opening hours of the server: what it has read once it need not read again. */
export const hours = hoursReader();
