import { HOUR_MS } from '$core/time';
import { describe, expect, it } from 'vitest';
import type { Effect } from '$core/now';
import type { Answered } from '$core/answering';
import type { Question, Understood } from '$core/quickline';
import { METRIC } from '$core/units';
import { entry, exactRig, exactTrip } from '../../../../../tests/helpers/logbooks';
import * as grammar from './grammar';
import { QuickLineState, type Context } from './quickLine.svelte';

const stop = (id: string, day: string) => ({
	id,
	name: 'Kelda Top',
	arrive: `2027-05-${day}T10:00:00Z`,
	depart: `2027-05-${day}T12:00:00Z`,
	legKm: 1,
	services: []
});
const context: Context = {
	rig: exactRig,
	trip: { ...exactTrip, stops: [stop('one', '03'), stop('two', '05')] },
	timeZone: 'Etc/UTC',
	units: METRIC,
	entries: []
};
const words = (of: string): Effect => ({ levels: new Map(), words: of, shortens: false });
const settled = () => new Promise((resolve) => setTimeout(resolve));

/** A line whose previews are given by hand. */
function lineHere() {
	const asked: { draft: Understood; give: (effect: Effect) => void; fail: () => void }[] = [];
	const line = new QuickLineState(
		() => context,
		{
			effectOf: (draft) =>
				new Promise((give, reject) =>
					asked.push({ draft, give, fail: () => reject(new Error('no engine')) })
				),
			answerOf: () => Promise.resolve(undefined)
		},
		grammar
	);
	return { line, asked };
}

describe('what stands before one’s eyes is of one text', () => {
	it('a preview of an earlier text is dropped, however late it comes', async () => {
		const { line, asked } = lineHere();
		line.type('shower');
		line.type('arrive kelda top');
		asked[0]?.give(words('of the shower'));
		await settled();
		expect(line.shown).toMatchObject({ text: 'arrive kelda top', effect: undefined });
		expect(line.choice?.drafts[0]).toMatchObject({ kind: 'stop' });
		asked[1]?.give(words('of the arrival'));
		await settled();
		expect(line.shown.effect?.words).toBe('of the arrival');
		expect(line.shown.text).toBe('arrive kelda top');
	});
	it('a stop visited twice gives two choices that are told apart, each with its own preview', async () => {
		const { line, asked } = lineHere();
		line.type('arrive kelda top');
		expect(new Set(line.shown.choices.map(({ says }) => says)).size).toBe(2);
		line.pick(1);
		asked[0]?.give(words('of the first'));
		await settled();
		asked[1]?.give(words('of the second'));
		await settled();
		expect([line.shown.picked, line.shown.effect?.words]).toEqual([1, 'of the second']);
		line.pick(2);
		expect(line.shown.picked).toBe(0);
		line.pick(-1);
		expect(line.shown.picked).toBe(1);
	});
	it('what does not mean anything has neither choice nor preview, and says why', () => {
		const { line, asked } = lineHere();
		line.type('shower');
		line.type('flurble');
		expect(line.shown).toMatchObject({ choices: [], effect: undefined });
		expect(line.shown.problem).toMatch(/“flurble”/);
		expect(asked).toHaveLength(1);
	});
	it('typed key by key, the engine is asked of the first letter and of the last, which is told what it does', async () => {
		const { line, asked } = lineHere();
		for (const text of ['s', 'sh', 'sho', 'show', 'showe', 'shower']) line.type(text);
		expect(asked).toHaveLength(1);
		asked[0]?.give(words('of a letter'));
		await settled();
		expect(asked).toHaveLength(2);
		// What is known around the line changes meanwhile: what was asked is asked again, and stays until then.
		line.reread();
		asked[1]?.give(words('of the shower'));
		await settled();
		asked[2]?.give(words('of the shower'));
		await settled();
		expect([line.shown.text, line.shown.effect?.words]).toEqual(['shower', 'of the shower']);
		line.reread();
		expect(line.shown.effect?.words).toBe('of the shower');
	});
	it('a question has an answer and no choice; typed on, the answer is gone', async () => {
		const answer: Answered = {
			answer: { kind: 'level', says: 'Main has 62 L.', tank: 'main', litres: 62 },
			act: { href: '/', label: 'Show' }
		};
		const asked: Question[] = [];
		const line = new QuickLineState(
			() => context,
			{
				effectOf: () => Promise.resolve(undefined),
				answerOf: (question) => {
					asked.push(question);
					return Promise.resolve(answer);
				}
			},
			grammar
		);
		line.type('how much is in main?');
		await settled();
		expect(asked).toMatchObject([{ kind: 'level', tanks: ['main'] }]);
		expect(line.shown).toMatchObject({ choices: [], answer, problem: undefined });
		line.type('shower');
		expect(line.shown).toMatchObject({ answer: undefined, question: undefined });
	});
	it('a line can be entered though its preview fails', async () => {
		const { line, asked } = lineHere();
		line.type('shower');
		asked[0]?.fail();
		await settled();
		expect(line.choice?.drafts[0]).toMatchObject({ kind: 'use', habit: 'shower' });
	});
	it('what could not be logged stands before what was typed since, and why is said until one types', async () => {
		const { line, asked } = lineHere();
		line.type('2 dishes');
		line.takeBack('shower', new Error('no network'));
		expect(line.shown.text).toBe('shower, 2 dishes');
		expect(line.choice?.drafts).toMatchObject([{ habit: 'shower' }, { habit: 'dishes', times: 2 }]);
		asked[0]?.give(words('of the dishes'));
		await settled();
		asked[1]?.give(words('of both'));
		await settled();
		expect(line.shown.effect?.words).toBe('of both');
		line.reread();
		expect(line.shown.failed).toContain('Not logged: no network.');
		line.type('shower');
		expect(line.shown.failed).toBeUndefined();
	});
	it('is read anew with what is known around it, the choice kept', () => {
		const { line } = lineHere();
		line.type('arrive kelda top');
		line.pick(1);
		line.reread();
		expect([line.shown.text, line.shown.picked]).toEqual(['arrive kelda top', 1]);
	});
});

it('a fill or a dump of now can be gone through step by step; what was before cannot', () => {
	const { line } = lineHere();
	line.type('dump all');
	expect(line.shown.run).toBe('/run/dump?tank=black&tank=grey');
	line.type('fill main');
	expect(line.shown.run).toBe('/run/fill?tank=main');
	for (const text of ['dump grey yesterday', 'shower', 'fill main, shower', 'flurble']) {
		line.type(text);
		expect(line.shown.run, text).toBeUndefined();
	}
});

it('what the log tells is known to the line: who writes, what a meter showed', () => {
	const at = new Date(Date.now() - HOUR_MS).toISOString();
	const entries = [entry({ kind: 'reading', at, instrument: 'pump', value: 291.4, by: 'Ines' })];
	const line = new QuickLineState(
		() => ({ ...context, entries }),
		{ effectOf: () => Promise.resolve(undefined), answerOf: () => Promise.resolve(undefined) },
		grammar
	);
	line.type('shower ines');
	expect(line.choice?.drafts).toMatchObject([{ habit: 'shower', by: 'Ines' }]);
	line.type('meter 2930');
	expect(line.shown.choices.map(({ drafts }) => drafts[0])).toMatchObject([{ value: 293 }, { value: 2930 }]);
});

it('Tab finishes a word, and has nothing to do behind a finished one', () => {
	const { line } = lineHere();
	line.type('dis');
	expect(line.shown.completion).toBe('dishes');
	line.type('dishes ');
	expect(line.shown.completion).toBeUndefined();
	line.type('');
	expect(line.shown.completion).toBeUndefined();
});

describe('a line that is typed before it can be read', () => {
	const effect = {
		effectOf: () => Promise.resolve(undefined),
		answerOf: () => Promise.resolve(undefined)
	};
	it('is read as soon as it can be, as it stands by then', async () => {
		let give: (it: typeof grammar) => void = () => undefined;
		const line = new QuickLineState(
			() => context,
			effect,
			() => new Promise((resolve) => (give = resolve))
		);
		line.type('sho');
		expect([line.ready, line.shown.text, line.choice]).toEqual([false, 'sho', undefined]);
		line.type('shower');
		give(grammar);
		await settled();
		expect(line.ready).toBe(true);
		expect(line.choice?.drafts[0]).toMatchObject({ kind: 'use', habit: 'shower' });
	});
	it('says so when it cannot be fetched, and keeps what was typed', async () => {
		const line = new QuickLineState(
			() => context,
			effect,
			() => Promise.reject(new Error('no signal'))
		);
		line.type('shower');
		await settled();
		expect(line.shown.text).toBe('shower');
		expect(line.shown.problem).toMatch(/can’t be read: no signal/);
	});
});
