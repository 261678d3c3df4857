import { describe, expect, it } from 'vitest';
import { entry, exactRig } from '../../../../../tests/helpers/logbooks';
import { passes, UNFILTERED } from './filter';

const at = '2027-05-01T08:00:00Z';
const shower = entry({ kind: 'use', at, habit: 'shower', times: 1, by: 'Ivo' });
const fill = entry({ kind: 'fill', at, tank: 'main', to: 'full' });
const gone = entry({ kind: 'note', at, text: 'nothing', void: true });
const shown = (filter: Partial<typeof UNFILTERED>): readonly string[] =>
	[shower, fill, gone]
		.filter((one) => passes({ ...UNFILTERED, ...filter }, one, exactRig))
		.map(({ kind }) => kind);

describe('the filter of the ledger', () => {
	it('lets everything through but what is voided', () => {
		expect(shown({})).toEqual(['use', 'fill']);
		expect(shown({ withVoid: true })).toEqual(['use', 'fill', 'note']);
	});
	it('knows a tank by all that touches it: a shower runs from Main into Grey', () => {
		expect(shown({ tank: 'main' })).toEqual(['use', 'fill']);
		expect(shown({ tank: 'grey' })).toEqual(['use']);
	});
	it('asks for kind and writer together', () => {
		expect(shown({ kind: 'use', by: 'Ivo' })).toEqual(['use']);
		expect(shown({ kind: 'fill', by: 'Ivo' })).toEqual([]);
	});
});
