import { instantMs, type Entry, type EntryOf, type Logbook, type Rig } from '../../logbook/index.js';
import { personsSaid, windowsOf } from './ahead.js';
import { DAY_MS, dayPlus, splitAt, zonedMs } from '../../time/index.js';

/** From a moment on so many are aboard. */
interface Step {
	readonly ms: number;
	readonly persons: number;
	/** whether they are other people than before, where that was said */
	readonly anew?: boolean | undefined;
}

/** How many persons are aboard, as steps in time, rising; before the first step it is the rig's usual crew. */
export interface Crew {
	readonly usual: number;
	readonly steps: readonly Step[];
}

/**
 * Who is aboard: a trip's persons from its first day, a stop's from its arrival, the usual crew after its last
 * day; a `crew` entry from its moment on. Of two at the same moment the entry counts. Days unlike others, said beforehand,
 * lie over all that until they are over or an entry says who is really there.
 */
export function crewOf(rig: Rig, trips: Logbook['trips'], entries: readonly Entry[]): Crew {
	const planned = trips
		.filter((trip) => trip.rig === rig.id)
		.flatMap((trip): Step[] => [
			{ ms: zonedMs(trip.from, trip.timeZone), persons: trip.persons, anew: trip.anew },
			...trip.stops.map((stop) => ({
				ms: instantMs(stop.arrive),
				persons: stop.persons ?? trip.persons
			})),
			{ ms: zonedMs(dayPlus(trip.to, 1), trip.timeZone), persons: rig.crew }
		]);
	const overrides = entries.flatMap((entry): Step[] =>
		entry.kind === 'crew' ? [{ ms: instantMs(entry.at), persons: entry.persons, anew: entry.anew }] : []
	);
	// A trip's own steps that repeat what the plan already said do not undo what a person wrote since.
	const changes = [...planned].sort((a, b) => a.ms - b.ms);
	const real = changes.filter(
		(step, i) => step.anew !== undefined || step.persons !== (changes[i - 1]?.persons ?? rig.crew)
	);
	const plain = { usual: rig.crew, steps: [...real, ...overrides].sort((a, b) => a.ms - b.ms) };
	return windowsOf(rig).reduce((crew, { fromMs, toMs, ahead }) => {
		const persons = personsSaid(ahead);
		if (persons === undefined) return crew;
		const written = overrides.find(({ ms }) => ms > fromMs && ms < toMs);
		const back: readonly Step[] = written ? [] : [{ ms: toMs, persons: personsAt(crew, toMs) }];
		const endMs = written?.ms ?? toMs;
		const others = crew.steps.filter(({ ms }) => ms < fromMs || ms >= endMs);
		return { ...crew, steps: [...others, { ms: fromMs, persons }, ...back].sort((a, b) => a.ms - b.ms) };
	}, plain);
}

/** The same with one more `crew` entry. */
export const crewWith = (crew: Crew, { at, persons, anew }: EntryOf<'crew'>): Crew => ({
	...crew,
	steps: [...crew.steps, { ms: instantMs(at), persons, anew }].sort((a, b) => a.ms - b.ms)
});

/** How many persons are aboard at an instant. */
export const personsAt = (crew: Crew, ms: number): number =>
	crew.steps.reduce((persons, step) => (step.ms <= ms ? step.persons : persons), crew.usual);

/** The change of who is aboard that holds at an instant; none before the first. */
export const stepAt = (crew: Crew, ms: number): Step | undefined =>
	crew.steps.findLast((step) => step.ms <= ms);

/** Persons times days between two instants. */
export const personDays = (crew: Crew, fromMs: number, toMs: number): number =>
	toMs > fromMs
		? splitAt(fromMs, toMs, crew.steps).reduce(
				(sum, [start, end]) => sum + ((end - start) / DAY_MS) * personsAt(crew, start),
				0
			)
		: 0;
