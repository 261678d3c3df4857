import { expect, it } from 'vitest';
import { entry, exactRig } from '../../../tests/helpers/logbooks.js';
import { likelyNext } from './index.js';

const at = '2027-05-01T08:00:00Z';

it('what was done most in the last week is offered first, then what may be asked and what every rig needs', () => {
	const done = [1, 2, 3].map((hour) =>
		entry({ kind: 'use', at: `2027-05-01T0${hour}:00:00Z`, habit: 'dishes', times: 1 })
	);
	const gone = entry({ kind: 'use', at: '2027-04-01T08:00:00Z', habit: 'flush', times: 9 });
	expect(likelyNext(exactRig, [...done, gone], Date.parse(at))).toEqual([
		'dishes',
		'shower',
		'flush',
		'how long does it last?',
		'fill full',
		'shower?',
		'meter',
		'dump grey',
		'dump cassette'
	]);
});
