import { describe, expect, it } from 'vitest';
import { exactRig } from '../../../../tests/helpers/logbooks.js';
import { METRIC } from '../../units/index.js';
import { understand, type QuickContext } from '../index.js';

/** Wednesday, 5 May 2027, 10 o'clock in the morning there. */
const context: QuickContext = {
	rig: exactRig,
	trip: undefined,
	nowMs: Date.parse('2027-05-05T10:00:00+02:00'),
	timeZone: 'Europe/Paris',
	units: METRIC,
	litresEach: new Map(),
	persons: 2
};
const quiet: QuickContext = { ...context, silentSinceMs: Date.parse('2027-05-03T21:00:00+02:00') };
const said = (text: string, of = context): unknown => {
	const answer = understand(text, of);
	return answer.kind === 'understood' ? answer.matches[0]?.drafts[0] : answer;
};

describe('how a time was lived of which nothing was logged', () => {
	it('away, as usual or less, since a day or an hour', () => {
		expect(said('we were away since friday')).toMatchObject({
			kind: 'gap',
			lived: 'away',
			since: '2027-04-30T00:00:00+02:00',
			at: '2027-05-05T10:00:00+02:00'
		});
		expect(said('lived as usual since yesterday')).toMatchObject({
			lived: 'as-usual',
			since: '2027-05-04T00:00:00+02:00'
		});
		expect(said('used less since monday 18:00')).toMatchObject({
			lived: 'less',
			since: '2027-05-03T18:00:00+02:00'
		});
		expect(said('we weren’t aboard since monday')).toMatchObject({
			lived: 'away',
			since: '2027-05-03T00:00:00+02:00'
		});
		expect(said('didn’t log since monday, lived as usual')).toMatchObject({ lived: 'as-usual' });
		expect(said('we were away from saturday to sunday')).toMatchObject({
			lived: 'away',
			since: '2027-05-01T00:00:00+02:00',
			at: '2027-05-03T00:00:00+02:00'
		});
	});
	it('without a time it is the silence that is asked about; where there is none, it asks', () => {
		expect(said('lived as usual', quiet)).toMatchObject({
			lived: 'as-usual',
			since: '2027-05-03T21:00:00+02:00'
		});
		expect(said('we were away', quiet)).toMatchObject({ lived: 'away' });
		expect(said('lived as usual')).toMatchObject({
			kind: 'problem',
			problem: expect.stringContaining('Since when?')
		});
	});
	it('back aboard: after nobody was, as was said or as the silence has it', () => {
		expect(said('back aboard', { ...context, persons: 0 })).toMatchObject({ kind: 'crew', persons: 2 });
		expect(said('we are back since 8:00', { ...context, persons: 0 })).toMatchObject({
			kind: 'crew',
			at: '2027-05-05T08:00:00+02:00'
		});
		expect(said("we're back", quiet)).toMatchObject({
			kind: 'gap',
			lived: 'away',
			since: '2027-05-03T21:00:00+02:00'
		});
		// three are aboard and nothing is quiet: nobody was away
		expect(said('Ada back', { ...context, persons: 2 })).toMatchObject({ kind: 'crew', persons: 3 });
	});
	it('is not what is to come, nor what was done', () => {
		expect(said('nobody aboard until sunday')).not.toMatchObject({ kind: 'gap' });
		expect(said('shower as usual')).not.toMatchObject({ kind: 'gap' });
		expect(said('used 5 litres less')).not.toMatchObject({ kind: 'gap' });
	});
});
