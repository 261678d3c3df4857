import { describe, expect, it } from 'vitest';
import { exactRig, exactTrip, freshStart, logbookOf } from '../../../tests/helpers/logbooks';
import { readDipBody, readForecastBody, readLevelsBody, readPlanBody } from './bodies';
import { answerJson, LARGEST_BODY } from './http';

const at = '2027-05-01T08:00:00Z';
const logbook = logbookOf(freshStart(), exactRig, [exactTrip]);
const ask = { logbook, rig: 'rig', at };
/** The paths of all problems. */
const wrong = (read: object): readonly string[] | undefined =>
	'errors' in read ? (read.errors as readonly { path: string }[]).map(({ path }) => path) : undefined;

describe('what a body must say', () => {
	it('is taken when it says it', () => {
		expect(wrong(readLevelsBody(ask))).toBeUndefined();
		expect(wrong(readForecastBody({ ...ask, days: 7, measures: ['short'], seed: 3 }))).toBeUndefined();
		expect(wrong(readPlanBody({ logbook, trip: 'trip', at }))).toBeUndefined();
		expect(
			wrong(readDipBody({ shape: { form: 'box', lengthMm: 1, widthMm: 1, heightMm: 1 }, depthMm: 0.5 }))
		).toBeUndefined();
	});
	it('is named where it does not, all of it at once', () => {
		expect(wrong(readLevelsBody({}))).toEqual(expect.arrayContaining(['$.at', '$.rig', '$.logbook']));
		expect(wrong(readLevelsBody(undefined))).toContain('$');
		expect(wrong(readLevelsBody({ ...ask, rig: 'raft' }))).toEqual(['$.rig']);
		expect(wrong(readLevelsBody({ ...ask, at: 'yesterday' }))).toEqual(['$.at']);
		expect(wrong(readForecastBody({ ...ask, days: 0, paths: 1.5, persons: -1 }))).toEqual([
			'$.days',
			'$.persons',
			'$.paths'
		]);
		expect(wrong(readForecastBody({ ...ask, days: 7, measures: ['short', 'never'] }))).toEqual([
			'$.measures[1]'
		]);
		expect(wrong(readPlanBody({ logbook, trip: 'tour', at }))).toEqual(['$.trip']);
	});
	it('names what is wrong inside the logbook by its path from the body on', () => {
		const [first, ...rest] = logbook.entries;
		const bent = { ...logbook, entries: [{ ...first, at: '2027-02-30T00:00:00Z' }, ...rest] };
		expect(wrong(readLevelsBody({ ...ask, logbook: bent }))).toEqual(['$.logbook.entries[0].at']);
		expect(wrong(readLevelsBody({ ...ask, logbook: { ...logbook, version: 2 } }))).toEqual([
			'$.logbook.version'
		]);
	});
	it('a lean beyond 45° and a shape of no kind are refused', () => {
		const box = { form: 'box', lengthMm: 1, widthMm: 1, heightMm: 1 };
		expect(wrong(readDipBody({ shape: box, depthMm: 1, rollDeg: 46, pitchDeg: -46 }))).toEqual([
			'$.rollDeg',
			'$.pitchDeg'
		]);
		expect(wrong(readDipBody({ shape: { form: 'ball' }, depthMm: 1 }))).toEqual(['$.shape.form']);
	});
});

describe('how a request is taken', () => {
	const send = (body: string, type = 'application/json'): Promise<Response> =>
		answerJson(
			new Request('http://here/', { method: 'POST', body, headers: { 'content-type': type } }),
			(data) =>
				data === 'wrong' ? { errors: [{ path: '$', expected: 'right', got: 'wrong' }] } : { answer: data }
		);
	it('answers JSON with JSON, and says what is no JSON', async () => {
		const good = await send('{"a":[1]}', 'application/json; charset=utf-8');
		expect([good.status, await good.json()]).toEqual([200, { a: [1] }]);
		const bad = await send('{"a":');
		expect([bad.status, (await bad.json()).errors[0].path]).toEqual([422, '$']);
		const refused = await send('"wrong"');
		expect([refused.status, await refused.json()]).toEqual([
			422,
			{ errors: [{ path: '$', expected: 'right', got: 'wrong' }] }
		]);
	});
	it('refuses other types, and bodies over the limit, also when their length is not announced', async () => {
		expect((await send('a=1', 'application/x-www-form-urlencoded')).status).toBe(415);
		expect((await send(' '.repeat(LARGEST_BODY + 1))).status).toBe(413);
		expect((await send(`"${' '.repeat(LARGEST_BODY - 2)}"`)).status).toBe(200);
	});
});
