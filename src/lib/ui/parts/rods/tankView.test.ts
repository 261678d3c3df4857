import { describe, expect, it } from 'vitest';
import { estimate } from '$core/estimate';
import type { Entry, Rig } from '$core/logbook';
import { assess } from '$core/now';
import { METRIC } from '$core/units';
import { entry, exactRig, freshStart, logbookOf } from '../../../../../tests/helpers/logbooks';
import { tankViews } from './tankView';

const at = '2027-05-01T08:00:00Z';

describe('a tank as its rod says it', () => {
	const viewsAt = (rig: Rig, entries: readonly Entry[] = []) => {
		const known = estimate(logbookOf([...freshStart(), ...entries], rig), 'rig', Date.parse(at));
		return tankViews(
			rig,
			assess(known, { trips: [] }, { timeZone: 'Etc/UTC', paths: 40 }),
			METRIC,
			'Etc/UTC'
		);
	};
	it('level, give, days and the one that binds first, by hand: 18 L of room at 6 L a day', () => {
		const views = viewsAt(exactRig);
		expect(views.map(({ id, first }) => [id, first])).toEqual([
			['main', false],
			['grey', false],
			['black', true]
		]);
		expect(views[2]).toMatchObject({ lasts: '3 days', until: 'Tuesday morning' });
		expect(views[2]?.label).toMatch(
			/^Cassette, black: .* of 20\sL usable\. Lasts 3 days, until Tuesday morning; fills first\.$/
		);
	});
	it('a full tank is full now, a supply that is carried is carried', () => {
		const jug = { id: 'jug', name: 'Jug', holds: 'fresh', nominalL: 12, reserveL: 0, feeds: 'main' } as const;
		const rig: Rig = { ...exactRig, tanks: [...exactRig.tanks, { ...jug, portable: true }] };
		const views = viewsAt(rig, [
			entry({ kind: 'mark', at, tank: 'grey', state: 'full' }),
			entry({ kind: 'mark', at, tank: 'jug', state: 'empty' })
		]);
		expect(views.find(({ id }) => id === 'grey')).toMatchObject({ lasts: 'full', until: 'now' });
		expect(views.find(({ id }) => id === 'jug')).toMatchObject({ lasts: 'empty', carried: true });
	});
});
