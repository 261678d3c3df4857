import * as z from 'zod';
import { crossingSides, doubleArea } from './outline.js';

// Compiled validators need `eval`, which the page's security policy forbids.
z.config({ jitless: true });

/** Nothing a camper or a boat carries comes near this; a larger figure is a slip of the keyboard. */
export const ABSURD_LITRES = 100_000;
const LONGEST_NAME = 200;
const LONGEST_TEXT = 20_000;

const id = z.string().min(1).max(LONGEST_NAME);
const name = z.string().min(1).max(LONGEST_NAME);
const text = z.string().max(LONGEST_TEXT);
/** ISO 8601 with an offset; the seconds may be left out, which Zod's own format does not allow. */
const INSTANTS = [z.regexes.datetime({ offset: true }), z.regexes.datetime({ offset: true, precision: -1 })];
const instant = z
	.string()
	.refine((written) => INSTANTS.some((pattern) => pattern.test(written)), {
		params: { expected: 'an instant with offset such as 2027-04-18T07:10:00+02:00' }
	})
	.meta({ format: 'date-time' });
const day = z.iso.date();
const litres = z.number().nonnegative().max(ABSURD_LITRES);
const positiveLitres = z.number().positive().max(ABSURD_LITRES);
const millimetres = z.number().positive().max(100_000);
const notNegative = z.number().nonnegative().max(1e9);
const count = z.number().nonnegative().max(10_000);
const share = z.number().min(0).max(1);
const longitudeLatitude = z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]);
const belief = z.looseObject({ mean: notNegative, sd: notNegative });

const corner = z.tuple([z.number().min(-1e5).max(1e5), z.number().min(-1e5).max(1e5)]);
const outline = z
	.array(corner)
	.min(3)
	.max(1000)
	.superRefine((corners, context) => {
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
	});

const rows = z
	.array(z.looseObject({ depthMm: z.number().nonnegative().max(1e5), litres }))
	.min(2)
	.superRefine((table, context) => {
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
	});

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

const trialSchema = z.looseObject({
	id,
	at: instant,
	kind: z.enum(['run-dry', 'back-up', 'stepwise', 'bucket']),
	litres: litres.optional(),
	readings: z.array(z.looseObject({ litres, reads: z.number() })).optional(),
	used: z.boolean(),
	note: text.optional()
});

export const tankSchema = z.looseObject({
	id,
	name,
	holds: z.enum(['fresh', 'grey', 'black']),
	nominalL: positiveLitres,
	usableL: positiveLitres.optional(),
	reserveL: litres,
	residualL: litres.optional(),
	deadL: litres.optional(),
	feeds: id.optional(),
	joined: id.optional(),
	portable: z.boolean().optional(),
	tareKg: notNegative.optional(),
	exposure: z.enum(['inside', 'underslung', 'bilge', 'outside']).optional(),
	shape: shapeSchema.optional(),
	position: z.looseObject({ xM: z.number(), yM: z.number() }).optional(),
	trials: z.array(trialSchema).optional()
});

export const outletSchema = z.looseObject({
	id,
	name,
	from: id,
	to: id,
	flowLpm: z.number().positive().max(1000).optional(),
	meters: z.array(id).optional()
});

export const habitSchema = z.looseObject({
	id,
	name,
	outlet: id,
	litresEach: belief,
	often: z.looseObject({ times: count, per: z.enum(['person-day', 'day']), sd: notNegative.optional() }),
	keptFraction: share.optional(),
	addsL: litres.optional(),
	recipe: z
		.looseObject({
			warmUpL: litres.optional(),
			runMin: notNegative.optional(),
			flowLpm: notNegative.optional(),
			pauseMin: notNegative.optional(),
			trickleLpm: notNegative.optional(),
			basinL: litres.optional(),
			flushL: litres.optional()
		})
		.optional()
});

const effectSchema = z.discriminatedUnion('kind', [
	z.looseObject({ kind: z.literal('scale'), factor: notNegative }),
	z.looseObject({ kind: z.literal('set'), litres }),
	z.looseObject({ kind: z.literal('rarer'), factor: notNegative }),
	z.looseObject({ kind: z.literal('reroute'), litres, to: id, replaces: id.optional() }),
	z.looseObject({ kind: z.literal('return'), litres }),
	z.looseObject({ kind: z.literal('outside') })
]);

export const measureSchema = z.looseObject({
	id,
	name,
	habit: id,
	effect: effectSchema,
	effort: z.number().min(0).max(5).optional()
});

const gaugePoint = z.looseObject({ reads: z.union([z.string(), z.number()]), litres });
const curve = z
	.array(gaugePoint)
	.min(1)
	.superRefine((points, context) => {
		const kinds = new Set(points.map((point) => typeof point.reads));
		if (kinds.size > 1)
			context.addIssue({
				code: 'custom',
				params: { expected: 'readings that are all lights (strings) or all numbers', got: 'both' }
			});
		if (new Set(points.map((point) => point.reads)).size < points.length)
			context.addIssue({ code: 'custom', params: { expected: 'each reading once', got: 'one twice' } });
	});

export const instrumentSchema = z.discriminatedUnion('kind', [
	z.looseObject({
		id,
		kind: z.literal('meter'),
		name,
		place: z.enum(['fill', 'pump', 'mains']),
		tank: id,
		unitL: z.number().positive().max(1000),
		scale: z.number().positive().max(100).optional(),
		sdFraction: z.number().nonnegative().max(1).optional(),
		counts: z.enum(['up', 'down'])
	}),
	z.looseObject({ id, kind: z.literal('gauge'), name, tank: id, curve, sdL: litres.optional() }),
	z.looseObject({
		id,
		kind: z.literal('rod'),
		name,
		tank: id,
		sdMm: z.number().nonnegative().max(1000).optional(),
		at: z.looseObject({ xMm: z.number(), yMm: z.number() }).optional()
	})
]);

const containerSchema = z.looseObject({
	id,
	name,
	carries: z.enum(['fresh', 'grey', 'black']),
	capacityL: positiveLitres,
	headroomL: litres,
	tareKg: notNegative,
	count: z.number().int().nonnegative().max(1000),
	minutesPerLoad: notNegative.optional()
});

const careSchema = z.looseObject({
	id,
	name,
	every: z.looseObject({ days: notNegative.optional(), litres: notNegative.optional() }).optional(),
	through: id.optional(),
	lastDone: instant.optional(),
	note: text.optional()
});

/** When a record that is not an entry was last changed: an addition of ours to the contract, see docs/logbook.md. */
const edited = instant.optional();

export const rigSchema = z.looseObject({
	id,
	name,
	kind: z.enum(['camper', 'boat']),
	crew: count,
	payloadKg: notNegative.optional(),
	systemL: litres.optional(),
	unlogged: belief.optional(),
	tanks: z.array(tankSchema),
	outlets: z.array(outletSchema),
	instruments: z.array(instrumentSchema),
	habits: z.array(habitSchema),
	measures: z.array(measureSchema),
	containers: z.array(containerSchema),
	care: z.array(careSchema),
	edited
});

export const serviceSchema = z.looseObject({
	kind: z.enum(['water', 'grey', 'black', 'mains', 'sewer']),
	potable: z.boolean().optional(),
	fee: notNegative.optional(),
	minutes: notNegative.optional(),
	detourKm: notNegative.optional(),
	flowLpm: notNegative.optional(),
	barMax: notNegative.optional(),
	verified: day.optional(),
	note: text.optional()
});

export const stopSchema = z.looseObject({
	id,
	name,
	arrive: instant,
	depart: instant,
	position: longitudeLatitude.optional(),
	legKm: notNegative,
	point: id.optional(),
	services: z.array(serviceSchema),
	weather: z.looseObject({ maxC: z.number().min(-90).max(70), minC: z.number().min(-90).max(70) }).optional(),
	persons: count.optional()
});

const isZone = (zone: string): boolean => {
	try {
		new Intl.DateTimeFormat('en', { timeZone: zone });
		return true;
	} catch {
		return false;
	}
};

export const tripSchema = z.looseObject({
	id,
	rig: id,
	name,
	timeZone: z.string().refine(isZone, { params: { expected: 'an IANA time zone such as Europe/London' } }),
	from: day,
	to: day,
	persons: count,
	stops: z.array(stopSchema),
	policy: z
		.looseObject({
			certainty: z.number().min(0.5).max(0.99).optional(),
			feePerMinute: notNegative.optional(),
			feePerKm: notNegative.optional(),
			feePerKgKm: notNegative.optional()
		})
		.optional(),
	edited
});

export const pointSchema = z.looseObject({
	id,
	name,
	position: longitudeLatitude,
	services: z.array(serviceSchema),
	access: text.optional(),
	hours: text.optional(),
	season: text.optional(),
	source: text.optional(),
	verified: day.optional(),
	note: text.optional(),
	edited
});

const common = {
	id,
	rig: id,
	at: instant,
	trip: id.optional(),
	by: name.optional(),
	note: text.optional(),
	source: z.enum(['hand', 'meter', 'run', 'import']).optional(),
	edited,
	void: z.literal(true).optional()
};
const sdL = litres.optional();

export const entrySchema = z.discriminatedUnion('kind', [
	z.looseObject({
		...common,
		kind: z.literal('fill'),
		tank: id,
		litres: litres.optional(),
		sdL,
		to: z.literal('full').optional(),
		point: id.optional(),
		potable: z.boolean().optional()
	}),
	z.looseObject({
		...common,
		kind: z.literal('use'),
		habit: id,
		times: count,
		litres: litres.optional(),
		sdL
	}),
	z.looseObject({
		...common,
		kind: z.literal('dump'),
		tank: id,
		litres: litres.optional(),
		sdL,
		to: z.literal('empty').optional(),
		where: id.optional()
	}),
	z.looseObject({
		...common,
		kind: z.literal('transfer'),
		fromTank: id,
		toTank: id,
		litres: litres.optional(),
		sdL,
		until: z.enum(['from-empty', 'to-full']).optional()
	}),
	z.looseObject({
		...common,
		kind: z.literal('reading'),
		instrument: id,
		value: z.union([z.number(), z.string()]),
		reset: z.literal(true).optional(),
		rollDeg: z.number().min(-45).max(45).optional(),
		pitchDeg: z.number().min(-45).max(45).optional(),
		trusted: z.literal(true).optional()
	}),
	z.looseObject({ ...common, kind: z.literal('mark'), tank: id, state: z.enum(['full', 'empty']) }),
	z.looseObject({ ...common, kind: z.literal('crew'), persons: count }),
	z.looseObject({ ...common, kind: z.literal('measure'), measure: id, on: z.boolean() }),
	z.looseObject({ ...common, kind: z.literal('hookup'), mains: z.boolean(), sewer: z.boolean() }),
	z.looseObject({ ...common, kind: z.literal('stop'), stop: id, event: z.enum(['arrive', 'depart']) }),
	z.looseObject({ ...common, kind: z.literal('care'), task: id, litres: litres.optional() }),
	z.looseObject({ ...common, kind: z.literal('note'), text })
]);

export const logbookSchema = z.looseObject({
	format: z.literal('dipsometer-logbook'),
	version: z.literal(1),
	exportedAt: instant,
	app: text.optional(),
	rigs: z.array(rigSchema),
	trips: z.array(tripSchema),
	points: z.array(pointSchema),
	entries: z.array(entrySchema)
});

/** The published JSON Schema (draft 2020-12) of the file format, made from the same source as the validator. */
export const logbookJsonSchema = (): object => z.toJSONSchema(logbookSchema, { io: 'input' });

/** Parts of the schema that other bodies are made of. */
export const schemas = Object.freeze({ instant, shape: shapeSchema });
