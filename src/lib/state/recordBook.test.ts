import { DAY_MS, HOUR_MS } from '$core/time';
import { describe, expect, it } from 'vitest';
import type { Foretold, Score } from '$core/forecast';
import { memoryPort, queuedTurns, type KeyValuePort } from '$lib/store';
import { RecordBook, recordSince, settledOf } from './recordBook.svelte';

const NOW = Date.parse('2027-06-16T20:00:00Z');
const ZONE = 'Etc/UTC';
const foretold = (madeMs: number, more: Partial<Foretold> = {}): Foretold => ({
	rig: 'rig',
	madeMs,
	forMs: madeMs + DAY_MS,
	persons: 2,
	spread: 1,
	tanks: [{ id: 'main', p10: 40, p50: 50, p90: 60 }],
	...more
});
const score = (z: number): Score => ({
	tanks: [{ id: 'main', cameL: 50, z, inside: Math.abs(z) < 1.28 }],
	why: []
});
const bookOn = async (port: KeyValuePort = memoryPort()): Promise<RecordBook> => {
	const book = new RecordBook(port, queuedTurns());
	await book.load(NOW);
	return book;
};

describe('the evenings that are kept', () => {
	it('one a day: the evening takes the place of the morning, and is then left alone', async () => {
		const book = await bookOn();
		const morning = NOW - 12 * HOUR_MS;
		expect(book.wants('rig', morning, ZONE)).toBe(true);
		await book.keep(foretold(morning), ZONE);
		expect(book.wants('rig', morning + HOUR_MS, ZONE)).toBe(false);
		expect(book.wants('rig', NOW, ZONE)).toBe(true);
		expect(book.wants('boat', morning, ZONE)).toBe(true);
		await book.keep(foretold(NOW), ZONE);
		expect(book.wants('rig', NOW + HOUR_MS, ZONE)).toBe(false);
		expect(book.of('rig').map(({ foretold: { madeMs } }) => madeMs)).toEqual([NOW]);
	});

	it('are there after a reload; what has come due is open until it is settled', async () => {
		const port = memoryPort();
		const book = await bookOn(port);
		await book.keep(foretold(NOW - 2 * DAY_MS), ZONE);
		await book.keep(foretold(NOW), ZONE);
		const later = await bookOn(port);
		const [open, ...others] = later.open('rig', NOW);
		expect(others).toEqual([]);
		await later.settle(open!, score(0.4));
		const again = await bookOn(port);
		expect(again.open('rig', NOW)).toEqual([]);
		expect(settledOf(again.of('rig'))).toHaveLength(1);
		expect(recordSince(again.of('rig'), undefined)).toMatchObject({ evenings: 1, inside: 1, spread: 1 });
		expect(recordSince(again.of('rig'), NOW)).toMatchObject({ evenings: 0 });
	});

	it('what is no evening is passed over, what is over a year old is let go, all of it goes with a wipe', async () => {
		const port = memoryPort();
		await port.set('foretold:["rig","2027-06-01"]', { day: 3, foretold: 'nonsense' });
		await port.set('foretold:["rig","2027-06-02"]', null);
		await port.set('foretold:["rig","2027-06-03"]', {
			day: '2027-06-03',
			foretold: { ...foretold(NOW), tanks: [{}] }
		});
		await port.set('foretold:["rig","2027-06-04"]', {
			day: '2027-06-04',
			foretold: foretold(NOW),
			score: { tanks: [{ id: 'main', z: 'far' }], why: [] }
		});
		await port.set('run:x', { mine: true });
		const book = await bookOn(port);
		expect(book.evenings).toEqual([]);
		await book.keep(foretold(NOW - 500 * DAY_MS), ZONE);
		await book.keep(foretold(NOW), ZONE);
		const later = await bookOn(port);
		expect(later.evenings).toHaveLength(1);
		await later.clear();
		expect((await port.entries()).map(([key]) => key)).toEqual(['run:x']);
	});

	it('a spread is corrected by what is settled, when that is asked for', async () => {
		const book = await bookOn();
		for (let i = 0; i < 30; i++) await book.keep(foretold(NOW - (i + 2) * DAY_MS), ZONE);
		for (const [i, kept] of book.open('rig', NOW).entries())
			await book.settle(kept, score(i % 2 ? 2.4 : -2.2));
		const { verdict, spread } = recordSince(book.of('rig'), undefined);
		expect(verdict).toBe('sharper');
		expect(spread).toBeGreaterThan(1.6);
	});
});
