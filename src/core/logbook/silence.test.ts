import { expect, it } from 'vitest';
import { entry } from '../../../tests/helpers/logbooks.js';
import { knownUntil } from './index.js';

it('of a log that stopped long ago the last day is the end: a rig that stands at home draws nothing', () => {
	const log = [entry({ kind: 'note', at: '2027-05-04T09:00:00Z', text: '' })];
	const until = (to: string): number => knownUntil(log, Date.parse(to), 'Etc/GMT-2');
	expect(until('2027-05-09T00:00:00Z')).toBe(Date.parse('2027-05-09T00:00:00Z'));
	expect(until('2027-06-01T00:00:00Z')).toBe(Date.parse('2027-05-04T22:00:00Z'));
	// Before its first entry nothing has stopped.
	expect(until('2027-05-01T00:00:00Z')).toBe(Date.parse('2027-05-01T00:00:00Z'));
	expect(knownUntil([], 5, 'Etc/UTC')).toBe(5);
});
