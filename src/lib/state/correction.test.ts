import { describe, expect, it } from 'vitest';
import type { EntryOf } from '$core/logbook';
import { entry } from '../../../tests/helpers/logbooks';
import { begun, tab } from '../../../tests/helpers/tab';
import { Correction } from './correction.svelte';

const use = entry({ kind: 'use', at: '2027-05-01T08:00:00Z', habit: 'shower', times: 1 }) as EntryOf<'use'>;

async function opened() {
	const { app, here } = await begun();
	await app.commands.put([{ kind: 'entry', value: use }], 'shower');
	const base = app.records.entries.find(({ id }) => id === use.id) as EntryOf<'use'>;
	const stored = () => app.records.entries.find(({ id }) => id === use.id) as EntryOf<'use'>;
	return { app, here, base, stored, correction: new Correction(app, 'entry', base) };
}

describe('a correction', () => {
	it('that is wrong says where, and stores nothing', async () => {
		const { base, stored, correction } = await opened();
		expect(await correction.save({ ...base, times: -1 }, 'wrong')).toBe(false);
		expect(correction.problems.map(({ path }) => path)).toEqual(['$.times']);
		expect(await correction.save({ ...base, habit: 'sauna' }, 'wrong')).toBe(false);
		expect(correction.problems.map(({ path }) => path)).toEqual(['$.habit']);
		expect(stored()).toEqual(base);
	});
	it('is put into the newest version: what another tab changed elsewhere stands', async () => {
		const { app, here, base, stored, correction } = await opened();
		const other = await tab(here);
		const there = new Correction(
			other,
			'entry',
			other.records.entries.find(({ id }) => id === use.id)
		);
		expect(await there.save({ ...base, note: 'cold' }, 'note')).toBe(true);
		expect(await correction.save({ ...base, times: 2 }, 'times')).toBe(true);
		expect(stored()).toMatchObject({ times: 2, note: 'cold' });
		expect(app.troubles).toEqual([]);
	});
	it('in a place that another changed meanwhile is told once, then done', async () => {
		const { here, base, stored, correction } = await opened();
		const other = await tab(here);
		const there = new Correction(
			other,
			'entry',
			other.records.entries.find(({ id }) => id === use.id)
		);
		await there.save({ ...base, times: 3 }, 'three');
		const mine = { ...base, times: 2 };
		expect(await correction.save(mine, 'two')).toBe(false);
		expect(correction.conflicts).toMatchObject([{ mine: 2, theirs: 3 }]);
		expect(await correction.save(mine, 'two')).toBe(true);
		expect(stored().times).toBe(2);
	});
});
