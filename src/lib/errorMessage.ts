/** How browsers say that code could not be fetched: each in its own words, with an address that tells nobody anything. */
const NOT_FETCHED = /dynamically imported module|importing a module script/i;

/** What something that was thrown says. */
export function errorMessage(error: unknown): string {
	const says = error instanceof Error ? error.message : String(error);
	return NOT_FETCHED.test(says) ? 'a part of Dipsometer couldn’t be loaded' : says;
}
