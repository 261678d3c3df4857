import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { entry, exactRig, freshStart, logbookOf } from '../../../../tests/helpers/logbooks.js';
import {
	canonical,
	corrected,
	keyOf,
	nextEdited,
	parseLogbook,
	voided,
	type Entry,
	type Logbook,
	type Rig
} from '../index.js';
import {
	differenceFor,
	isOf,
	newChangeLog,
	noted,
	numbered,
	recordsOf,
	taking,
	type ChangeLog,
	type Choices,
	type Difference,
	type Taken
} from './index.js';
import { listsOf } from './changeLog.js';

/** A phone: its logbook, its numbers, and what it knows of the others. */
class Phone {
	logbook: Logbook = { ...logbookOf([]), rigs: [], trips: [] };
	log: ChangeLog;
	readonly has = new Map<string, Difference['handOver']['upTo']>();
	readonly name: string;

	constructor(name: string, logbook?: Logbook) {
		this.name = name;
		this.log = newChangeLog(`device${name.toLowerCase()}`);
		if (logbook) this.logbook = logbook;
	}
	put(...changes: ReturnType<typeof recordsOf>): void {
		const all = new Map([...recordsOf(this.logbook), ...changes].map((one) => [keyOf(one), one]));
		this.logbook = { ...this.logbook, ...listsOf([...all.values()]) };
	}
	log_(...entries: readonly Entry[]): void {
		this.put(...entries.map((value) => ({ kind: 'entry', value }) as const));
	}
	give(to: string): Difference {
		this.log = numbered(this.log, this.logbook);
		// As it travels: text, and nothing that text does not hold.
		return JSON.parse(
			JSON.stringify(differenceFor(this.log, this.logbook, this.has.get(to) ?? {}, this.name))
		) as Difference;
	}
	look(theirs: Logbook, choices: Choices = {}, now = '2027-05-05T12:00:00Z'): Taken {
		this.log = numbered(this.log, this.logbook);
		const taken = taking({ log: this.log, mine: this.logbook, theirs }, choices, now);
		if (!taken.ok) throw new Error(JSON.stringify(taken.problems));
		return taken;
	}
	take(theirs: Difference, choices: Choices = {}, now?: string): Taken {
		const taken = this.look(theirs, choices, now);
		this.put(...taken.changes);
		this.log = noted(this.log, taken.came, this.logbook, taken.known);
		this.has.set(theirs.handOver.by, theirs.handOver.upTo);
		return taken;
	}
	entry(id: string): Entry | undefined {
		return this.logbook.entries.find((one) => one.id === id);
	}
	get counted(): readonly string[] {
		return this.logbook.entries
			.filter((one) => !one.void)
			.map(({ id }) => id)
			.sort();
	}
	get content(): string {
		return canonical(listsOf(recordsOf(this.logbook).toSorted((a, b) => (keyOf(a) < keyOf(b) ? -1 : 1))));
	}
}

const shower = (id: string, at: string, by: string, more: object = {}): Entry =>
	entry({ kind: 'use', habit: 'shower', times: 1, at, by, ...more }, id);
const both = (): readonly [Phone, Phone] => {
	const mara = new Phone('Mara', logbookOf(freshStart()));
	const ivo = new Phone('Ivo');
	ivo.take(mara.give('Ivo'));
	mara.take(ivo.give('Mara'));
	return [mara, ivo];
};
const statesOf = ({ coming }: Taken): readonly string[] => coming.map(({ state }) => state);

describe('handing over', () => {
	it('gives all of it the first time, and what is new after that; the answer says what has come', () => {
		const [mara, ivo] = both();
		expect(ivo.content).toBe(mara.content);
		mara.log_(shower('s1', '2027-05-02T07:00:00Z', 'Mara'));
		ivo.log_(shower('s2', '2027-05-02T09:00:00Z', 'Ivo'));
		const first = mara.give('Ivo');
		expect([first.rigs.length, first.trips.length, first.entries.map(({ id }) => id)]).toEqual([
			0,
			0,
			['s1']
		]);
		ivo.take(first);
		expect(ivo.give('Mara').entries.map(({ id }) => id)).toEqual(['s2']);
		mara.take(ivo.give('Mara'));
		expect(mara.content).toBe(ivo.content);
		expect(recordsOf(mara.give('Ivo'))).toEqual([]);
		// Until an answer comes, nobody knows that it has arrived.
		expect(ivo.give('Mara').entries).toHaveLength(1);
		ivo.take(mara.give('Ivo'));
		expect(recordsOf(ivo.give('Mara'))).toEqual([]);
	});
	it('repeats what was not answered: one that is lost loses nothing, twice changes nothing', () => {
		const [mara, ivo] = both();
		mara.log_(shower('s1', '2027-05-02T07:00:00Z', 'Mara'));
		mara.give('Ivo');
		mara.log_(shower('s2', '2027-05-03T07:00:00Z', 'Mara'));
		const second = mara.give('Ivo');
		expect(second.entries.map(({ id }) => id)).toEqual(['s1', 's2']);
		ivo.take(second);
		const before = ivo.content;
		expect(statesOf(ivo.take(second))).toEqual([]);
		expect(ivo.content).toBe(before);
	});
	it('of what follows something that has not come, all is kept, and what is missing is asked for again', () => {
		const [mara, ivo] = both();
		const cleo = new Phone('Cleo');
		mara.log_(shower('s1', '2027-05-02T07:00:00Z', 'Mara'));
		// Mara thinks that Cleo has what Ivo has.
		mara.has.set('Cleo', mara.has.get('Ivo')!);
		cleo.put(...recordsOf(logbookOf([])));
		const taken = cleo.take(mara.give('Cleo'));
		expect([taken.gap, cleo.counted]).toEqual([true, ['s1']]);
		mara.take(cleo.give('Mara'));
		cleo.take(mara.give('Cleo'));
		expect(cleo.content).toBe(mara.content);
		expect(ivo.content).not.toBe(mara.content);
	});
	it('what came from a third is not sent back to where it is from', () => {
		const [mara, ivo] = both();
		const cleo = new Phone('Cleo');
		ivo.log_(shower('s1', '2027-05-02T07:00:00Z', 'Ivo'));
		cleo.take(ivo.give('Cleo'));
		mara.take(cleo.give('Mara'));
		mara.take(ivo.give('Mara'));
		expect(recordsOf(mara.give('Ivo'))).toEqual([]);
	});
	it('a record whose fields come in another order is no other one', () => {
		const [mara] = both();
		const turned = (value: object): object => Object.fromEntries(Object.entries(value).reverse());
		mara.logbook = JSON.parse(
			JSON.stringify(mara.logbook, (_, value: unknown) =>
				typeof value === 'object' && value !== null && !Array.isArray(value) ? turned(value) : value
			)
		) as Logbook;
		expect(recordsOf(mara.give('Ivo'))).toEqual([]);
	});
	it('a log whose logbook has lost something is none of it', () => {
		const [mara] = both();
		expect(isOf(mara.log, mara.logbook)).toBe(true);
		expect(isOf(mara.log, { ...mara.logbook, entries: [] })).toBe(false);
	});
	it('a logbook of another rig comes as another rig, and what names what is nowhere is refused with its place', () => {
		const [mara] = both();
		const other = { ...logbookOf([], { ...exactRig, id: 'boat', name: 'Paper boat' }, []) };
		expect(mara.look(other).coming.map(({ key, state }) => [key, state])).toEqual([['rig:boat', 'new']]);
		const dangling = {
			...logbookOf([{ ...shower('x', '2027-05-02T07:00:00Z', 'Zoe'), rig: 'raft' }]),
			rigs: [],
			trips: []
		};
		const refused = taking(
			{ log: mara.log, mine: mara.logbook, theirs: dangling },
			{},
			'2027-05-05T12:00:00Z'
		);
		expect(refused).toEqual({
			ok: false,
			problems: [{ path: '$.entries[0].rig', expected: 'the id of a rig', got: '"raft"' }]
		});
	});
	it('counts of records that do not add up are refused', () => {
		const [mara] = both();
		const whole = mara.give('Zoe');
		const lying = { ...whole, handOver: { ...whole.handOver, changes: [['devicemara', 1, 1e12]] } };
		const parsed = parseLogbook(lying);
		expect(parsed.ok ? [] : parsed.problems.map(({ path }) => path)).toEqual(['$.handOver.changes']);
	});
});

describe('what both did', () => {
	const [at, later] = ['2027-05-02T07:00:00Z', '2027-05-02T07:06:00Z'];
	it('one thing that both logged is counted once, alike on both phones, and asked about once', () => {
		const [mara, ivo] = both();
		mara.log_(shower('s1', at, 'Mara'));
		ivo.log_(shower('s2', later, 'Ivo'));
		const taken = ivo.take(mara.give('Ivo'));
		expect(taken.coming).toMatchObject([{ state: 'twin', mine: { id: 's2' }, kept: 'one', stays: 'theirs' }]);
		mara.take(ivo.give('Mara'));
		for (const phone of [mara, ivo]) expect(phone.counted.filter((id) => id.startsWith('s'))).toEqual(['s1']);
		expect(mara.content).toBe(ivo.content);
		expect(statesOf(ivo.take(mara.give('Ivo')))).toEqual([]);
	});
	it('crossing on the way, both take the same one out', () => {
		const [mara, ivo] = both();
		mara.log_(shower('s1', at, 'Mara'));
		ivo.log_(shower('s2', later, 'Ivo', { litres: 7.5 }));
		const [there, back] = [mara.give('Ivo'), ivo.give('Mara')];
		ivo.take(there, {}, '2027-05-05T12:00:00Z');
		mara.take(back, {}, '2027-05-05T12:00:07Z');
		for (const phone of [mara, ivo]) expect(phone.counted.filter((id) => id.startsWith('s'))).toEqual(['s2']);
		expect(statesOf(mara.take(ivo.give('Mara')))).toEqual([]);
		ivo.take(mara.give('Ivo'));
		expect(mara.content).toBe(ivo.content);
	});
	it('said to be two, they are two on both phones, and never asked about again', () => {
		const [mara, ivo] = both();
		mara.log_(shower('s1', at, 'Mara'));
		ivo.log_(shower('s2', later, 'Ivo'));
		ivo.take(mara.give('Ivo'), { 'entry:s1': 'two' });
		expect(statesOf(mara.take(ivo.give('Mara')))).toEqual(['new']);
		expect(mara.counted.filter((id) => id.startsWith('s'))).toEqual(['s1', 's2']);
		expect(mara.entry('s2')).toMatchObject({ again: true });
	});
	it('what one logs who has seen the other’s is another one', () => {
		const [mara, ivo] = both();
		mara.log_(shower('s1', at, 'Mara'));
		ivo.take(mara.give('Ivo'));
		ivo.log_(shower('s2', later, 'Ivo'));
		expect(statesOf(mara.take(ivo.give('Mara')))).toEqual(['new']);
	});
	it.each([
		['another habit', shower('s2', later, 'Ivo', { habit: 'dishes' })],
		['an hour apart', shower('s2', '2027-05-02T08:00:00Z', 'Ivo')],
		['another number', shower('s2', later, 'Ivo', { times: 2 })],
		['other litres', shower('s2', later, 'Ivo', { litres: 20 })]
	])('%s is no question', (_, second) => {
		const [mara, ivo] = both();
		mara.log_(shower('s1', at, 'Mara', { litres: 8 }));
		ivo.log_(second);
		expect(statesOf(ivo.take(mara.give('Ivo')))).toEqual(['new']);
	});
	it('a fill that both logged is one fill', () => {
		const [mara, ivo] = both();
		mara.log_(entry({ kind: 'fill', tank: 'main', litres: 60, at, by: 'Mara' }, 'f1'));
		ivo.log_(entry({ kind: 'fill', tank: 'main', to: 'full', at: later, by: 'Ivo' }, 'f2'));
		ivo.take(mara.give('Ivo'));
		expect(ivo.counted.filter((id) => id.startsWith('f'))).toEqual(['f1']);
	});
});

describe('a correction against a correction', () => {
	const set = () => {
		const [mara, ivo] = both();
		mara.log_(shower('s1', '2027-05-02T07:00:00Z', 'Mara'));
		ivo.take(mara.give('Ivo'));
		const litres = (phone: Phone, value: number, now: string) => {
			const before = phone.entry('s1')!;
			phone.log_(corrected(before, { ...before, litres: value } as Entry, now));
		};
		litres(mara, 10, '2027-05-03T08:00:00Z');
		litres(ivo, 12, '2027-05-03T09:00:00Z');
		return [mara, ivo] as const;
	};
	it('says whose is kept: the later one, on both phones', () => {
		const [mara, ivo] = set();
		const [there, back] = [mara.give('Ivo'), ivo.give('Mara')];
		expect(ivo.take(there).coming).toMatchObject([{ state: 'conflict', kept: 'mine' }]);
		expect(mara.take(back).coming).toMatchObject([{ state: 'conflict', kept: 'theirs' }]);
		expect([mara.entry('s1'), ivo.entry('s1')]).toMatchObject([{ litres: 12 }, { litres: 12 }]);
	});
	it('can be turned, and what was turned goes to the other one', () => {
		const [mara, ivo] = set();
		ivo.take(mara.give('Ivo'), { 'entry:s1': 'theirs' });
		expect(ivo.entry('s1')).toMatchObject({ litres: 10 });
		expect(statesOf(mara.take(ivo.give('Mara')))).toEqual([]);
		expect(mara.content).not.toBe('');
		expect(mara.entry('s1')).toMatchObject({ litres: 10, edited: ivo.entry('s1')?.edited });
	});
	it('of what only one of them ever corrected there is no question, though they never shared before', () => {
		const one = shower('s1', '2027-05-02T07:00:00Z', 'Mara');
		const logbook = logbookOf([...freshStart(), one]);
		const [mara, ivo] = ['Mara', 'Ivo'].map((name) => new Phone(name, logbook));
		mara!.log_(corrected(one, { ...one, litres: 10 } as Entry, '2027-05-03T08:00:00Z'));
		expect(statesOf(mara!.look(ivo!.give('Mara')))).toEqual([]);
		expect(statesOf(ivo!.take(mara!.give('Ivo')))).toEqual(['changed']);
		expect(ivo!.entry('s1')).toMatchObject({ litres: 10 });
	});
	it('one who knew of the other’s corrects it without a question', () => {
		const [mara, ivo] = set();
		ivo.take(mara.give('Ivo'));
		mara.take(ivo.give('Mara'));
		const before = ivo.entry('s1')!;
		ivo.log_(voided(before, '2027-05-04T09:00:00Z'));
		expect(statesOf(mara.take(ivo.give('Mara')))).toEqual(['changed']);
		expect(mara.entry('s1')?.void).toBe(true);
	});
});

describe('a rig that both changed', () => {
	const habit = (id: string): Rig['habits'][number] => ({ ...exactRig.habits[0]!, id, name: id });
	const change = (phone: Phone, make: (rig: Rig) => Rig, now: string): void => {
		const rig = phone.logbook.rigs[0]!;
		phone.put({ kind: 'rig', value: { ...make(rig), edited: nextEdited(rig, now) } });
	};
	it('keeps what either added, alike on both phones', () => {
		const [mara, ivo] = both();
		change(mara, (rig) => ({ ...rig, habits: [...rig.habits, habit('laundry')] }), '2027-05-03T08:00:00Z');
		change(
			ivo,
			(rig) => ({ ...rig, habits: [...rig.habits, habit('hair')], crew: 3 }),
			'2027-05-03T09:00:00Z'
		);
		const [there, back] = [mara.give('Ivo'), ivo.give('Mara')];
		expect(ivo.take(there).coming).toMatchObject([{ state: 'conflict', kept: 'both', places: [] }]);
		mara.take(back);
		expect(mara.content).toBe(ivo.content);
		const { habits, crew } = mara.logbook.rigs[0]!;
		expect([
			habits
				.map(({ id }) => id)
				.slice(-2)
				.sort(),
			crew
		]).toEqual([['hair', 'laundry'], 3]);
		expect(habits.some(({ retired }) => retired)).toBe(false);
	});
	it('says which places both changed, and keeps the later edit there', () => {
		const [mara, ivo] = both();
		change(mara, (rig) => ({ ...rig, crew: 4, name: 'Old van' }), '2027-05-03T08:00:00Z');
		change(ivo, (rig) => ({ ...rig, crew: 3 }), '2027-05-03T09:00:00Z');
		const { coming } = ivo.take(mara.give('Ivo'));
		expect(coming).toMatchObject([{ kept: 'both', places: [{ path: 'crew', mine: 3, theirs: 4 }] }]);
		expect(ivo.logbook.rigs[0]).toMatchObject({ crew: 3, name: 'Old van' });
	});
	it('where the one took away what the other’s change needs, the later edit stands and still holds together', () => {
		const [mara, ivo] = both();
		const at = { kind: 'rod', id: 'stick', name: 'Stick', tank: 'black', sdMm: 4 } as const;
		change(mara, (rig) => ({ ...rig, instruments: [...rig.instruments, at] }), '2027-05-03T08:00:00Z');
		change(
			ivo,
			(rig) => ({
				...rig,
				tanks: rig.tanks.filter(({ id }) => id !== 'black'),
				outlets: rig.outlets.filter(({ to }) => to !== 'black'),
				habits: rig.habits.filter(({ outlet }) => outlet !== 'toilet')
			}),
			'2027-05-03T09:00:00Z'
		);
		ivo.take(mara.give('Ivo'));
		expect(parseLogbook(ivo.logbook).ok).toBe(true);
	});
});

describe('any exchanges among three phones', () => {
	const NAMES = ['Mara', 'Ivo', 'Cleo'] as const;
	type Act =
		| {
				readonly do: 'log' | 'correct' | 'void' | 'rig' | 'stop' | 'run';
				readonly who: number;
				readonly n: number;
		  }
		| { readonly do: 'give'; readonly who: number; readonly to: number; readonly lost: boolean }
		| { readonly do: 'arrive'; readonly n: number; readonly choice: number };
	const who = fc.integer({ min: 0, max: 2 });
	const act: fc.Arbitrary<Act> = fc.oneof(
		fc.record({
			do: fc.constantFrom('log' as const, 'log', 'log', 'correct', 'void', 'rig', 'stop', 'run'),
			who,
			n: fc.nat(60)
		}),
		fc.record({ do: fc.constant('give' as const), who, to: who, lost: fc.boolean() }),
		fc.record({ do: fc.constant('arrive' as const), n: fc.nat(50), choice: fc.nat(5) })
	);
	const CHOICES = ['mine', 'theirs', 'one', 'two'] as const;

	it('end in three equal logbooks that hold together, whatever came late, twice or not at all', () =>
		fc.assert(
			fc.property(fc.array(act, { minLength: 20, maxLength: 60 }), (acts) => {
				const phones = NAMES.map((name) => new Phone(name));
				phones[0]!.logbook = logbookOf(freshStart());
				for (const [i, to] of [1, 2].entries()) phones[to]!.take(phones[i]!.give(NAMES[to]!));
				const posted: { readonly to: Phone; readonly what: Difference }[] = [];
				let clock = Date.parse('2027-05-03T00:00:00Z');
				const now = (): string => new Date((clock += 60_000)).toISOString();
				acts.forEach((one, i) => {
					if (one.do === 'arrive') {
						const letter = posted[one.n % Math.max(1, posted.length)];
						if (!letter) return;
						const choice = CHOICES[one.choice];
						const keys = recordsOf(letter.what).map(keyOf);
						letter.to.take(
							letter.what,
							choice ? Object.fromEntries(keys.map((key) => [key, choice])) : {},
							now()
						);
						return;
					}
					const phone = phones[one.who]!;
					if (one.do === 'give') {
						if (one.to === one.who) return;
						const letter = { to: phones[one.to]!, what: phone.give(NAMES[one.to]!) };
						if (!one.lost) posted.push(letter);
						return;
					}
					const entries = phone.logbook.entries;
					const some = entries[one.n % entries.length]!;
					const [rig, trip] = [phone.logbook.rigs[0]!, phone.logbook.trips[0]!];
					const at = new Date(Date.parse('2027-05-03T00:00:00Z') + one.n * 6 * 60_000).toISOString();
					if (one.do === 'log') phone.log_(shower(`${phone.name}${i}`, at, phone.name));
					if (one.do === 'run' && !phone.entry(`run${one.n % 3}`))
						phone.log_(
							entry({ kind: 'fill', tank: 'main', litres: 5, at, by: phone.name }, `run${one.n % 3}`)
						);
					if (one.do === 'correct')
						phone.log_(corrected(some, { ...some, note: `${phone.name}${one.n}` }, now()));
					if (one.do === 'void') phone.log_(voided(some, now()));
					if (one.do === 'rig')
						phone.put({
							kind: 'rig',
							value: {
								...rig,
								crew: one.n,
								habits: [...rig.habits, { ...rig.habits[0]!, id: `h${i}`, name: `h${i}` }],
								edited: nextEdited(rig, now())
							}
						});
					if (one.do === 'stop')
						phone.put({
							kind: 'trip',
							value: {
								...trip,
								stops: [
									...trip.stops,
									{ id: `s${i}`, name: `s${i}`, arrive: at, depart: at, legKm: 1, services: [] }
								].sort((a, b) => (a.arrive < b.arrive ? -1 : 1)),
								edited: nextEdited(trip, now())
							}
						});
				});
				// Then everybody meets everybody, until nobody has anything for anybody.
				for (let round = 0, busy = true; busy; round++) {
					if (round > 12) throw new Error('never at rest');
					busy = false;
					for (const from of phones)
						for (const to of phones) {
							if (from === to) continue;
							const what = from.give(to.name);
							busy ||= recordsOf(what).length > 0;
							to.take(what, {}, now());
						}
				}
				expect(phones[1]!.content).toBe(phones[0]!.content);
				expect(phones[2]!.content).toBe(phones[0]!.content);
				for (const phone of phones) {
					const parsed = parseLogbook(phone.logbook);
					expect(parsed.ok ? [] : parsed.problems).toEqual([]);
				}
			}),
			{ numRuns: 200 }
		));
});
