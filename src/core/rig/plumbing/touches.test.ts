import { describe, expect, it } from 'vitest';
import { entry, exactRig } from '../../../../tests/helpers/logbooks.js';
import type { EntryDraft } from '../../logbook/index.js';
import { passesMeter, tanksTouched } from './index.js';

const at = '2027-05-01T08:00:00Z';

describe('which tanks an entry bears on', () => {
	it.each<[EntryDraft, readonly string[]]>([
		[{ kind: 'fill', at, tank: 'main', litres: 10 }, ['main']],
		[{ kind: 'dump', at, tank: 'grey', to: 'empty' }, ['grey']],
		[{ kind: 'mark', at, tank: 'black', state: 'full' }, ['black']],
		[{ kind: 'transfer', at, fromTank: 'grey', toTank: 'black', litres: 2 }, ['grey', 'black']],
		[{ kind: 'reading', at, instrument: 'lights', value: 'full' }, ['grey']],
		[{ kind: 'reading', at, instrument: 'gone', value: 1 }, []],
		[{ kind: 'use', at, habit: 'flush', times: 1 }, ['main', 'black']],
		[{ kind: 'use', at, habit: 'gone', times: 1 }, []],
		[{ kind: 'crew', at, persons: 2 }, []],
		[{ kind: 'note', at, text: 'main' }, []]
	])('%j: %j', (draft, tanks) => expect(tanksTouched(exactRig, entry(draft))).toEqual(tanks));
	it('a use that runs to the ground touches no tank there', () => {
		const rig = {
			...exactRig,
			outlets: exactRig.outlets.map((outlet) => ({ ...outlet, to: 'ground' }))
		};
		const use = entry({ kind: 'use', at, habit: 'shower', times: 1 });
		expect(tanksTouched(rig, use)).toEqual(['main']);
	});
});

describe('which meters an outlet passes', () => {
	const [tap] = exactRig.outlets as [(typeof exactRig.outlets)[0]];
	const pump = { id: 'pump', tank: 'main' };
	it('those it names, and no other', () => {
		expect(passesMeter({ ...tap, meters: ['pump'] }, { id: 'pump', tank: 'jug' })).toBe(true);
		expect(passesMeter({ ...tap, meters: [] }, pump)).toBe(false);
	});
	it('where it names none, every meter of the tank it draws from', () => {
		expect(passesMeter(tap, pump)).toBe(true);
		expect(passesMeter(tap, { id: 'other', tank: 'grey' })).toBe(false);
	});
});
