import { describe, expect, it } from 'vitest';
import { entry, exactRig, exactTrip } from '../../../../tests/helpers/logbooks.js';
import type { EntryDraft } from '../../logbook/index.js';
import { tanksTouched } from '../../rig/index.js';
import { METRIC } from '../../units/index.js';
import { clockText, dayText, describeEntry, sayInstant } from '../index.js';

const at = '2027-05-01T08:00:00Z';
const context = { rig: exactRig, trips: [exactTrip], units: METRIC };

describe('an entry in a few words', () => {
	const SAID: readonly (readonly [EntryDraft, string])[] = [
		[{ kind: 'use', at, habit: 'shower', times: 1 }, 'Shower'],
		[{ kind: 'use', at, habit: 'shower', times: 2, litres: 15 }, 'Shower × 2, measured 15 L'],
		[{ kind: 'fill', at, tank: 'main', litres: 40, to: 'full' }, 'Main filled 40 L, to full'],
		[{ kind: 'dump', at, tank: 'grey', to: 'empty' }, 'Grey emptied'],
		[{ kind: 'dump', at, tank: 'grey', litres: 30 }, '30 L dumped from Grey'],
		[{ kind: 'transfer', at, fromTank: 'jug', toTank: 'main', until: 'to-full' }, 'jug to Main until full'],
		[{ kind: 'reading', at, instrument: 'pump', value: 12, reset: true }, 'Pump meter 12, set'],
		[
			{ kind: 'reading', at, instrument: 'lights', value: '1/3', trusted: true },
			'Grey lights “1/3”, trusted'
		],
		[{ kind: 'mark', at, tank: 'grey', state: 'full' }, 'Grey seen full'],
		[{ kind: 'crew', at, persons: 3 }, '3 aboard'],
		[{ kind: 'measure', at, measure: 'short', on: false }, 'Short showers off'],
		[{ kind: 'hookup', at, mains: true, sewer: false }, 'Mains on, sewer off'],
		[{ kind: 'note', at, text: 'calm' }, 'calm']
	];
	it.each(SAID)('%j', (draft, said) => {
		// thin spaces stand between figures and units
		expect(describeEntry(entry(draft), context).replaceAll(/\s/g, ' ')).toBe(said);
	});
	it('bears on the tanks that it draws from and runs into', () => {
		const use = (habit: string) => tanksTouched(exactRig, entry({ kind: 'use', at, habit, times: 1 }));
		expect(use('flush')).toEqual(['main', 'black']);
		expect(use('sauna')).toEqual([]);
		expect(
			tanksTouched(exactRig, entry({ kind: 'reading', at, instrument: 'lights', value: 'full' }))
		).toEqual(['grey']);
		expect(tanksTouched(exactRig, entry({ kind: 'note', at, text: 'calm' }))).toEqual([]);
	});
	it('at the clock of the zone in view, whatever offset it was written with', () => {
		expect(clockText('2027-05-01T08:05:00Z', 'Europe/Helsinki')).toBe('11:05');
		expect(clockText('2027-05-01T08:05:00+02:00', 'Etc/UTC')).toBe('06:05');
		expect(dayText('2027-05-01')).toBe('Sat 1 May');
		expect(sayInstant(Date.parse('2027-05-01T08:05:00Z'), 'Europe/Helsinki')).toBe('Sat 1 May 11:05');
	});
});
