import { DAY_MS } from '$core/time';
import { MOST_DAYS } from '$core/forecast';
import {
	instantMs,
	MOST_PROBLEMS,
	parseLogbook,
	problemsOf,
	schemas,
	type Logbook,
	type Meter,
	type Problem,
	type Refusal,
	type Rig,
	type Shape,
	type Tank
} from '$core/logbook';
import { isCarried, tankById, usableOf, type RodPlace } from '$core/rig';
import { keptFreeL, MOST_LOADS, type Hose, type Vessel } from '$core/rig';
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
const sizeBody = z.looseObject({
	...about,
	rig: z.string(),
	days: z.number().check(z.positive(), z.maximum(MOST_DAYS)),
	certainty: z.number().check(z.minimum(0), z.maximum(0.99)),
	persons,
	measures: z.optional(z.array(z.string()))
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
const lineBody = z.looseObject({
	...about,
	rig: z.string(),
	text: z.string(),
	units: z.optional(z.enum(['L', 'usGal', 'impGal'])),
	timeZone: z.optional(schemas.timeZone)
});
const momentOrDay = z.string().check(
	z.refine((said) => schemas.instant.safeParse(said).success || schemas.day.safeParse(said).success, {
		params: {
			expected: 'an instant with offset such as 2027-04-18T07:10:00+02:00, or a day such as 2027-04-18'
		}
	})
);
const reviewBody = z.looseObject({
	logbook: z.unknown(),
	rig: z.string(),
	from: momentOrDay,
	to: momentOrDay
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

export type Read<T> = { readonly body: T } | Errors;

/** Checks the outer body and the logbook within it; the problems of both are listed, as many as are listed at all. */
export function withLogbook<T extends z.ZodMiniType<{ logbook?: unknown }>>(
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

export const mustBe = (path: string, expected: string, got: string): Problem => ({
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

export const readSizeBody = (data: unknown): Read<z.infer<typeof sizeBody> & { logbook: Logbook }> =>
	ofRig(withLogbook(sizeBody, data), ({ measures }) => ({ measures }));

export const readWorthBody = (data: unknown): Read<z.infer<typeof worthBody> & { logbook: Logbook }> =>
	ofRig(withLogbook(worthBody, data), ({ measures }) => ({ measures }));

export const readLineBody = (data: unknown): Read<z.infer<typeof lineBody> & { logbook: Logbook }> =>
	ofRig(withLogbook(lineBody, data), () => ({}));

export type ReviewBody = z.infer<typeof reviewBody> & { readonly logbook: Logbook };
export const readReviewBody = (data: unknown): Read<ReviewBody> =>
	ofRig(withLogbook(reviewBody, data), () => ({}));

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

const chance = z.number().check(z.minimum(0.5), z.maximum(MOST_CERTAIN));
const fillBody = z.looseObject({
	...about,
	rig: z.string(),
	tank: z.string(),
	target: z.union([
		z.literal('full'),
		z.looseObject({ litres: schemas.litres }),
		z.looseObject({
			days: z.number().check(z.positive(), z.maximum(MOST_DAYS)),
			certainty: z.optional(chance)
		})
	]),
	meter: z.optional(z.string()),
	reads: z.optional(z.number().check(z.nonnegative(), z.maximum(1e9))),
	flowLpm: z.optional(z.number().check(z.positive(), z.maximum(1000)))
});
const hoseBody = z.looseObject({
	lengthM: z.number().check(z.nonnegative(), z.maximum(1000)),
	diameterMm: z.number().check(z.nonnegative(), z.maximum(1000))
});
const dumpBody = z.looseObject({
	...about,
	rig: z.string(),
	tanks: z.array(z.string()).check(z.minLength(1)),
	into: z.optional(z.string()),
	hose: z.optional(hoseBody)
});
const carryBody = z.looseObject({
	carries: z.enum(['fresh', 'grey', 'black']),
	litres: schemas.litres,
	// Who asks for one sum need not name the container; what it carries is checked where it is said.
	container: z.extend(z.partial(schemas.container, { id: true, name: true, carries: true }), {
		count: z.int().check(z.positive(), z.maximum(1000))
	}),
	hose: z.optional(hoseBody)
});

const rigOf = ({ logbook, rig }: { readonly logbook: Logbook; readonly rig: string }): Rig =>
	logbook.rigs.find(({ id }) => id === rig) as Rig;

/** No tank of that size lasts: a fill of more than it can hold is a slip, whatever is in it. */
const BEYOND = 1.25;

/** Problems of a container for what goes into it: of another kind of water, or smaller than its hose. */
function vesselProblems(
	path: string,
	holds: Tank['holds'],
	container: Vessel & { readonly carries?: Tank['holds'] | undefined },
	hose: Hose | undefined
): readonly Problem[] {
	if (container.carries !== undefined && container.carries !== holds)
		return [mustBe(path, `a container for ${holds}`, container.carries)];
	const free = keptFreeL(holds, container, hose);
	return free < container.capacityL
		? []
		: [
				mustBe(
					path,
					'a container larger than what it keeps free: its headroom, and what the hose still holds',
					`${container.capacityL} L, of which ${Number(free.toFixed(2))} L is headroom`
				)
			];
}

export type FillBody = z.infer<typeof fillBody> & { readonly logbook: Logbook };

export function readFillBody(data: unknown): Read<FillBody> {
	const read = ofRig(withLogbook(fillBody, data), () => ({}));
	if ('errors' in read) return read;
	const { tank: id, target, meter, reads } = read.body;
	const rig = rigOf(read.body);
	const tank = tankById(rig, id);
	if (tank?.holds !== 'fresh') return { errors: [mustBe('$.tank', 'the id of a fresh tank of the rig', id)] };
	const errors: Problem[] = [];
	if (target !== 'full' && 'litres' in target && typeof target.litres === 'number') {
		const most = BEYOND * usableOf(tank);
		if (target.litres > most)
			errors.push({
				path: '$.target.litres',
				expected: `no more than ${tank.name} can hold, about ${Math.round(usableOf(tank))} L`,
				got: `${target.litres} L`
			});
	}
	if (target !== 'full' && 'days' in target && isCarried(rig, tank))
		errors.push(
			mustBe('$.target', 'full or litres: a supply that only feeds another tank lasts no days', 'days')
		);
	const fits = rig.instruments.some(
		(one) => one.id === meter && one.kind === 'meter' && one.place === 'fill' && one.tank === id
	);
	if (meter !== undefined && !fits)
		errors.push(mustBe('$.meter', 'the id of a meter on the hose into that tank', meter));
	if (meter === undefined && reads !== undefined && !fillMeterOf(rig, id))
		errors.push(mustBe('$.reads', 'a tank with a meter on its hose', id));
	return errors.length > 0 ? { errors } : read;
}

/** The meter on the hose into a tank, where it has one that is in use. */
export const fillMeterOf = (rig: Rig, tank: string, id?: string): Meter | undefined =>
	rig.instruments.find(
		(one): one is Meter =>
			one.kind === 'meter' &&
			one.place === 'fill' &&
			one.tank === tank &&
			(id === undefined ? !one.retired : one.id === id)
	);

export type DumpBody = z.infer<typeof dumpBody> & { readonly logbook: Logbook };

export function readDumpBody(data: unknown): Read<DumpBody> {
	const read = ofRig(withLogbook(dumpBody, data), () => ({}));
	if ('errors' in read) return read;
	const { tanks: ids, into, hose } = read.body;
	const rig = rigOf(read.body);
	const found = ids.map((id) => tankById(rig, id));
	const errors: Problem[] = found.flatMap((tank, i) =>
		!tank || tank.holds === 'fresh'
			? [mustBe(`$.tanks[${i}]`, 'the id of a waste tank of the rig', ids[i] ?? '')]
			: []
	);
	if (errors.length > 0 || into === undefined) return errors.length > 0 ? { errors } : read;
	const container = rig.containers.find(({ id }) => id === into);
	if (!container) return { errors: [mustBe('$.into', 'the id of a container of the rig', into)] };
	const mixed = found.find((tank) => tank && tank.holds !== container.carries);
	const problems = vesselProblems('$.into', mixed?.holds ?? container.carries, container, hose);
	if (problems.length > 0) return { errors: problems };
	const most = found.reduce((sum, tank) => sum + (tank ? BEYOND * usableOf(tank) : 0), 0);
	return most <= MOST_LOADS * (container.capacityL - container.headroomL)
		? read
		: {
				errors: [mustBe('$.into', `a container that takes the tank in ${MOST_LOADS} loads`, container.name)]
			};
}

export type CarryBody = z.infer<typeof carryBody>;

export function readCarryBody(data: unknown): Read<CarryBody> {
	const result = carryBody.safeParse(data);
	if (!result.success) return { errors: problemsOf(result.error, data) };
	const { carries, litres, container, hose } = result.data;
	const errors = vesselProblems('$.container', carries, container, hose);
	if (errors.length > 0) return { errors };
	const fits = container.capacityL - container.headroomL;
	return litres / fits <= MOST_LOADS
		? { body: result.data }
		: { errors: [mustBe('$.litres', `at most ${MOST_LOADS} loads of the container`, `${litres} L`)] };
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

const listenBody = z.looseObject({
	...about,
	rig: z.string(),
	meter: z.string(),
	samples: z.array(z.tuple([schemas.instant, z.number().check(z.nonnegative(), z.maximum(1e12))])),
	from: z.optional(schemas.instant),
	timeZone: z.optional(schemas.timeZone)
});
export type ListenBody = z.infer<typeof listenBody> & { readonly logbook: Logbook; readonly counter: Meter };

/** A body of samples, and the meter that they are of. */
export function readListenBody(data: unknown): Read<ListenBody> {
	const read = ofRig(withLogbook(listenBody, data), () => ({}));
	if ('errors' in read) return read;
	const counter = rigOf(read.body).instruments.find(
		(one): one is Meter => one.kind === 'meter' && one.place !== 'fill' && one.id === read.body.meter
	);
	return counter
		? { body: { ...read.body, counter } }
		: {
				errors: [
					mustBe(
						'$.meter',
						'the id of a meter of the rig that its outlets pass: at the pump or the mains',
						read.body.meter
					)
				]
			};
}
