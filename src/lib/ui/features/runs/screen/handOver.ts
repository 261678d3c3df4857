import { readRun, type Run } from '$core/runs';

const bytesOf = (text: string): Uint8Array => new TextEncoder().encode(text);

/** A run as the end of an address: what another phone needs to go on with it, and to write the same entries. */
export function handedOver(run: Run): string {
	const binary = Array.from(bytesOf(JSON.stringify(run)), (byte) => String.fromCharCode(byte)).join('');
	return btoa(binary).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '');
}

/** The run in the end of an address; nothing where that is none, or was cut off on the way. */
export function readHanded(text: string): Run | undefined {
	if (text === '' || !/^[\w-]+$/.test(text)) return undefined;
	try {
		const binary = atob(text.replaceAll('-', '+').replaceAll('_', '/'));
		const bytes = Uint8Array.from(binary, (char) => char.charCodeAt(0));
		return readRun(JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)));
	} catch {
		// Cut off or mistyped: it is told as a run that is not there.
		return undefined;
	}
}
