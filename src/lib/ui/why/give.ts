/** Beside a figure stands what nine in ten lie within: so many standard deviations either way. */
export const GIVE = 1.645;
