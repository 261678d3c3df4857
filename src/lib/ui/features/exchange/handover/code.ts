import { encode } from 'uqr';

/** A code as it is drawn: its side in modules, the quiet rim included, and the dark modules as one path. */
export interface CodePicture {
	readonly size: number;
	readonly path: string;
}

/** The rim that a reader needs around a code, modules (ISO/IEC 18004). */
const RIM = 4;

/** A text as a code: dark modules of a row that follow each other are one stroke. */
export function codeOf(text: string): CodePicture {
	const { data, size } = encode(text, { ecc: 'L', border: RIM });
	const strokes = data.flatMap((row, y) => {
		const found: string[] = [];
		for (let x = 0; x < size; x++) {
			if (!row[x]) continue;
			let end = x;
			while (row[end]) end++;
			found.push(`M${x} ${y}h${end - x}v1h${x - end}z`);
			x = end;
		}
		return found;
	});
	return { size, path: strokes.join('') };
}
