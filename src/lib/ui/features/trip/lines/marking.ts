import type { Point } from '$core/logbook';
import { pointsBeginning, type WayProblem } from '$core/quickline';

/** A piece of a typed line; `wrong` was not understood. */
export interface Piece {
	readonly text: string;
	readonly wrong: boolean;
}

/** A typed line in pieces, what was not understood apart. */
export function piecesOf(text: string, problems: readonly WayProblem[]): readonly Piece[] {
	let pieces: readonly Piece[] = [{ text, wrong: false }];
	for (const { got } of problems)
		pieces = pieces.flatMap((piece): readonly Piece[] => {
			const at = piece.wrong || got === '' ? -1 : piece.text.indexOf(got);
			if (at < 0) return [piece];
			return [
				{ text: piece.text.slice(0, at), wrong: false },
				{ text: got, wrong: true },
				{ text: piece.text.slice(at + got.length), wrong: false }
			];
		});
	return pieces.filter((piece) => piece.text !== '');
}

/** What stands before a name: marks of a list, kilometres. */
const BEFORE_NAME = /^\s*(?:[-*•–—]\s+|\d{1,2}[.)]\s+)?(?:\d+(?:[.,]\d+)?\s*(?:km|mi|nmi?)\s+)?/i;

/** A name that would complete what stands before the caret, and where it begins. */
export interface Completion {
	readonly name: string;
	readonly from: number;
	readonly to: number;
}

/** The point whose name is being typed at the caret; nothing where none begins so. */
export function completionAt(text: string, caret: number, points: readonly Point[]): Completion | undefined {
	const lineFrom = text.lastIndexOf('\n', caret - 1) + 1;
	if (/[^\s]/.test(text.slice(caret).split('\n')[0] ?? '')) return undefined;
	const line = text.slice(lineFrom, caret);
	const lead = BEFORE_NAME.exec(line)?.[0].length ?? 0;
	const typed = line.slice(lead);
	const [point] = /[,;:]/.test(typed) ? [] : pointsBeginning(typed, points);
	return point && { name: point.name, from: lineFrom + lead, to: caret };
}
