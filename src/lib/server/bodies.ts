import { MOST_DAYS } from '$core/forecast';
import {
	instantMs,
	MOST_PROBLEMS,
	parseLogbook,
	problemsOf,
	schemas,
	type Logbook,
	type Problem,
	type Refusal,
	type Shape
} from '$core/logbook';
import type { RodPlace } from '$core/rig';
import * as z from 'zod/mini';
import type { Errors } from './http';

const about = { logbook: z.unknown(), at: schemas.instant };
const levelsBody = z.looseObject({ ...about, rig: z.string() });
const persons = z.optional(z.number().check(z.nonnegative(), z.maximum(10_000)));
const forecastBody = z.looseObject({
	...about,
	rig: z.string(),
	days: z.number().check(z.minimum(1), z.maximum(MOST_DAYS)),
	persons,
	measures: z.optional(z.array(z.string())),
	paths: z.optional(z.int().check(z.minimum(1), z.maximum(20_000))),
	seed: z.optional(z.int().check(z.minimum(-2_147_483_648), z.maximum(4_294_967_295)))
});
const worthBody = z.looseObject({
	...about,
	rig: z.string(),
	persons,
	measures: z.optional(z.array(z.string()))
});
/** Nothing is certain: a chance of 1 is asked of no set of measures. */
const MOST_CERTAIN = 0.99;
const sacrificeBody = z.looseObject({
	...about,
	rig: z.string(),
	until: schemas.instant,
	certainty: z.number().check(z.minimum(0), z.maximum(MOST_CERTAIN)),
	persons,
	among: z.optional(z.array(z.string()))
});
const planBody = z.looseObject({ ...about, trip: z.string() });
const lean = z.optional(z.number().check(z.minimum(-45), z.maximum(45)));
const dipBody = z.looseObject({
	shape: schemas.shape,
	depthMm: z.number(),
	rollDeg: lean,
	pitchDeg: lean,
	at: z.optional(z.looseObject({ xMm: z.number(), yMm: z.number() }))
});

type Read<T> = { readonly body: T } | Errors;

/** Checks the outer body and the logbook within it; the problems of both are listed, as many as are listed at all. */
function withLogbook<T extends z.ZodMiniType<{ logbook?: unknown }>>(
	schema: T,
	data: unknown
): Read<z.infer<T> & { logbook: Logbook }> {
	const outer = schema.safeParse(data);
	const given = typeof data === 'object' && data !== null && 'logbook' in data ? data.logbook : undefined;
	const logbook = parseLogbook(given, { root: ['logbook'] });
	if (outer.success && logbook.ok) return { body: { ...outer.data, logbook: logbook.value } };
	const own = outer.success ? [] : problemsOf(outer.error, data).slice(0, MOST_PROBLEMS);
	const within: Pick<Refusal, 'problems' | 'more' | 'atLeast'> = logbook.ok ? { problems: [] } : logbook;
	const errors = [...own, ...within.problems].slice(0, MOST_PROBLEMS);
	const more = (within.more ?? 0) + own.length + within.problems.length - errors.length;
	return { errors, ...(more > 0 ? { more } : {}), ...(within.atLeast ? { atLeast: true } : {}) };
}

const mustBe = (path: string, expected: string, got: string): Problem => ({
	path,
	expected,
	got: JSON.stringify(got)
});

/** Checks that the rig of a body is in its logbook, and that measures it names are the rig's. */
function ofRig<T extends { readonly rig: string; readonly logbook: Logbook }>(
	read: Read<T>,
	named: (body: T) => Readonly<Record<string, readonly string[] | undefined>>
): Read<T> {
	if ('errors' in read) return read;
	const { body } = read;
	const rig = body.logbook.rigs.find(({ id }) => id === body.rig);
	if (!rig) return { errors: [mustBe('$.rig', 'the id of a rig in the logbook', body.rig)] };
	const errors = Object.entries(named(body)).flatMap(([field, ids]) =>
		(ids ?? []).flatMap((id, i) =>
			rig.measures.some((measure) => measure.id === id)
				? []
				: [mustBe(`$.${field}[${i}]`, 'the id of a measure of the rig', id)]
		)
	);
	return errors.length > 0 ? { errors } : read;
}

export const readLevelsBody = (data: unknown): Read<z.infer<typeof levelsBody> & { logbook: Logbook }> =>
	ofRig(withLogbook(levelsBody, data), () => ({}));

export const readForecastBody = (data: unknown): Read<z.infer<typeof forecastBody> & { logbook: Logbook }> =>
	ofRig(withLogbook(forecastBody, data), ({ measures }) => ({ measures }));

export const readWorthBody = (data: unknown): Read<z.infer<typeof worthBody> & { logbook: Logbook }> =>
	ofRig(withLogbook(worthBody, data), ({ measures }) => ({ measures }));

const DAY_MS = 86_400_000;

export function readSacrificeBody(data: unknown): Read<z.infer<typeof sacrificeBody> & { logbook: Logbook }> {
	const read = ofRig(withLogbook(sacrificeBody, data), ({ among }) => ({ among }));
	if ('errors' in read) return read;
	const { at, until } = read.body;
	const days = (instantMs(until) - instantMs(at)) / DAY_MS;
	return days > 0 && days <= MOST_DAYS
		? read
		: { errors: [mustBe('$.until', `an instant after at, at most ${MOST_DAYS} days`, until)] };
}

export function readPlanBody(data: unknown): Read<z.infer<typeof planBody> & { logbook: Logbook }> {
	const read = withLogbook(planBody, data);
	if ('errors' in read || read.body.logbook.trips.some(({ id }) => id === read.body.trip)) return read;
	return { errors: [mustBe('$.trip', 'the id of a trip in the logbook', read.body.trip)] };
}

interface Dip {
	readonly shape: Shape;
	readonly depthMm: number;
	readonly rollDeg?: number | undefined;
	readonly pitchDeg?: number | undefined;
	readonly at?: RodPlace | undefined;
}

export function readDipBody(data: unknown): Read<Dip> {
	const result = dipBody.safeParse(data);
	return result.success ? { body: result.data } : { errors: problemsOf(result.error, data) };
}
