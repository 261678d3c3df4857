import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry } from '../../../tests/helpers/logbooks.js';
import { knownFrom, understand, type QuickContext } from './index.js';
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
	['in the hut', HUT, IN_THE_HUT]
] as const)('%s', (_, context, sentences) => {
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
					drafts: entries.map((entry) => ({ at: NOW, ...entry })),
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
