import { readRun, type Run } from '$core/runs';
import { fromBase64url, toBase64url } from '$lib/exchange';

/** A run as the end of an address: what another phone needs to go on with it, and to write the same entries. */
export const handedOver = (run: Run): string => toBase64url(new TextEncoder().encode(JSON.stringify(run)));

/** The run in the end of an address; nothing where that is none, or was cut off on the way. */
export function readHanded(text: string): Run | undefined {
	const bytes = fromBase64url(text);
	if (!bytes) return undefined;
	try {
		return readRun(JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes)));
	} catch {
		// Cut off or mistyped: it is told as a run that is not there.
		return undefined;
	}
}
