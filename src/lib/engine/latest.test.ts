import { describe, expect, it } from 'vitest';
import { Latest } from './latest.svelte';

const later = <T>() => {
	let give: (value: T) => void = () => undefined;
	let fail: (reason: Error) => void = () => undefined;
	const promise = new Promise<T>((resolve, reject) => ([give, fail] = [resolve, reject]));
	return { promise, give, fail };
};
const settled = () => new Promise((resolve) => setTimeout(resolve));

describe('the latest answer', () => {
	it('is the one to the latest question, in whatever order they come', async () => {
		const resource = new Latest<string>();
		const [one, two] = [later<string>(), later<string>()];
		void resource.take(one.promise);
		void resource.take(two.promise);
		expect(resource.waiting).toBe(true);
		two.give('two');
		await settled();
		one.give('one');
		await settled();
		expect([resource.value, resource.waiting]).toEqual(['two', false]);
	});
	it('stays while the next is waited for, and when that has nothing to say', async () => {
		const resource = new Latest<string>();
		await resource.take(Promise.resolve('one'));
		await resource.take(Promise.resolve(undefined));
		expect(resource.value).toBe('one');
	});
	it('a failure is said, is taken back by an answer, and does not count when it is late', async () => {
		const resource = new Latest<string>();
		await resource.take(Promise.reject(new Error('no memory')));
		expect([resource.trouble, resource.waiting]).toEqual(['no memory', false]);
		const late = later<string>();
		void resource.take(late.promise);
		await resource.take(Promise.resolve('fine'));
		late.fail(new Error('late'));
		await settled();
		expect([resource.trouble, resource.value]).toEqual([undefined, 'fine']);
	});
	it('is forgotten when asked to, the one under way too', async () => {
		const resource = new Latest<string>();
		const one = later<string>();
		void resource.take(one.promise);
		resource.clear();
		one.give('one');
		await settled();
		expect([resource.value, resource.waiting]).toEqual([undefined, false]);
	});
});
