import {
	dayPlus,
	instantMs,
	zonedMs,
	type Entry,
	type EntryOf,
	type Logbook,
	type Rig
} from '../../logbook/index.js';

export const DAY_MS = 86_400_000;

interface Step {
	readonly ms: number;
	readonly persons: number;
}

/** How many persons are aboard, as steps in time, rising; before the first step it is the rig's usual crew. */
export interface Crew {
	readonly usual: number;
	readonly steps: readonly Step[];
}

/**
 * Who is aboard: a trip's persons from its first day, a stop's from its arrival, the usual crew after its last
 * day; a `crew` entry from its moment on. Of two at the same moment the entry counts.
 */
export function crewOf(rig: Rig, trips: Logbook['trips'], entries: readonly Entry[]): Crew {
	const planned = trips
		.filter((trip) => trip.rig === rig.id)
		.flatMap((trip): Step[] => [
			{ ms: zonedMs(trip.from, trip.timeZone), persons: trip.persons },
			...trip.stops.map((stop) => ({ ms: instantMs(stop.arrive), persons: stop.persons ?? trip.persons })),
			{ ms: zonedMs(dayPlus(trip.to, 1), trip.timeZone), persons: rig.crew }
		]);
	const overrides = entries.flatMap((entry): Step[] =>
		entry.kind === 'crew' ? [{ ms: instantMs(entry.at), persons: entry.persons }] : []
	);
	// A trip's own steps that repeat what the plan already said do not undo what a person wrote since.
	const changes = [...planned].sort((a, b) => a.ms - b.ms);
	const real = changes.filter((step, i) => step.persons !== (changes[i - 1]?.persons ?? rig.crew));
	return { usual: rig.crew, steps: [...real, ...overrides].sort((a, b) => a.ms - b.ms) };
}

/** The same with one more `crew` entry. */
export const crewWith = (crew: Crew, { at, persons }: EntryOf<'crew'>): Crew => ({
	...crew,
	steps: [...crew.steps, { ms: instantMs(at), persons }].sort((a, b) => a.ms - b.ms)
});

export const personsAt = (crew: Crew, ms: number): number =>
	crew.steps.reduce((persons, step) => (step.ms <= ms ? step.persons : persons), crew.usual);

/** Splits a stretch of time where the number of persons changes: `[days, persons]` each. */
export function personStretches(
	crew: Crew,
	fromMs: number,
	toMs: number
): readonly (readonly [days: number, persons: number])[] {
	if (!crew.steps.some(({ ms }) => ms > fromMs && ms < toMs))
		return [[(toMs - fromMs) / DAY_MS, personsAt(crew, fromMs)]];
	const cuts = crew.steps.filter(({ ms }) => ms > fromMs && ms < toMs).map(({ ms }) => ms);
	const edges = [fromMs, ...cuts, toMs];
	return edges.slice(1).map((end, i) => {
		const start = edges[i] ?? fromMs;
		return [(end - start) / DAY_MS, personsAt(crew, start)] as const;
	});
}

export const personDays = (crew: Crew, fromMs: number, toMs: number): number =>
	toMs > fromMs
		? personStretches(crew, fromMs, toMs).reduce((sum, [days, persons]) => sum + days * persons, 0)
		: 0;
