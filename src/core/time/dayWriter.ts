/**
 * Makes what writes a day, told as its midnight in UTC, ms, in a form of words: `Wed 21 Apr`.
 *
 * The formatter is made with the first day, and once: to make one takes longer than to write a hundred days with it, and the
 * first of a process some 60 to 150 ms, as the browser then looks through all the languages it knows.
 */
export function dayWriter(form: Intl.DateTimeFormatOptions): (ms: number) => string {
	let format: Intl.DateTimeFormat | undefined;
	return (ms) => (format ??= new Intl.DateTimeFormat('en-GB', { timeZone: 'UTC', ...form })).format(ms);
}
