/** The cookie by which the server knows from where else this page may load pictures; scripts/serve.mjs reads it. */
const COOKIE = 'tiles';
const YEAR_S = 31_536_000;

/** What is wrong with the address of a tile server, where something is. */
export function tilesWrong(template: string): string | undefined {
	if (!['{z}', '{x}', '{y}'].every((part) => template.includes(part)))
		return 'an address with {z}, {x} and {y} in it';
	const address = URL.canParse(template) ? new URL(template) : undefined;
	if (!address || !/^https?:$/.test(address.protocol))
		return 'an address that begins with https:// or http://';
	return /[{}]/.test(decodeURI(address.host))
		? 'an address whose server is one, without {…} in its name'
		: undefined;
}

/** Lets the server allow the pictures of a tile server, and of no other, from the next load of a page on. */
export function allowTiles(template: string | undefined): void {
	const origin = template === undefined ? '' : new URL(template).origin;
	document.cookie = `${COOKIE}=${encodeURIComponent(origin)}; path=/; max-age=${origin === '' ? 0 : YEAR_S}; samesite=strict`;
}
