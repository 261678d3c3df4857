import type { Logbook } from '$core/logbook';
import { fromBase64url, toBase64url } from '../base64url';

/** Names how the rest is packed: deflate (RFC 1951) of the JSON, as base64url. */
const VERSION = 'v1';
/** A longer address is cut by messengers: then a file is handed over. */
export const LONGEST_LINK = 8000;
/** What is handed over by light or link unpacks to no more than this, bytes; a whole logbook of some years goes as a file. */
export const MOST_UNPACKED = 4 * 1024 * 1024;
/** A logbook unpacks to some ten times its size; what comes to more than this, beyond a little, is none. */
const MOST_TIMES = 40;
const A_LITTLE = 64 * 1024;
/** No longer text is looked at: what it would unpack to is more than that. */
const LONGEST_TEXT = 2 * MOST_UNPACKED;
/** So few bytes go in at a time that what they unpack to, at most some thousand times as much, is looked at before more do. */
const SLICE = 256;

/** Why something is no hand-over. */
export type Unpackable = 'none' | 'later' | 'cut' | 'large';

/** It cannot be unpacked: it is none of ours, of a later version, was cut on the way, or is too large. */
export class CannotUnpack extends Error {
	override readonly name = 'CannotUnpack';
	readonly why: Unpackable;
	constructor(why: Unpackable) {
		super(`not unpacked: ${why}`);
		this.why = why;
	}
}

/** All of a stream's bytes, as it is fed. */
async function through(
	bytes: Uint8Array<ArrayBuffer>,
	stream: CompressionStream | DecompressionStream,
	most = Infinity
): Promise<Uint8Array<ArrayBuffer>> {
	const writer = stream.writable.getWriter();
	const feeding = (async () => {
		for (let at = 0; at < bytes.length; at += SLICE) await writer.write(bytes.subarray(at, at + SLICE));
		await writer.close();
	})();
	// Where the stream breaks, reading from it says so.
	feeding.catch(() => undefined);
	const reader = (stream.readable as ReadableStream<Uint8Array<ArrayBuffer>>).getReader();
	const parts: BlobPart[] = [];
	let size = 0;
	for (;;) {
		const { done, value } = await reader.read();
		if (done) return new Uint8Array(await new Blob(parts).arrayBuffer());
		size += value.length;
		if (size > most) {
			await reader.cancel();
			throw new CannotUnpack('large');
		}
		parts.push(value);
	}
}

/** A logbook as text that a link or a picture holds: `v1.<base64url of deflate-raw of its JSON>`. */
export async function packed(logbook: Logbook): Promise<string> {
	const json = new TextEncoder().encode(JSON.stringify(logbook));
	return `${VERSION}.${toBase64url(await through(json, new CompressionStream('deflate-raw')))}`;
}

/**
 * What stands behind `#` in a link, or the text alone: as it is up to a space, and, where that is cut, with what a messenger broke
 * into lines.
 */
function readings(text: string): readonly string[] {
	const found = /(?:^|[#\s])(v\d+\.)([\w-]*)([\s\S]*)$/.exec(text.trim());
	if (!found) throw new CannotUnpack('none');
	const [, version, first = '', rest = ''] = found;
	if (version !== `${VERSION}.`) throw new CannotUnpack('later');
	const broken = /^(\s+[\w-]+)+/.exec(rest)?.[0].replace(/\s+/g, '');
	return broken === undefined ? [first] : [first, first + broken];
}

async function inflated(letters: string): Promise<string> {
	const bytes = fromBase64url(letters);
	if (!bytes) throw new CannotUnpack('cut');
	const most = Math.min(MOST_UNPACKED, A_LITTLE + MOST_TIMES * bytes.length);
	try {
		const json = await through(bytes, new DecompressionStream('deflate-raw'), most);
		return new TextDecoder('utf-8', { fatal: true }).decode(json);
	} catch (error) {
		if (error instanceof CannotUnpack) throw error;
		// Whatever the stream or the decoder found wrong: bytes are missing, or others than were packed.
		throw new CannotUnpack('cut');
	}
}

/**
 * The JSON text that was packed. What would come to more than a logbook is given up as soon as that shows.
 *
 * @param text a link, what stands behind its `#`, or what a picture said
 * @throws CannotUnpack
 */
export async function unpacked(text: string): Promise<string> {
	if (text.length > LONGEST_TEXT) throw new CannotUnpack('large');
	const [first = '', joined] = readings(text);
	try {
		return await inflated(first);
	} catch (error) {
		if (joined === undefined || !(error instanceof CannotUnpack) || error.why !== 'cut') throw error;
		return inflated(joined);
	}
}

/** The link by which a hand-over is opened. */
export const linkOf = (origin: string, text: string): string => `${origin}/take#${text}`;
