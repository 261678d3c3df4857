import type { Entry } from './types.js';

/** What was done, and to what; nothing for kinds that count nothing twice when they are logged twice. */
export function deedOf(entry: Entry): string | undefined {
	switch (entry.kind) {
		case 'use':
			return `use|${entry.habit}|${entry.times}`;
		case 'fill':
		case 'dump':
			return `${entry.kind}|${entry.tank}`;
		case 'transfer':
			return `transfer|${entry.fromTank}|${entry.toTank}`;
		default:
			return undefined;
	}
}

/** Whether an entry is as it is written, though it stands beside one alike: somebody said so, or a meter heard it. */
export const isMeant = (entry: Entry): boolean =>
	('again' in entry && entry.again === true) ||
	('trusted' in entry && entry.trusted === true) ||
	('heard' in entry && entry.heard !== undefined);
