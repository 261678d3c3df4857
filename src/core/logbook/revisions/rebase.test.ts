import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { rebase } from '../index.js';

const base = { id: 'e', litres: 40, note: 'at the ford', edited: '1' };

describe('a change made to an earlier version of a record', () => {
	it('puts only what was changed; what others changed meanwhile stays', () => {
		const { value, conflicts } = rebase<object>(
			base,
			{ ...base, litres: 42 },
			{ ...base, note: 'at the mill', by: 'Ada', edited: '2' }
		);
		expect(value).toEqual({ ...base, litres: 42, note: 'at the mill', by: 'Ada', edited: '2' });
		expect(conflicts).toEqual([]);
	});
	it('takes out what was taken out, unless it was changed meanwhile: that is told', () => {
		const { note: _note, ...short } = base;
		expect(rebase<object>(base, short, { ...base, litres: 1 }).value).toEqual({ ...short, litres: 1 });
		const both = rebase<object>(base, short, { ...base, note: 'by the mill' });
		expect(both.conflicts).toEqual([{ path: 'note', mine: undefined, theirs: 'by the mill' }]);
		expect(both.value).toEqual(short);
	});
	it('tells a place that both changed otherwise, once, and keeps mine', () => {
		const both = rebase(base, { ...base, litres: 42 }, { ...base, litres: 50 });
		expect(both).toEqual({
			value: { ...base, litres: 42 },
			conflicts: [{ path: 'litres', mine: 42, theirs: 50 }]
		});
		expect(rebase(base, { ...base, litres: 42 }, { ...base, litres: 42 }).conflicts).toEqual([]);
	});
	it('goes into lists of items by id: two trials switched at once are both switched', () => {
		const trial = (id: string, used: boolean) => ({ id, used });
		const rig = (one: boolean, two: boolean) => ({
			tanks: [{ id: 'main', trials: [trial('a', one), trial('b', two)] }]
		});
		expect(rebase(rig(true, true), rig(false, true), rig(true, false))).toEqual({
			value: rig(false, false),
			conflicts: []
		});
	});
	it('keeps items that either added, and drops one that either took out', () => {
		const list = (...ids: string[]) => ({ habits: ids.map((id) => ({ id, name: id })) });
		const { value } = rebase(list('a', 'b', 'c'), list('b', 'c', 'mine'), list('a', 'b', 'theirs'));
		expect(value.habits.map(({ id }) => id)).toEqual(['b', 'theirs', 'mine']);
	});
});

describe('laws', () => {
	const leaf = fc.constantFrom(1, 2, 'x', true);
	const record = fc.record(
		{ a: leaf, b: leaf, deep: fc.record({ c: leaf, d: leaf }, { requiredKeys: [] }) },
		{ requiredKeys: [] }
	) as fc.Arbitrary<object>;
	it('unchanged here, the newest stands; unchanged there, mine does', () =>
		fc.assert(
			fc.property(record, record, (one, two) => {
				expect(rebase(one, one, two)).toEqual({ value: two, conflicts: [] });
				expect(rebase(one, two, one)).toEqual({ value: two, conflicts: [] });
			})
		));
	it('without a conflict it does not matter who comes first', () =>
		fc.assert(
			fc.property(record, record, record, (was, mine, theirs) => {
				const there = rebase(was, mine, theirs);
				if (there.conflicts.length > 0) {
					expect(rebase(was, theirs, mine).conflicts).toHaveLength(there.conflicts.length);
				} else expect(rebase(was, theirs, mine).value).toEqual(there.value);
			})
		));
});
