/** Bytes as letters that an address takes as they are (RFC 4648, section 5, without padding). */
export function toBase64url(bytes: Uint8Array): string {
	const binary = Array.from(bytes, (byte) => String.fromCharCode(byte)).join('');
	return btoa(binary).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '');
}

/** The bytes that such letters stand for; nothing where they stand for none. */
export function fromBase64url(text: string): Uint8Array<ArrayBuffer> | undefined {
	if (!/^[\w-]+$/.test(text) || text.length % 4 === 1) return undefined;
	const binary = atob(text.replaceAll('-', '+').replaceAll('_', '/'));
	return Uint8Array.from(binary, (char) => char.charCodeAt(0));
}
