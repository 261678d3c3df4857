import { expect, it } from 'vitest';
import type { HeardUse, Nod } from '$core/listen';
import type { EntryOf } from '$core/logbook';
import { written } from '../../../../core/listen/heard.fixture';
import { allNamed, heardRows } from './heardRows';

const use = (fromMs: number, litres: number): HeardUse => ({
	fromMs,
	toMs: fromMs + 10,
	litres,
	lpm: 4,
	choices: []
});
const named = (fromMs: number, habit: string, litres: number): Nod => ({
	kind: 'named',
	use: use(fromMs, litres),
	habit,
	chance: 0.9
});
const byHand: EntryOf<'use'> = written('a', 0, 'shower');

it('puts uses of one habit together, what joins the log in one line, and asks about each other one, the last first', () => {
	const nods: readonly Nod[] = [
		named(30, 'hands', 0.4),
		named(10, 'shower', 8),
		named(50, 'hands', 0.5),
		{ kind: 'logged', use: use(15, 2), entry: byHand },
		{ kind: 'joins', use: use(20, 7), entry: byHand },
		{ kind: 'unnamed', use: use(60, 3) },
		{ kind: 'doubtful', use: use(70, 0.5), habits: [{ habit: 'hands', chance: 0.5 }] }
	];
	const rows = heardRows(nods);
	expect(rows.map(({ kind, litres, fromMs }) => [kind, litres, fromMs])).toEqual([
		['named', 8, 10],
		['named', 0.9, 30],
		['joins', 7, 20],
		['asked', 0.5, 70],
		['asked', 3, 60]
	]);
	expect(allNamed(rows).map(({ habit, nod }) => [habit, nod.use.fromMs])).toEqual([
		['shower', 10],
		['hands', 30],
		['hands', 50],
		['shower', 20]
	]);
});
