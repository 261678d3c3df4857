import type { Nod } from '$core/listen';

type Named = Extract<Nod, { kind: 'named' }>;
type Asked = Extract<Nod, { kind: 'doubtful' | 'unnamed' }>;
type Joining = Extract<Nod, { kind: 'joins' }>;

/** What was heard and is not settled, a line each: uses of one habit together, what is asked about alone. */
export type HeardRow =
	| {
			readonly kind: 'named';
			readonly habit: string;
			readonly nods: readonly Named[];
			readonly litres: number;
			readonly fromMs: number;
	  }
	| { readonly kind: 'asked'; readonly nod: Asked; readonly litres: number; readonly fromMs: number }
	| {
			readonly kind: 'joins';
			readonly nods: readonly Joining[];
			readonly litres: number;
			readonly fromMs: number;
	  };

const litresOf = (nods: readonly Nod[]): number => nods.reduce((sum, { use }) => sum + use.litres, 0);
const fromOf = (nods: readonly Nod[]): number =>
	nods.reduce((least, { use }) => Math.min(least, use.fromMs), Infinity);

/** The lines of what was heard: what has a name by habit, in the order in which it began; then what joins the log; then what is asked. */
export function heardRows(nods: readonly Nod[]): readonly HeardRow[] {
	const byHabit = new Map<string, Named[]>();
	for (const nod of nods)
		if (nod.kind === 'named') byHabit.set(nod.habit, [...(byHabit.get(nod.habit) ?? []), nod]);
	const named = [...byHabit].map(([habit, of]): HeardRow => ({
		kind: 'named',
		habit,
		nods: of,
		litres: litresOf(of),
		fromMs: fromOf(of)
	}));
	const joins = nods.filter((nod) => nod.kind === 'joins');
	const asked = nods.flatMap((nod): HeardRow[] =>
		nod.kind === 'doubtful' || nod.kind === 'unnamed'
			? [{ kind: 'asked', nod, litres: nod.use.litres, fromMs: nod.use.fromMs }]
			: []
	);
	return [
		...named.sort((a, b) => a.fromMs - b.fromMs),
		...(joins.length > 0
			? [{ kind: 'joins', nods: joins, litres: litresOf(joins), fromMs: fromOf(joins) } as const]
			: []),
		...asked.sort((a, b) => b.fromMs - a.fromMs)
	];
}

/** A use with the habit that it is to be logged as. */
export interface Chosen {
	readonly nod: Nod;
	readonly habit: string;
}

/** What one tap takes in: all that has a name, and what joins what is logged. */
export const allNamed = (rows: readonly HeardRow[]): readonly Chosen[] =>
	rows.flatMap((row): readonly Chosen[] => {
		if (row.kind === 'named') return row.nods.map((nod) => ({ nod, habit: row.habit }));
		return row.kind === 'joins' ? row.nods.map((nod) => ({ nod, habit: nod.entry.habit })) : [];
	});
