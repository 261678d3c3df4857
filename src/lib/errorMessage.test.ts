import { expect, it } from 'vitest';
import { errorMessage } from './errorMessage';

it('says in words of ours that code could not be fetched, whichever browser says so; all else as it was said', () => {
	const said = [
		'Failed to fetch dynamically imported module: https://van.example/_app/BAQod_LC.js',
		'error loading dynamically imported module: https://van.example/_app/BAQod_LC.js',
		'Importing a module script failed.'
	];
	for (const words of said)
		expect(errorMessage(new TypeError(words))).toBe('a part of Dipsometer couldn’t be loaded');
	expect(errorMessage(new Error('the disk is full'))).toBe('the disk is full');
	expect(errorMessage('why')).toBe('why');
});
