import { describe, expect, it } from 'vitest';
import { entry, exactRig } from '../../../../../tests/helpers/logbooks';
import type { Rig } from '$core/logbook';
import { filterFrom, kindsOf, kindWord, passes, UNFILTERED } from './filter';

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
	it('has a place for what came in from a source, and for what was lost', () => {
		const rig: Rig = {
			...exactRig,
			outlets: [...exactRig.outlets, { id: 'ground', name: 'Out', from: 'main', to: 'ground' }],
			habits: [
				...exactRig.habits,
				{
					id: 'given',
					name: 'Given away',
					outlet: 'ground',
					litresEach: { mean: 5, sd: 2 },
					often: { times: 0, per: 'day' }
				}
			],
			sources: [
				{
					id: 'wm',
					name: 'Watermaker',
					into: 'main',
					litresEach: { mean: 40, sd: 5 },
					often: { times: 1, per: 'day' }
				}
			]
		};
		const given = entry({ kind: 'use', at, habit: 'given', times: 1, litres: 5 });
		const made = entry({ kind: 'fill', at, tank: 'main', litres: 40, from: 'wm' });
		expect(kindsOf(rig).slice(-2)).toEqual([
			{ value: 'from:wm', label: 'In: Watermaker' },
			{ value: 'loss:given', label: 'Out: Given away' }
		]);
		const through = (kind: string): readonly string[] =>
			[shower, fill, given, made]
				.filter((one) => passes({ ...UNFILTERED, kind }, one, rig))
				.map((one) => kindWord(one, rig));
		expect(through('from:wm')).toEqual(['In']);
		expect(through('loss:given')).toEqual(['Out']);
		expect(through('use')).toEqual(['Use', 'Out']);
		expect(filterFrom(new URLSearchParams('kind=dump'))).toEqual({ ...UNFILTERED, kind: 'dump' });
	});
});
