/** A file's text, and what it was written in where that had to be found out. */
export interface Decoded {
	readonly text: string;
	/** how it was read: `UTF-8`, `UTF-16`, or `Latin-1` where it is no valid UTF-8 */
	readonly encoding: 'UTF-8' | 'UTF-16' | 'Latin-1';
}

/** So many bytes tell whether a text is of two bytes a character. */
const LOOKED_AT = 1000;

/** Without a mark at its beginning: every second byte of a mostly western text is zero. */
function zerosOf(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
	const [even, odd] = [0, 0].map((_, side) => {
		let zeros = 0;
		for (let i = side; i < Math.min(bytes.length, LOOKED_AT); i += 2) if (bytes[i] === 0) zeros++;
		return zeros / Math.max(1, Math.min(bytes.length, LOOKED_AT) / 2);
	});
	const MOST = 0.6;
	return (odd ?? 0) > MOST ? 'utf-16le' : (even ?? 0) > MOST ? 'utf-16be' : undefined;
}

/** The text of a file by its mark of order, else by what is valid: UTF-8, or Latin-1 (as Windows extends it). */
export function decoded(file: ArrayBuffer): Decoded {
	const bytes = new Uint8Array(file);
	const wide =
		bytes[0] === 0xff && bytes[1] === 0xfe
			? 'utf-16le'
			: bytes[0] === 0xfe && bytes[1] === 0xff
				? 'utf-16be'
				: zerosOf(bytes);
	if (wide) return { text: new TextDecoder(wide).decode(bytes), encoding: 'UTF-16' };
	try {
		return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
	} catch {
		// Not UTF-8: every sequence of bytes is a text in this one, and it is the most usual beside it.
		return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Latin-1' };
	}
}
