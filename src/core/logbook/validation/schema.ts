import * as z from 'zod/mini';
import { SCHOOLS } from '../parts.js';
import { crossingSides, doubleArea } from './outline.js';

// Compiled validators need `eval`, which the page's security policy forbids.
z.config({ jitless: true });

/** Nothing a camper or a boat carries comes near this; a larger figure is a slip of the keyboard. */
export const ABSURD_LITRES = 100_000;
const LONGEST_NAME = 200;
const LONGEST_TEXT = 20_000;

const id = z.string().check(z.minLength(1), z.maxLength(LONGEST_NAME));
const name = z.string().check(z.minLength(1), z.maxLength(LONGEST_NAME));
const text = z.string().check(z.maxLength(LONGEST_TEXT));
/** Taken out of use and kept because entries name it: an addition of ours to the contract, see docs/logbook.md. */
const retired = z.optional(z.literal(true));
/** ISO 8601 with an offset; the seconds may be left out, which Zod's own format does not allow. */
const INSTANTS = [z.regexes.datetime({ offset: true }), z.regexes.datetime({ offset: true, precision: -1 })];
const instant = z.string().check(
	z.refine((written) => INSTANTS.some((pattern) => pattern.test(written)), {
		params: { expected: 'an instant with offset such as 2027-04-18T07:10:00+02:00' }
	}),
	z.meta({ format: 'date-time' })
);
const day = z.iso.date();
const dayOrInstant = z.union([instant, day]);
const litres = z.number().check(z.nonnegative(), z.maximum(ABSURD_LITRES));
/** What else its people call it: an addition of ours to the contract, see docs/logbook.md. */
const words = z.optional(z.array(name));
const positiveLitres = z.number().check(z.positive(), z.maximum(ABSURD_LITRES));
const millimetres = z.number().check(z.positive(), z.maximum(100_000));
const notNegative = z.number().check(z.nonnegative(), z.maximum(1e9));
const count = z.number().check(z.nonnegative(), z.maximum(10_000));
const degreesC = z.number().check(z.minimum(-90), z.maximum(70));
const share = z.number().check(z.minimum(0), z.maximum(1));
const longitudeLatitude = z.tuple([
	z.number().check(z.minimum(-180), z.maximum(180)),
	z.number().check(z.minimum(-90), z.maximum(90))
]);
const belief = z.looseObject({ mean: notNegative, sd: notNegative });

const corner = z.tuple([
	z.number().check(z.minimum(-1e5), z.maximum(1e5)),
	z.number().check(z.minimum(-1e5), z.maximum(1e5))
]);
const outline = z.array(corner).check(
	z.minLength(3),
	z.maxLength(1000),
	z.superRefine((corners, context) => {
		const sides = crossingSides(corners);
		if (sides)
			context.addIssue({
				code: 'custom',
				path: [sides[0]],
				params: {
					expected: 'an outline whose sides do not cross or touch',
					got: `side ${sides[0] + 1} meets side ${sides[1] + 1}`
				}
			});
		else if (doubleArea(corners) === 0)
			context.addIssue({
				code: 'custom',
				params: { expected: 'an outline that encloses an area', got: 'a line' }
			});
	})
);

const rows = z
	.array(z.looseObject({ depthMm: z.number().check(z.nonnegative(), z.maximum(1e5)), litres }))
	.check(
		z.minLength(2),
		z.superRefine((table, context) => {
			table.forEach((row, i) => {
				const before = table[i - 1];
				if (before && !(row.depthMm > before.depthMm && row.litres > before.litres))
					context.addIssue({
						code: 'custom',
						path: [i],
						params: {
							expected: 'rows that strictly increase in depthMm and in litres',
							got: `${row.depthMm} mm, ${row.litres} L after ${before.depthMm} mm, ${before.litres} L`
						}
					});
			});
		})
	);

/** The inside of a tank. */
export const shapeSchema = z.discriminatedUnion('form', [
	z.looseObject({
		form: z.literal('box'),
		lengthMm: millimetres,
		widthMm: millimetres,
		heightMm: millimetres
	}),
	z.looseObject({
		form: z.literal('cylinder'),
		lies: z.enum(['flat', 'upright']),
		lengthMm: millimetres,
		diameterMm: millimetres
	}),
	z.looseObject({ form: z.literal('prism'), lengthMm: millimetres, outline }),
	z.looseObject({ form: z.literal('table'), rows })
]);

/** A trial of what a tank really holds. */
export const trialSchema = z.looseObject({
	id,
	at: instant,
	kind: z.enum(['run-dry', 'back-up', 'stepwise', 'bucket']),
	litres: z.optional(litres),
	readings: z.optional(z.array(z.looseObject({ litres, reads: z.number() }))),
	used: z.boolean(),
	instrument: z.optional(id),
	note: z.optional(text)
});

/** A tank. */
export const tankSchema = z.looseObject({
	id,
	name,
	holds: z.enum(['fresh', 'grey', 'black']),
	nominalL: positiveLitres,
	usableL: z.optional(positiveLitres),
	reserveL: litres,
	residualL: z.optional(litres),
	/** water that is put back after a dump */
	chargeL: z.optional(litres),
	/** waste tanks that say the same share an outlet */
	drain: z.optional(name),
	heated: z.optional(z.boolean()),
	/** inside width of its drain valve; an addition of ours, see docs/logbook.md */
	drainMm: z.optional(z.number().check(z.positive(), z.maximum(1000))),
	/** its valve or what is in it is frozen: it cannot be emptied until it thaws; an addition of ours, see docs/logbook.md */
	frozen: z.optional(z.looseObject({ since: instant, until: z.optional(instant) })),
	deadL: z.optional(litres),
	feeds: z.optional(id),
	relieves: z.optional(id),
	joined: z.optional(id),
	portable: z.optional(z.boolean()),
	tareKg: z.optional(notNegative),
	exposure: z.optional(z.enum(['inside', 'underslung', 'bilge', 'outside'])),
	shape: z.optional(shapeSchema),
	position: z.optional(z.looseObject({ xM: z.number(), yM: z.number() })),
	/** where the suction foot is, for tanks that heel */
	pickUp: z.optional(z.looseObject({ xMm: z.number(), yMm: z.number() })),
	trials: z.optional(z.array(trialSchema)),
	retired
});

/** An outlet. */
export const outletSchema = z.looseObject({
	id,
	name,
	from: id,
	to: id,
	flowLpm: z.optional(z.number().check(z.positive(), z.maximum(1000))),
	meters: z.optional(z.array(id)),
	retired
});

const recipeSchema = z.looseObject({
	warmUpL: z.optional(litres),
	runMin: z.optional(notNegative),
	flowLpm: z.optional(notNegative),
	pauseMin: z.optional(notNegative),
	trickleLpm: z.optional(notNegative),
	basinL: z.optional(litres),
	flushL: z.optional(litres)
});

/** A habit. */
export const habitSchema = z.looseObject({
	id,
	name,
	words,
	outlet: id,
	litresEach: belief,
	often: z.looseObject({
		times: count,
		per: z.enum(['person-day', 'day']),
		sd: z.optional(notNegative),
		/** factors of the days of a week, Monday first */
		weekdays: z.optional(z.array(z.number().check(z.nonnegative(), z.maximum(1000))).check(z.length(7)))
	}),
	keptFraction: z.optional(share),
	addsL: z.optional(litres),
	recipe: z.optional(recipeSchema),
	rises: z.optional(
		z.looseObject({
			fromC: z.optional(degreesC),
			perC: z.optional(z.number().check(z.nonnegative(), z.maximum(10))),
			exertion: z.optional(z.literal(true))
		})
	),
	retired
});

const effectSchema = z.discriminatedUnion('kind', [
	z.looseObject({ kind: z.literal('scale'), factor: notNegative }),
	z.looseObject({ kind: z.literal('set'), litres }),
	z.looseObject({ kind: z.literal('rarer'), factor: notNegative }),
	z.looseObject({ kind: z.literal('reroute'), litres, to: id, replaces: z.optional(id) }),
	z.looseObject({ kind: z.literal('return'), litres }),
	z.looseObject({ kind: z.literal('outside') }),
	z.looseObject({ kind: z.literal('recipe'), parts: recipeSchema })
]);

/** A conservation measure. */
export const measureSchema = z.looseObject({
	id,
	name,
	habit: id,
	effect: effectSchema,
	effort: z.optional(z.number().check(z.minimum(0), z.maximum(5))),
	/** it saves only while hooked up, or at stops that have showers ashore */
	where: z.optional(z.enum(['hookup', 'ashore'])),
	/** the entry of our catalogue it was made from: its advice and caution are shown; an addition of ours */
	idea: z.optional(name),
	retired
});

const gaugePoint = z.looseObject({ reads: z.union([z.string(), z.number()]), litres });
const curve = z.array(gaugePoint).check(
	z.minLength(1),
	z.superRefine((points, context) => {
		const kinds = new Set(points.map((point) => typeof point.reads));
		if (kinds.size > 1)
			context.addIssue({
				code: 'custom',
				params: { expected: 'readings that are all lights (strings) or all numbers', got: 'both' }
			});
		if (new Set(points.map((point) => point.reads)).size < points.length)
			context.addIssue({ code: 'custom', params: { expected: 'each reading once', got: 'one twice' } });
	})
);

/** A meter, a gauge or a rod. */
export const instrumentSchema = z.discriminatedUnion('kind', [
	z.looseObject({
		id,
		kind: z.literal('meter'),
		name,
		words,
		place: z.enum(['fill', 'pump', 'mains']),
		tank: id,
		unitL: z.number().check(z.positive(), z.maximum(1000)),
		scale: z.optional(z.number().check(z.positive(), z.maximum(100))),
		sdFraction: z.optional(z.number().check(z.nonnegative(), z.maximum(1))),
		counts: z.enum(['up', 'down']),
		setTo: z.optional(z.number().check(z.nonnegative(), z.maximum(1e7))),
		alarmAt: z.optional(z.number().check(z.nonnegative(), z.maximum(1e7))),
		retired
	}),
	z.looseObject({
		id,
		kind: z.literal('gauge'),
		name,
		words,
		tank: id,
		curve,
		sdL: z.optional(litres),
		retired
	}),
	z.looseObject({
		id,
		kind: z.literal('rod'),
		name,
		words,
		tank: id,
		sdMm: z.optional(z.number().check(z.nonnegative(), z.maximum(1000))),
		at: z.optional(z.looseObject({ xMm: z.number(), yMm: z.number() })),
		retired
	})
]);

/** A container. */
export const containerSchema = z.looseObject({
	id,
	name,
	carries: z.enum(['fresh', 'grey', 'black']),
	capacityL: positiveLitres,
	headroomL: litres,
	tareKg: notNegative,
	count: z.int().check(z.nonnegative(), z.maximum(1000)),
	minutesPerLoad: z.optional(notNegative),
	retired
});

const careSchema = z.looseObject({
	id,
	name,
	every: z.optional(z.looseObject({ days: z.optional(notNegative), litres: z.optional(notNegative) })),
	/** due after so many dumps of its tank */
	everyDumps: z.optional(z.number().check(z.positive(), z.maximum(10_000))),
	through: z.optional(id),
	lastDone: z.optional(dayOrInstant),
	season: z.optional(z.enum(['frost', 'summer', 'lay-up'])),
	/** what it does to the water of its tank */
	does: z.optional(z.enum(['sanitise', 'disinfect', 'filter', 'flush'])),
	tank: z.optional(id),
	/** the entry of the catalogue it was made from */
	idea: z.optional(name),
	note: z.optional(text),
	retired
});

/** What flows in without a stop: a watermaker, a rain sheet, a spring. */
export const sourceSchema = z.looseObject({
	id,
	name,
	words,
	into: id,
	litresEach: belief,
	often: z.looseObject({ times: count, per: z.literal('day'), sd: z.optional(notNegative) }),
	potable: z.optional(z.boolean()),
	note: z.optional(text),
	retired
});

/** Water that is kept for drinking, whatever else is planned. */
const drinkingSchema = z.looseObject({
	litresPerPersonDay: z.number().check(z.nonnegative(), z.maximum(100)),
	days: z.number().check(z.nonnegative(), z.maximum(366))
});

/** Which waste valves are left open into a sewer: all that are built in, none, or those that are named. */
const openValves = z.union([z.boolean(), z.array(id)]);
const hookUpSchema = z.looseObject({ mains: z.optional(z.boolean()), sewer: z.optional(openValves) });

/** Days unlike others, said beforehand. */
export const aheadSchema = z
	.looseObject({
		id,
		from: instant,
		to: instant,
		persons: z.optional(count),
		away: z.optional(z.boolean()),
		habits: z.optional(
			z.array(
				z.union([
					z.looseObject({ habit: id, times: count }),
					z.looseObject({ habit: id, factor: z.number().check(z.nonnegative(), z.maximum(1000)) })
				])
			)
		),
		hookup: z.optional(hookUpSchema),
		note: z.optional(text),
		confirmed: z.optional(z.boolean())
	})
	.check(
		z.refine(({ from, to }) => Date.parse(to) > Date.parse(from), {
			path: ['to'],
			params: { expected: 'an instant after `from`' }
		})
	);

/** When a record that is not an entry was last changed. */
const edited = z.optional(instant);

const isZone = (zone: string): boolean => {
	try {
		new Intl.DateTimeFormat('en', { timeZone: zone });
		return true;
	} catch {
		return false;
	}
};

const timeZone = z
	.string()
	.check(z.refine(isZone, { params: { expected: 'an IANA time zone such as Europe/London' } }));

/** An axle, a hitch or a ball: where it is, what it may carry, and what it was weighed at with no water and waste aboard. */
const axleSchema = z.looseObject({
	name,
	xM: z.number().check(z.minimum(-50), z.maximum(50)),
	limitKg: notNegative,
	weighedKg: notNegative
});

/** A rig. */
export const rigSchema = z.looseObject({
	id,
	name,
	kind: z.enum(['camper', 'boat']),
	crew: count,
	timeZone: z.optional(timeZone),
	payloadKg: z.optional(notNegative),
	/** people, food, gear: all else that the plate counts */
	elseKg: z.optional(notNegative),
	/** share of a full fresh tank that the plate's empty mass counts already; an addition of ours, see docs/logbook.md */
	plateFreshShare: z.optional(share),
	/** two places that carry the rig, with their limits; an addition of ours, see docs/logbook.md */
	axles: z.optional(
		z.tuple([axleSchema, axleSchema]).check(
			z.refine(([a, b]) => a.xM !== b.xM, {
				params: { expected: 'two axles, or an axle and a hitch, that are apart' }
			})
		)
	),
	systemL: z.optional(litres),
	unlogged: z.optional(belief),
	tanks: z.array(tankSchema),
	outlets: z.array(outletSchema),
	instruments: z.array(instrumentSchema),
	drinking: z.optional(drinkingSchema),
	ahead: z.optional(z.array(aheadSchema)),
	habits: z.array(habitSchema),
	measures: z.array(measureSchema),
	sources: z.optional(z.array(sourceSchema)),
	containers: z.array(containerSchema),
	care: z.array(careSchema),
	edited
});

/** A service. */
export const serviceSchema = z.looseObject({
	kind: z.enum(['water', 'grey', 'black', 'mains', 'sewer']),
	potable: z.optional(z.boolean()),
	fee: z.optional(notNegative),
	minutes: z.optional(notNegative),
	/** when it is open, in the open map's syntax */
	open: z.optional(text),
	/** what people found, each with its day */
	reports: z.optional(z.array(z.looseObject({ day, works: z.boolean(), note: z.optional(text) }))),
	detourKm: z.optional(notNegative),
	flowLpm: z.optional(notNegative),
	barMax: z.optional(notNegative),
	verified: z.optional(day),
	note: z.optional(text)
});

const warmth = { maxC: degreesC, minC: degreesC };
const angle = z.number().check(z.minimum(-45), z.maximum(45));
const leanSchema = z.looseObject({ rollDeg: angle, pitchDeg: angle });

/** A stop. */
export const stopSchema = z.looseObject({
	id,
	name,
	arrive: instant,
	depart: instant,
	position: z.optional(longitudeLatitude),
	legKm: notNegative,
	/** how the leg is known, where nobody typed it; an addition of ours, see docs/logbook.md */
	legFrom: z.optional(z.enum(['straight', 'track'])),
	point: z.optional(id),
	services: z.array(serviceSchema),
	/** the hook-ups that are chosen; one that is only listed counts for nothing */
	hookup: z.optional(z.looseObject({ mains: z.optional(z.boolean()), sewer: z.optional(z.boolean()) })),
	/** showers, laundry */
	ashore: z.optional(z.boolean()),
	/** of the whole stay, or day by day */
	weather: z.optional(z.union([z.looseObject(warmth), z.array(z.looseObject({ day, ...warmth }))])),
	/** who says so; an addition of ours, see docs/logbook.md */
	weatherFrom: z.optional(z.enum(['simulated', 'typed'])),
	heel: z.optional(leanSchema),
	/** nothing may go overboard here; an addition of ours, see docs/logbook.md */
	noDischarge: z.optional(z.boolean()),
	exertion: z.optional(z.number().check(z.nonnegative(), z.maximum(10))),
	persons: z.optional(count),
	note: z.optional(text),
	retired
});

/** A trip. */
export const tripSchema = z.looseObject({
	id,
	rig: id,
	name,
	timeZone,
	from: day,
	to: day,
	persons: count,
	/** whose public holidays hours speak of, ISO 3166 in two letters; an addition of ours, see docs/logbook.md */
	country: z.optional(z.string().check(z.regex(/^[A-Za-z]{2}$/))),
	/** whether they are other people than before; an addition of ours, see docs/logbook.md */
	anew: z.optional(z.boolean()),
	stops: z.array(stopSchema),
	policy: z.optional(
		z.looseObject({
			certainty: z.optional(z.number().check(z.minimum(0.5), z.maximum(0.99))),
			feePerMinute: z.optional(notNegative),
			feePerKm: z.optional(notNegative),
			feePerKgKm: z.optional(notNegative),
			fallback: z.optional(z.boolean()),
			// an addition of ours, see docs/logbook.md
			school: z.optional(z.enum(SCHOOLS))
		})
	),
	/** where the way leads, as a track or a route gave it; an addition of ours, see docs/logbook.md */
	track: z.optional(z.array(longitudeLatitude)),
	edited
});

/** A point. */
export const pointSchema = z.looseObject({
	id,
	name,
	position: longitudeLatitude,
	services: z.array(serviceSchema),
	access: z.optional(text),
	hours: z.optional(text),
	season: z.optional(text),
	/** nothing may go overboard here; an addition of ours, see docs/logbook.md */
	noDischarge: z.optional(z.boolean()),
	source: z.optional(text),
	verified: z.optional(day),
	note: z.optional(text),
	retired,
	edited
});

const common = {
	id,
	rig: id,
	at: instant,
	trip: z.optional(id),
	by: z.optional(name),
	note: z.optional(text),
	source: z.optional(z.enum(['hand', 'meter', 'run', 'import'])),
	edited,
	void: z.optional(z.literal(true))
};
const sdL = z.optional(litres);
/** the figures are as they are written, whatever they look like; of these kinds an addition of ours, see docs/logbook.md */
const trusted = z.optional(z.literal(true));

/** An entry of any kind. */
export const entrySchema = z.discriminatedUnion('kind', [
	z.looseObject({
		...common,
		kind: z.literal('fill'),
		tank: id,
		litres: z.optional(litres),
		sdL,
		to: z.optional(z.literal('full')),
		trusted,
		point: z.optional(id),
		potable: z.optional(z.boolean()),
		from: z.optional(id)
	}),
	z.looseObject({
		...common,
		kind: z.literal('use'),
		habit: id,
		times: count,
		litres: z.optional(litres),
		sdL,
		/** written beside the same one within minutes, and meant; an addition of ours, see docs/logbook.md */
		again: z.optional(z.literal(true)),
		/** a meter that counts by itself heard it; an addition of ours, see docs/logbook.md */
		heard: z.optional(
			z.looseObject({
				meter: id,
				from: instant,
				until: instant,
				/** written by itself: nobody has said that it is so */
				unasked: z.optional(z.literal(true))
			})
		)
	}),
	z.looseObject({
		...common,
		kind: z.literal('dump'),
		tank: id,
		litres: z.optional(litres),
		sdL,
		to: z.optional(z.literal('empty')),
		/** with `to: "empty"`: not quite, about so much stayed; an addition of ours, see docs/logbook.md */
		leftL: z.optional(litres),
		trusted,
		where: z.optional(id)
	}),
	z.looseObject({
		...common,
		kind: z.literal('transfer'),
		fromTank: id,
		toTank: id,
		litres: z.optional(litres),
		sdL,
		trusted,
		until: z.optional(z.enum(['from-empty', 'to-full']))
	}),
	z.looseObject({
		...common,
		kind: z.literal('reading'),
		instrument: id,
		value: z.union([z.number(), z.string()]),
		reset: z.optional(z.literal(true)),
		rollDeg: z.optional(angle),
		pitchDeg: z.optional(angle),
		trusted
	}),
	z.looseObject({ ...common, kind: z.literal('mark'), tank: id, state: z.enum(['full', 'empty']) }),
	z.looseObject({
		...common,
		kind: z.literal('crew'),
		persons: count,
		/** whether they are other people than before; an addition of ours, see docs/logbook.md */
		anew: z.optional(z.boolean())
	}),
	z
		.looseObject({
			...common,
			kind: z.literal('gap'),
			since: instant,
			lived: z.enum(['as-usual', 'less', 'away'])
		})
		.check(
			z.refine(({ since, at }) => Date.parse(since) < Date.parse(at), {
				path: ['since'],
				params: { expected: 'an instant before `at`' }
			})
		),
	z.looseObject({
		...common,
		kind: z.literal('measure'),
		measure: id,
		on: z.boolean(),
		trial: z.optional(id)
	}),
	z.looseObject({
		...common,
		kind: z.literal('hookup'),
		mains: z.boolean(),
		sewer: openValves,
		/** a boat's valves: outlets flushed from the sea, tanks past which waste goes overboard; an addition of ours, see docs/logbook.md */
		sea: z.optional(z.looseObject({ flush: z.optional(z.array(id)), waste: z.optional(z.array(id)) }))
	}),
	z.looseObject({ ...common, kind: z.literal('stop'), stop: id, event: z.enum(['arrive', 'depart']) }),
	z.looseObject({ ...common, kind: z.literal('care'), task: id, litres: z.optional(litres) }),
	z.looseObject({ ...common, kind: z.literal('note'), text })
]);

const device = z.string().check(z.regex(/^[0-9a-z]{6,40}$/));
const changeNumber = z.int().check(z.positive());
const versionVector = z
	.record(device, changeNumber)
	.check(
		z.refine((vector) => Object.keys(vector).length <= 1000, { params: { expected: 'at most 1000 devices' } })
	);
/** What a logbook with fewer records is the difference between; an addition of ours, see docs/logbook.md. */
export const handOverSchema = z.looseObject({
	device,
	by: name,
	since: versionVector,
	upTo: versionVector,
	/** whose change, its number there, and how many records came with it, in the order of the lists */
	changes: z.array(z.tuple([device, changeNumber, changeNumber]))
});

const head = {
	format: z.literal('dipsometer-logbook'),
	version: z.literal(1),
	exportedAt: instant,
	app: z.optional(text),
	handOver: z.optional(handOverSchema)
};
const anyList = z.unknown().check(z.refine(Array.isArray, { params: { expected: 'a list' } }));

/** The outer form of a logbook: its records are looked at one by one, so that no number of faults overwhelms. */
export const logbookShellSchema = z.looseObject({
	...head,
	rigs: anyList,
	trips: anyList,
	points: anyList,
	entries: anyList
});

/** A whole logbook. */
export const logbookSchema = z.looseObject({
	...head,
	rigs: z.array(rigSchema),
	trips: z.array(tripSchema),
	points: z.array(pointSchema),
	entries: z.array(entrySchema)
});

/** Parts of the schema that other bodies are made of. */
export const schemas = Object.freeze({
	instant,
	day,
	timeZone,
	litres,
	shape: shapeSchema,
	container: containerSchema
});
