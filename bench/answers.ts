import { HOUR_MS } from '../src/core/time';
import { seeded } from '../src/core/numerics';
import { demoLogbook } from '../demo';
import { instantMs, parseLogbook, type Logbook, type Stop } from '../src/core/logbook';
import { POST as care } from '../src/routes/api/care/+server';
import { POST as carry } from '../src/routes/api/carry/+server';
import { POST as dip } from '../src/routes/api/dip/+server';
import { POST as dump } from '../src/routes/api/dump/+server';
import { POST as exported } from '../src/routes/api/export/+server';
import { POST as fill } from '../src/routes/api/fill/+server';
import { POST as forecast } from '../src/routes/api/forecast/+server';
import { POST as imported } from '../src/routes/api/import/+server';
import { POST as levels } from '../src/routes/api/levels/+server';
import { POST as line } from '../src/routes/api/line/+server';
import { POST as plan } from '../src/routes/api/plan/+server';
import { POST as review } from '../src/routes/api/review/+server';
import { POST as sacrifice } from '../src/routes/api/sacrifice/+server';
import { POST as worth } from '../src/routes/api/worth/+server';
import { DAY, drawCase, MANNERS, START } from './truth';

const POSTS = {
	levels,
	forecast,
	worth,
	sacrifice,
	plan,
	fill,
	dump,
	carry,
	care,
	review,
	line,
	export: exported,
	import: imported,
	dip
} as const;
export type Endpoint = keyof typeof POSTS;

/** A moment at which the demo rigs are made up: any will do, as long as it is the same. */
const DEMO_MS = Date.parse('2027-06-16T09:40:00Z');

/** Stops on the days after a log has ended, with services at random. */
function stopsAfter(fromMs: number, seed: number): readonly Stop[] {
	const random = seeded(seed);
	return Array.from({ length: 6 }, (_, i): Stop => {
		const arriveMs = fromMs + (i + 0.3 + 0.4 * random.uniform()) * DAY;
		return {
			id: `s${i}`,
			name: `Stop ${i}`,
			arrive: new Date(arriveMs).toISOString(),
			depart: new Date(arriveMs + 0.2 * DAY).toISOString(),
			legKm: Math.round(80 * random.uniform()),
			services: (['water', 'grey', 'black'] as const)
				.filter(() => random.uniform() < 0.6)
				.map((kind) => ({
					kind,
					fee: Math.round(5 * random.uniform()),
					minutes: Math.round(20 * random.uniform()),
					detourKm: Math.round(8 * random.uniform())
				}))
		};
	});
}

/** The logbooks that are asked about: a made-up life of each manner with a trip ahead of it, and both demo rigs. */
export function madeUpLogbooks(): Readonly<Record<string, Logbook>> {
	const lives = MANNERS.map((manner, i) => {
		const { logbook } = drawCase(100 + i, manner);
		const endMs = Date.parse(logbook.exportedAt);
		const trips = logbook.trips.map((trip) => ({ ...trip, stops: [...stopsAfter(endMs, 900 + i)] }));
		return [manner.name, { ...logbook, trips }] as const;
	});
	return Object.fromEntries([...lives, ['demo', demoLogbook(DEMO_MS, 'Europe/London')]]);
}

const SENTENCES = [
	'shower',
	'2 quick showers, dishes and kettle',
	'had a shower yesterday evening',
	'fill 60',
	'fill up',
	'dump grey',
	'dump all',
	'meter 412.6',
	'meter reset',
	'fresh 1/2',
	'grey 69%',
	'rod 118 roll 2',
	'crew 3',
	'hooked up',
	'filter changed',
	'note hose drips at 8, badly',
	'shower for 3 min',
	'laundry 30',
	'transfer jug main 10',
	'dishes 6 L tue 8am',
	'shwer',
	'fill -3'
] as const;

/** What is asked about one logbook, in order: the endpoint and the body without the logbook. */
function* questionsAbout(
	logbook: Logbook
): Generator<readonly [Endpoint, Readonly<Record<string, unknown>>]> {
	for (const { id: rig, tanks, measures, instruments } of logbook.rigs) {
		const own = logbook.entries.filter((entry) => entry.rig === rig).map(({ at }) => instantMs(at));
		const [firstMs, lastMs] = [Math.min(...own, START), own.length ? Math.max(...own) : START];
		const at = new Date(lastMs + HOUR_MS).toISOString();
		for (const share of [0.3, 0.62, 1])
			yield ['levels', { rig, at: new Date(firstMs + share * (lastMs - firstMs) + 1).toISOString() }];
		yield ['forecast', { rig, at, days: 20 }];
		yield [
			'forecast',
			{
				rig,
				at,
				days: 9,
				paths: 700,
				seed: 4,
				persons: 3,
				measures: measures.slice(0, 1).map(({ id }) => id)
			}
		];
		yield ['worth', { rig, at }];
		yield ['sacrifice', { rig, at, until: new Date(lastMs + 5 * DAY).toISOString(), certainty: 0.9 }];
		yield ['care', { rig, at }];
		yield ['review', { rig, from: new Date(firstMs).toISOString(), to: at }];
		const [fresh] = tanks.filter(({ holds }) => holds === 'fresh');
		if (fresh) {
			const hose = instruments.find(
				(one) => one.kind === 'meter' && one.place === 'fill' && one.tank === fresh.id
			);
			for (const target of ['full', { litres: 11.5 }, { days: 3, certainty: 0.9 }])
				yield [
					'fill',
					{ rig, at, tank: fresh.id, target, flowLpm: 9, ...(hose ? { meter: hose.id, reads: 431.6 } : {}) }
				];
		}
		const waste = tanks.filter(({ holds }) => holds !== 'fresh').map(({ id }) => id);
		if (waste.length > 0) yield ['dump', { rig, at, tanks: waste }];
		for (const text of SENTENCES) yield ['line', { rig, at, text }];
		for (const trip of logbook.trips.filter((one) => one.rig === rig)) {
			yield ['plan', { trip: trip.id, at }];
			for (const format of ['csv', 'gpx', 'geojson', 'ics']) yield ['export', { format, rig, trip: trip.id }];
		}
	}
}

async function ask(endpoint: Endpoint, body: object): Promise<string> {
	const request = new Request('http://here/', {
		method: 'POST',
		body: JSON.stringify(body),
		headers: { 'content-type': 'application/json' }
	});
	const post = POSTS[endpoint] as unknown as (event: { request: Request }) => Promise<Response>;
	const response = await post({ request });
	return `${response.status} ${await response.text()}`;
}

/** Every answer about one logbook, to full precision: the question as JSON, then the answer as it was sent. */
export async function answersAbout(given: Logbook): Promise<Readonly<Record<string, string>>> {
	const parsed = parseLogbook(JSON.parse(JSON.stringify(given)));
	if (!parsed.ok) throw new Error(`A logbook does not validate: ${JSON.stringify(parsed.problems)}`);
	const logbook = parsed.value;
	const answers: Record<string, string> = {};
	for (const [endpoint, body] of questionsAbout(logbook)) {
		const answer = await ask(endpoint, { ...body, logbook: given });
		answers[`${endpoint} ${JSON.stringify(body)}`] = answer;
		if (endpoint !== 'export') continue;
		const { format, rig } = body as { format: string; rig: string };
		const text = answer.slice(4);
		answers[`import ${JSON.stringify(body)}`] = await ask('import', {
			format,
			rig,
			text,
			timeZone: 'Europe/London'
		});
	}
	return answers;
}

/** What does not ask for a logbook: carrying, and depths in shapes. */
export async function answersWithout(): Promise<Readonly<Record<string, string>>> {
	const answers: Record<string, string> = {};
	const also = async (endpoint: Endpoint, body: object): Promise<void> => {
		answers[`${endpoint} ${JSON.stringify(body)}`] = await ask(endpoint, body);
	};
	const container = { capacityL: 20, headroomL: 1, tareKg: 1.2, count: 2, minutesPerLoad: 9 };
	for (const litres of [7, 50, 333.3])
		await also('carry', { carries: 'grey', litres, container, hose: { lengthM: 3, diameterMm: 75 } });
	const shapes = [
		{ form: 'box', lengthMm: 1000, widthMm: 500, heightMm: 300 },
		{ form: 'cylinder', lies: 'flat', lengthMm: 800, diameterMm: 400 },
		{ form: 'cylinder', lies: 'upright', lengthMm: 800, diameterMm: 400 },
		{
			form: 'prism',
			lengthMm: 700,
			outline: [
				[-300, 0],
				[-100, 0],
				[-100, 150],
				[100, 150],
				[100, 0],
				[300, 0],
				[300, 300],
				[-300, 300]
			]
		},
		{
			form: 'table',
			rows: [
				{ depthMm: 0, litres: 0 },
				{ depthMm: 100, litres: 20 },
				{ depthMm: 200, litres: 55 },
				{ depthMm: 300, litres: 70 }
			]
		}
	];
	for (const shape of shapes)
		for (const depthMm of [3, 77.7, 151, 299])
			for (const [rollDeg, pitchDeg] of [
				[0, 0],
				[3, -2],
				[-7, 5]
			])
				await also('dip', { shape, depthMm, rollDeg, pitchDeg });
	return answers;
}
