import { describe, expect, it } from 'vitest';
import { exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import { parseLogbook, parseRecord, saidMore, type Refusal } from '../index.js';

const good = logbookOf(freshStart());
const refusal = (data: unknown): Refusal => {
	const parsed = parseLogbook(data);
	if (parsed.ok) throw new Error('it was taken');
	return parsed;
};
const nested = (levels: number): unknown =>
	Array.from({ length: levels }).reduce<unknown>((inner) => ({ inner }), 'core');

describe('no number of faults overwhelms', () => {
	it('a hundred problems are listed, the others counted', () => {
		const { problems, more, atLeast } = refusal({ ...good, entries: new Array(200_000).fill(7) });
		expect(problems).toHaveLength(100);
		expect(problems[99]).toEqual({ path: '$.entries[99]', expected: 'an object', got: '7' });
		expect([more, atLeast]).toEqual([199_900, undefined]);
	});
	it('of records that need a closer look, so many are looked at, and that there are more is said', () => {
		const entries = Array.from({ length: 150_000 }, (_, i) => ({ id: `e${i}`, kind: 'fill' }));
		const found = refusal({ ...good, entries });
		expect(found.problems).toHaveLength(100);
		expect(found.atLeast).toBe(true);
		expect(saidMore(found)).toMatch(/^and at least \d+ more$/);
	});
	it('wrong ids are capped too', () => {
		const lost = Array.from({ length: 300 }, (_, i) => ({ ...good.entries[0], id: `e${i}`, tank: 'gone' }));
		const found = refusal({ ...good, entries: lost });
		expect([found.problems.length, found.more]).toEqual([100, 200]);
	});
	it('a few are listed as they are, and nothing is said of more', () => {
		const found = refusal({ ...good, entries: [7, ...good.entries] });
		expect(found.problems).toHaveLength(1);
		expect(saidMore(found)).toBe('');
	});
	it('so is a list within one record: it is not looked through', () => {
		const rig = { ...exactRig, tanks: new Array(100_000).fill(7) };
		expect(refusal({ ...good, rigs: [rig] }).problems).toEqual([
			{ path: '$.rigs[0].tanks', expected: 'a list of at most 2000', got: 'a list of 100000' }
		]);
	});
});

describe('what could be neither cloned nor stored', () => {
	it('is refused, with a place and a reason', () => {
		const entry = { ...good.entries[0], weather: nested(3000) };
		expect(refusal({ ...good, entries: [entry] }).problems).toEqual([
			{
				path: '$.entries[0].weather.inner.inner.inner.inner',
				expected: 'data nested at most 64 levels deep',
				got: 'deeper nesting'
			}
		]);
		expect(refusal({ ...good, diary: nested(100_000) }).problems[0]?.path).toBe(
			'$.diary.inner.inner.inner.inner'
		);
		expect(parseRecord('entry', entry).ok).toBe(false);
	});
	it('while what is only deep is taken and kept', () => {
		const entry = { ...good.entries[0], weather: nested(40) };
		const parsed = parseRecord('entry', entry);
		expect(parsed.ok && parsed.value).toEqual(entry);
	});
});

it('ids that the language itself knows are ids like any other', () => {
	const tanks = [
		{ ...exactRig.tanks[0], id: '__proto__' },
		{ ...exactRig.tanks[1], id: 'constructor' }
	];
	const outlets = [{ id: 'toString', name: 'Tap', from: '__proto__', to: 'constructor' }];
	const rig = { ...exactRig, tanks, outlets, habits: [], measures: [], instruments: [] };
	const fill = { id: 'hasOwnProperty', rig: 'rig', at: '2027-05-01T06:00:00Z', kind: 'fill', litres: 4 };
	const parsed = parseLogbook({ ...good, rigs: [rig], entries: [{ ...fill, tank: '__proto__' }] });
	expect(parsed.ok).toBe(true);
	expect(refusal({ ...good, rigs: [rig], entries: [{ ...fill, tank: 'valueOf' }] }).problems[0]?.path).toBe(
		'$.entries[0].tank'
	);
});
