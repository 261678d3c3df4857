import { describe, expect, it } from 'vitest';
import { stillNeeded } from './begin.js';

const full = { name: 'Wren', crew: 2, freshL: 100, aboardL: 'full' } as const;

describe('what is still needed for a first verdict', () => {
	it('nothing, once all is said', () => {
		expect(stillNeeded(full)).toEqual([]);
		expect(stillNeeded({ ...full, aboardL: 0 })).toEqual([]);
	});
	it('everything at the start', () => {
		expect(stillNeeded({ name: ' ', crew: undefined, freshL: undefined, aboardL: undefined })).toHaveLength(
			4
		);
	});
	it('a plate is passed by a little, but not by a fifth', () => {
		expect(stillNeeded({ ...full, aboardL: 112 })).toEqual([]);
		expect(stillNeeded({ ...full, aboardL: 120 })).toHaveLength(1);
	});
	it('no crew of none, no tank of nothing', () => {
		expect(stillNeeded({ ...full, crew: 0 })).toEqual(['how many you are']);
		expect(stillNeeded({ ...full, freshL: undefined, jugsL: 40, aboardL: 'full' })).toEqual([]);
		expect(stillNeeded({ ...full, freshL: 0 })).toContain('what the fresh tank holds, or the jugs');
	});
});
