import { expect, it } from 'vitest';
import { entry, exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import { readIn, takeIn } from './logbookReader';

const mine = logbookOf(freshStart(), exactRig, [exactTrip]);

it('tells what a file would change, record by record, and nothing of what is as it was', () => {
	const note = entry({ kind: 'note', at: '2027-05-02T08:00:00Z', text: 'calm' });
	const [first] = mine.entries;
	const corrected = { ...first!, note: 'by lamp', edited: '2027-05-03T00:00:00Z' };
	const theirs = { ...mine, entries: [corrected, note] };
	const read = readIn(JSON.stringify(theirs), mine);
	expect(read.ok && read.changes).toEqual([
		{ kind: 'entry', value: corrected },
		{ kind: 'entry', value: note }
	]);
	expect(read.ok && read.preview.entries).toEqual({ added: [note.id], changed: [first!.id], kept: 2 });
	expect(takeIn(mine, mine).changes).toEqual([]);
});

it('tells how far it is, and what is wrong', () => {
	const many = Array.from({ length: 5000 }, (_, i) => ({ ...mine.entries[0], id: `e${i}` }));
	const told: number[] = [];
	expect(readIn(JSON.stringify({ ...mine, entries: many }), mine, (share) => told.push(share)).ok).toBe(true);
	expect(told.length).toBeGreaterThan(1);
	expect(told.every((share, i) => share <= 1 && share > (told[i - 1] ?? 0))).toBe(true);
	expect(readIn('{oops', mine)).toMatchObject({ ok: false, problems: [{ path: '$', expected: 'JSON' }] });
});
