import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry } from '../../../tests/helpers/logbooks.js';
import { knownFrom, understand, type QuickContext } from './index.js';
import { CAR, HURRY, IN_NO_HURRY, IN_THE_CAR, ON_THE_YACHT, THURSDAY, YACHT } from './odd.fixture.js';
import {
	BOAT,
	HUT,
	IN_THE_HUT,
	IN_THE_VAN,
	NOW,
	ON_THE_BOAT,
	VAN,
	type Sentence,
	type SentenceMeaning
} from './sentences.fixture.js';

describe.each([
	['in the van', VAN, IN_THE_VAN],
	['on the boat, in US gallons', BOAT, ON_THE_BOAT],
	['in the hut', HUT, IN_THE_HUT],
	['in the car', CAR, IN_THE_CAR, THURSDAY],
	['on the yacht', YACHT, ON_THE_YACHT, THURSDAY],
	['on No Hurry', HURRY, IN_NO_HURRY, THURSDAY]
] as const)('%s', (_, context, sentences, now: string = NOW) => {
	it.each(sentences.map((sentence) => [sentence[0], sentence] as const))(
		'%j',
		(line, [, ...means]: Sentence) => {
			const answer = understand(line, context);
			const [asks] = means;
			if (asks instanceof RegExp) {
				expect(answer).toMatchObject({ kind: 'problem', problem: expect.stringMatching(asks) });
				return;
			}
			const ways = means as readonly SentenceMeaning[];
			expect(answer).toMatchObject({
				kind: 'understood',
				matches: ways.map(({ entries, adds }) => ({
					drafts: entries.map((entry) => ({ at: now, ...entry })),
					...(adds ? { adds } : {})
				}))
			});
			// Nothing is added unasked, nor told twice in the same words.
			const matches = answer.kind === 'understood' ? answer.matches : [];
			matches.forEach(({ adds }, i) => expect(adds === undefined).toBe(ways[i]?.adds === undefined));
			expect(new Set(matches.map(({ says }) => says)).size).toBe(matches.length);
		}
	);
});

it('a page is answered, and never read as a line', () => {
	const page = 'Then we washed up and had a shower. '.repeat(300);
	expect(understand(page, VAN)).toMatchObject({
		kind: 'problem',
		problem: expect.stringMatching(/page rather than a line/)
	});
	expect(understand(`note ${page}`, VAN)).toMatchObject({
		matches: [{ drafts: [{ kind: 'note', text: page.trim() }] }]
	});
	expect(understand(`note ${'x'.repeat(20_001)}`, VAN)).toMatchObject({ kind: 'problem' });
});

it('lines put together, cut off or with something odd in them: never a failure, never two alike choices', () => {
	const of = { van: VAN, boat: BOAT, hut: HUT };
	const line = fc.constantFrom(...[...IN_THE_VAN, ...ON_THE_BOAT, ...IN_THE_HUT].map(([text]) => text));
	const seam = fc.constantFrom(', ', ' and ', '; ', ' ', ' then ', '\n', ' & ');
	const odd = fc.constantFrom('', '🚿', '\u200f', '-', '%', '=', '"', '__proto__', ' yesterday ', ' 2 ');
	fc.assert(
		fc.property(
			fc.constantFrom('van', 'boat', 'hut'),
			fc.tuple(line, seam, line, odd, fc.nat({ max: 60 })),
			(where, [one, between, other, strange, at]) => {
				const whole = `${one}${between}${other}`;
				const answer = understand(
					`${whole.slice(0, at)}${strange}${whole.slice(at)}`,
					of[where as keyof typeof of]
				);
				const matches = answer.kind === 'understood' ? answer.matches : [];
				expect(new Set(matches.map(({ says }) => says)).size).toBe(matches.length);
				for (const { drafts, adds } of matches) expect(drafts.length > 0 || adds !== undefined).toBe(true);
				if (answer.kind === 'problem') expect(answer.problem).not.toBe('');
			}
		),
		{ numRuns: 300 }
	);
});

const OF = { van: VAN, car: CAR, yacht: YACHT, hurry: HURRY } as const;
/** Lines that mean one thing surely, by the rig they are of. */
const sure = (
	[
		['van', IN_THE_VAN],
		['car', IN_THE_CAR],
		['yacht', ON_THE_YACHT],
		['hurry', IN_NO_HURRY]
	] as const
).flatMap(([where, sentences]) =>
	sentences.flatMap(([line, means, ...others]) =>
		means instanceof RegExp || others.length > 0 || /note|measure|no |not|=|means/i.test(line)
			? []
			: [{ where, line }]
	)
);
/** A line with a word put in between two of its words, before them or behind them. */
const withWord = (line: string, word: string, at: number): string => {
	const words = line.split(' ');
	const before = at % (words.length + 1);
	return [...words.slice(0, before), word, ...words.slice(before)].join(' ');
};
/** What a line is taken for, surely and alone; nothing where it is asked about, offered or refused. */
const takenFor = (text: string, context: QuickContext): string | undefined => {
	const answer = understand(text, context);
	const matches = answer.kind === 'understood' ? answer.matches : [];
	const [only] = matches;
	return matches.length === 1 && only ? JSON.stringify([only.drafts, only.adds, only.says]) : undefined;
};

describe('a line loses nothing that was said', () => {
	/** Every line with a word put in somewhere, and what it is then taken for. */
	const tried = (word: (where: keyof typeof OF) => string, lines = sure) =>
		fc
			.record({ one: fc.constantFrom(...lines), at: fc.nat({ max: 8 }) })
			.map(({ one: { line, where }, at }) => {
				const text = withWord(line, word(where), at);
				return { where, text, taken: takenFor(text, OF[where]) };
			});
	it.each(['not', 'didn’t', 'never', 'nearly', 'need to', 'should', 'maybe', 'skipped'])(
		'“%s” anywhere in a line: it is not logged as if it were done',
		(word) => {
			const lines = sure.filter(({ line }) => !/^(?:hooked|plugged|on mains)/.test(line));
			fc.assert(
				fc.property(
					tried(() => word, lines),
					({ taken }) => {
						expect(taken).toBeUndefined();
					}
				),
				{ numRuns: 80 }
			);
		}
	);
	it('a question mark behind a line: it is answered or asked about, and never logged', () => {
		for (const { line, where } of sure)
			expect(understand(`${line}?`, OF[where]).kind, line).not.toBe('understood');
	});
	it('a word that nobody knows: the line is not sure', () => {
		fc.assert(
			fc.property(
				tried(() => 'grumbulous'),
				({ taken }) => {
					expect(taken).toBeUndefined();
				}
			),
			{ numRuns: 300 }
		);
	});
	it('a number more: it is in what was understood, or the line is not sure', () => {
		// Behind some words it is a time, or how long something ran: then it is told in that.
		const lines = sure.filter(({ line }) => !/min|sec|hour|ago|week|day|gal|each/i.test(line));
		fc.assert(
			fc.property(
				tried(() => '37.5', lines),
				({ taken = '37.5' }) => {
					expect(taken).toMatch(/37[.,]5|75/);
				}
			),
			{ numRuns: 300 }
		);
	});
	it('somebody who is known: the name is in what was understood, or the line is not sure', () => {
		const nameIn = (where: keyof typeof OF): string => OF[where].people?.at(-1) ?? '';
		fc.assert(
			fc.property(tried(nameIn), ({ where, taken = nameIn(where) }) => {
				expect(taken).toContain(nameIn(where));
			}),
			{ numRuns: 300 }
		);
	});
});

describe('of two things of one name', () => {
	const twins: QuickContext = {
		...VAN,
		rig: { ...VAN.rig, habits: [...VAN.rig.habits, { ...VAN.rig.habits[2]!, id: 'other' }] },
		trip: {
			...VAN.trip!,
			stops: [
				...VAN.trip!.stops,
				{
					...VAN.trip!.stops[0]!,
					id: 'again',
					arrive: '2027-05-09T14:00:00+01:00',
					depart: '2027-05-09T18:00:00+01:00'
				}
			]
		}
	};
	it.each(['dishes', 'arrive tamsel ford'])('%s: both are offered in words of their own', (line) => {
		const answer = understand(line, twins);
		const says = answer.kind === 'understood' ? answer.matches.map((match) => match.says) : [];
		expect(says).toHaveLength(2);
		expect(new Set(says).size).toBe(2);
	});
});

it('what was written before tells who is known and what a meter showed', () => {
	const entries = [
		entry({ kind: 'reading', at: '2027-05-04T10:00:00Z', instrument: 'pump', value: 291.4, by: 'Ines' }),
		entry({ kind: 'reading', at: '2027-05-03T10:00:00Z', instrument: 'pump', value: 250, by: 'Tor' }),
		entry({ kind: 'reading', at: '2027-05-04T11:00:00Z', instrument: 'pump', value: 999, void: true }),
		entry({ kind: 'reading', at: '2027-05-06T11:00:00Z', instrument: 'pump', value: 400 })
	];
	const known = knownFrom(VAN.rig, entries, Date.parse(NOW));
	expect(known.people).toEqual(['Ines', 'Tor']);
	expect(known.lastRead.get('pump')?.value).toBe(291.4);
});
