import { describe, expect, it } from 'vitest';
import type { Entry, EntryDraft } from '$core/logbook';
import { entry, exactRig, exactTrip } from '../../../../../tests/helpers/logbooks';
import { entryFields, type Around } from './entryFields';
import { fieldValueAt } from '../../kit/fields/fields';

const around: Around = { rig: exactRig, trips: [exactTrip], points: [] };
const at = '2027-05-01T08:00:00Z';
/** One entry of each kind with every field that the file format gives it. */
const WHOLE: readonly EntryDraft[] = [
	{ kind: 'fill', at, tank: 'main', litres: 40, sdL: 1, to: 'full', point: 'tap', potable: true },
	{ kind: 'use', at, habit: 'shower', times: 2, litres: 14, sdL: 1 },
	{ kind: 'dump', at, tank: 'grey', litres: 30, sdL: 2, to: 'empty', where: 'sewer' },
	{ kind: 'transfer', at, fromTank: 'main', toTank: 'main', litres: 10, until: 'to-full' },
	{ kind: 'reading', at, instrument: 'pump', value: 12, reset: true, trusted: true },
	{ kind: 'mark', at, tank: 'main', state: 'full' },
	{ kind: 'crew', at, persons: 3 },
	{ kind: 'measure', at, measure: 'short', on: true },
	{ kind: 'hookup', at, mains: true, sewer: false },
	{ kind: 'stop', at, stop: 'moor', event: 'arrive' },
	{ kind: 'care', at, task: 'filter', litres: 5 },
	{ kind: 'note', at, text: 'calm' }
];

describe('an entry that was written down wrong', () => {
	it.each(WHOLE.map((draft) => [draft.kind, draft] as const))(
		'%s: everything it says can be corrected',
		(_, draft) => {
			const whole = entry({ ...draft, note: 'a remark', by: 'Ada' });
			const fields = entryFields(whole, around);
			const heads = new Set(fields.map(({ key }) => key.split('.')[0]));
			const {
				id: _id,
				rig: _rig,
				kind: _kind,
				note: _note,
				...said
			} = whole as unknown as Record<string, unknown>;
			expect(Object.keys(said).filter((key) => !heads.has(key))).toEqual([]);
			for (const { key } of fields) expect(key).toMatch(/^[a-zA-Z.]+$/);
		}
	);
	it('a reading is corrected in the way its instrument reads', () => {
		const showed = (instrument: string, value: number | string) => {
			const reading = entry({ kind: 'reading', at, instrument, value });
			return entryFields(reading, around).find(({ key }) => key === 'value');
		};
		expect(showed('pump', 12)).toMatchObject({ type: 'number' });
		const lights = showed('lights', 'full');
		expect(lights?.type === 'select' && lights.options.map(({ value }) => value)).toEqual([
			'empty',
			'1/3',
			'2/3',
			'full'
		]);
	});
	it('what is ticked off is written as false where the format asks for it', () => {
		const hookup: Entry = entry({ kind: 'hookup', at, mains: true, sewer: true });
		const fields = entryFields(hookup, around);
		expect(fields.find(({ key }) => key === 'mains')).toMatchObject({ type: 'check', both: true });
		// Valves are ticked one by one; a plain yes is all that are built in.
		expect(fields.find(({ key }) => key === 'sewer')).toMatchObject({
			type: 'checks',
			allMeans: ['grey', 'black']
		});
		expect(fieldValueAt(hookup as never, 'sewer')).toBe(true);
	});
});
