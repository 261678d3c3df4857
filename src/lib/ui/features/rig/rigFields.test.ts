import { describe, expect, it } from 'vitest';
import { parseLogbook, type Rig } from '$core/logbook';
import { exactRig, logbookOf } from '../../../../../tests/helpers/logbooks';
import { withValue, type Draft } from '../../kit/fields/fields';
import { newItem, rigFields, type RigPart } from './rigFields';

describe('a new part of a rig', () => {
	const PARTS: readonly RigPart[] = ['tanks', 'outlets', 'habits', 'measures', 'instruments', 'sources'];
	it.each(PARTS)('%s: its fields filled in, it is valid, and no field is asked for twice', (part) => {
		const begun = newItem(part, exactRig, 'new');
		const fields = rigFields(part, exactRig, begun);
		expect(new Set(fields.map(({ key }) => key)).size).toBe(fields.length);
		const filled = fields
			.filter(({ optional, type }) => !optional && (type === 'text' || type === 'number'))
			.reduce<Draft>((draft, { key, type }) => withValue(draft, key, type === 'text' ? 'New one' : 1), begun);
		const rig = { ...exactRig, [part]: [...(exactRig[part] ?? []), filled] } as unknown as Rig;
		expect(parseLogbook(logbookOf([], rig))).toMatchObject({ ok: true });
	});
});
