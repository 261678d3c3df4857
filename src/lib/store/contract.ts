import { expect, it } from 'vitest';
import type { KeyValuePort } from './port';

/** What every port must do; called by the tests of each. */
export function keepsTheContract(make: () => KeyValuePort): void {
	it('gives back what was set, a copy of it, and nothing for what was not', async () => {
		const port = make();
		const value = { list: [1, { deep: 'ü' }], day: '2027-05-01' };
		await port.set('a', value);
		value.list.push(2);
		expect(await port.get('a')).toEqual({ list: [1, { deep: 'ü' }], day: '2027-05-01' });
		expect(await port.get('b')).toBeUndefined();
	});
	it('replaces, removes, lists and clears', async () => {
		const port = make();
		await port.set('a', 1);
		await port.set('a', 2);
		await port.set('b', 3);
		expect(new Map(await port.entries())).toEqual(
			new Map([
				['a', 2],
				['b', 3]
			])
		);
		await port.remove('a');
		await port.remove('never there');
		expect(await port.entries()).toEqual([['b', 3]]);
		await port.clear();
		expect(await port.entries()).toEqual([]);
	});
	it('keeps many at once', async () => {
		const port = make();
		await port.set('a', 'old');
		await port.setAll(Array.from({ length: 300 }, (_, i) => [i === 0 ? 'a' : `k${i}`, { i }] as const));
		expect(await port.entries()).toHaveLength(300);
		expect(await port.get('a')).toEqual({ i: 0 });
		await expect(port.setAll([['b', () => 'a function']])).rejects.toBeDefined();
	});
	it('rejects what cannot be kept, and keeps what was there', async () => {
		const port = make();
		await port.set('a', 'old');
		await expect(port.set('a', () => 'a function')).rejects.toBeDefined();
		expect(await port.get('a')).toBe('old');
	});
}
