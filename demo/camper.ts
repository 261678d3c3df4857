import { dayPlus, zonedIso, zonedMs } from '../src/core/time';
import {
	type Ahead,
	type Logbook,
	type Point,
	type Rig,
	type Service,
	type Stop,
	type Trip
} from '../src/core/logbook';
import { Diary, editedAfter, type Custom } from './life';

/** A van of two people who count bats on an invented upland. */
const rig: Rig = {
	id: 'demo-wren',
	name: 'Wren',
	kind: 'camper',
	crew: 2,
	payloadKg: 540,
	systemL: 8,
	drinking: { litresPerPersonDay: 3, days: 1 },
	tanks: [
		{
			id: 'wren-main',
			name: 'Main',
			holds: 'fresh',
			nominalL: 120,
			usableL: 110,
			reserveL: 10,
			exposure: 'inside',
			position: { xM: -0.5, yM: 0.6 },
			shape: { form: 'box', lengthMm: 800, widthMm: 450, heightMm: 320 },
			deadL: 3,
			trials: [
				{
					id: 'wren-dry-1',
					at: '2026-03-12T15:20:00+00:00',
					kind: 'run-dry',
					litres: 111.4,
					used: true,
					instrument: 'wren-meter'
				},
				{
					id: 'wren-dry-2',
					at: '2026-03-13T16:05:00+00:00',
					kind: 'run-dry',
					litres: 110.2,
					used: true,
					instrument: 'wren-meter',
					note: 'Front up a little.'
				},
				{
					id: 'wren-bucket',
					at: '2026-03-14T10:00:00+00:00',
					kind: 'bucket',
					used: true,
					instrument: 'wren-meter',
					readings: [
						{ litres: 10, reads: 10 },
						{ litres: 10, reads: 9.9 },
						{ litres: 10, reads: 10.1 }
					]
				}
			]
		},
		{
			id: 'wren-grey',
			name: 'Grey',
			holds: 'grey',
			nominalL: 90,
			usableL: 85,
			reserveL: 6,
			residualL: 1.5,
			exposure: 'underslung',
			position: { xM: -1.2, yM: -0.3 },
			trials: [
				[86.8, ''],
				[85.9, ''],
				[87.4, ''],
				[78.2, 'The valve was not quite closed.']
			].map(([litres, note], i) => ({
				id: `wren-back-${i + 1}`,
				at: `2026-04-0${i + 2}T18:30:00+01:00`,
				kind: 'back-up' as const,
				litres: Number(litres),
				used: true,
				instrument: 'wren-meter',
				...(note ? { note: String(note) } : {})
			}))
		},
		{
			id: 'wren-cassette',
			name: 'Cassette',
			holds: 'black',
			nominalL: 19,
			usableL: 19,
			reserveL: 2,
			portable: true,
			tareKg: 4.5,
			chargeL: 1,
			exposure: 'inside',
			position: { xM: -1.8, yM: 0.7 }
		},
		{
			id: 'wren-jug-1',
			name: 'Jug 1',
			holds: 'fresh',
			nominalL: 20,
			usableL: 20,
			reserveL: 0,
			feeds: 'wren-main',
			portable: true,
			tareKg: 0.9
		},
		{
			id: 'wren-jug-2',
			name: 'Jug 2',
			holds: 'fresh',
			nominalL: 20,
			usableL: 20,
			reserveL: 0,
			feeds: 'wren-main',
			portable: true,
			tareKg: 0.9
		}
	],
	outlets: [
		{ id: 'wren-sink', name: 'Sink tap', from: 'wren-main', to: 'wren-grey', flowLpm: 5 },
		{ id: 'wren-shower', name: 'Shower head', from: 'wren-main', to: 'wren-grey', flowLpm: 6 },
		{ id: 'wren-toilet', name: 'Toilet flush', from: 'wren-main', to: 'wren-cassette', flowLpm: 4 }
	],
	instruments: [
		{
			id: 'wren-meter',
			kind: 'meter',
			name: 'Pump meter',
			place: 'pump',
			tank: 'wren-main',
			unitL: 1,
			scale: 1,
			sdFraction: 0.02,
			counts: 'up'
		},
		{
			id: 'wren-lights',
			kind: 'gauge',
			name: 'Grey lights',
			tank: 'wren-grey',
			curve: [
				{ reads: 'empty', litres: 0 },
				{ reads: '1/3', litres: 26 },
				{ reads: '2/3', litres: 52 },
				{ reads: 'full', litres: 74 }
			],
			sdL: 4
		},
		{ id: 'wren-rod', kind: 'rod', name: 'Dipstick', tank: 'wren-main', sdMm: 4 }
	],
	habits: [
		{
			id: 'wren-showering',
			name: 'Shower',
			outlet: 'wren-shower',
			litresEach: { mean: 8, sd: 2.2 },
			often: { times: 0.54, per: 'person-day' },
			recipe: { warmUpL: 1.4, runMin: 1.1, flowLpm: 6 }
		},
		{
			id: 'wren-dishes',
			name: 'Dishes',
			outlet: 'wren-sink',
			litresEach: { mean: 6, sd: 1.5 },
			often: { times: 1.45, per: 'day' },
			recipe: { basinL: 4, runMin: 0.4, flowLpm: 5 }
		},
		{
			id: 'wren-hair',
			name: 'Hair wash',
			outlet: 'wren-sink',
			litresEach: { mean: 4, sd: 1 },
			often: { times: 0.11, per: 'person-day' }
		},
		{
			id: 'wren-hands',
			name: 'Wash hands',
			outlet: 'wren-sink',
			litresEach: { mean: 0.4, sd: 0.15 },
			often: { times: 3.1, per: 'person-day' }
		},
		{
			id: 'wren-kettle',
			name: 'Kettle and pots',
			outlet: 'wren-sink',
			litresEach: { mean: 1.2, sd: 0.3 },
			often: { times: 1.3, per: 'person-day' },
			keptFraction: 0.7,
			rises: { fromC: 20, perC: 0.05 }
		},
		{
			id: 'wren-flush',
			name: 'Flush',
			outlet: 'wren-toilet',
			litresEach: { mean: 0.45, sd: 0.15 },
			often: { times: 2.1, per: 'person-day' },
			addsL: 0.15
		}
	],
	measures: [
		{
			id: 'wren-rinse',
			name: 'Wet, soap, rinse',
			habit: 'wren-showering',
			effect: { kind: 'recipe', parts: { runMin: 0.55, pauseMin: 1, trickleLpm: 0.1 } },
			effort: 2,
			idea: 'wet-soap-rinse'
		},
		{
			id: 'wren-plates',
			name: 'Paper plates',
			habit: 'wren-dishes',
			effect: { kind: 'rarer', factor: 0.5 },
			effort: 2,
			idea: 'paper'
		},
		{
			id: 'wren-inch',
			name: 'Dishes in an inch of water',
			habit: 'wren-dishes',
			effect: { kind: 'recipe', parts: { basinL: 2.2 } },
			effort: 1,
			idea: 'inch'
		},
		{
			id: 'wren-flannel',
			name: 'Every other day',
			habit: 'wren-showering',
			effect: { kind: 'rarer', factor: 0.5 },
			effort: 3,
			idea: 'every-other-day'
		},
		{
			id: 'wren-pan',
			name: 'Catch the warm-up water for the toilet',
			habit: 'wren-showering',
			effect: { kind: 'reroute', litres: 1.2, to: 'wren-cassette', replaces: 'wren-flush' },
			effort: 1,
			idea: 'cold-start-toilet'
		}
	],
	containers: [
		{
			id: 'wren-tote',
			name: 'Grey tote',
			carries: 'grey',
			capacityL: 25,
			headroomL: 3,
			tareKg: 3,
			count: 1,
			minutesPerLoad: 15
		}
	],
	care: []
};

/** What is looked after, with when it was last done: days before today. */
function careOf(today: string, timeZone: string): Rig['care'] {
	const done = (day: number): string => zonedIso(zonedMs(dayPlus(today, day), timeZone, 9), timeZone);
	return [
		{
			id: 'wren-filter',
			name: 'Change the carbon filter',
			every: { days: 180, litres: 3000 },
			through: 'wren-meter',
			lastDone: done(-12),
			idea: 'charcoal'
		},
		{
			id: 'wren-clean',
			name: 'Rinse the cassette',
			every: { days: 7 },
			through: 'wren-cassette',
			lastDone: done(-9)
		},
		{
			id: 'wren-strainer',
			name: 'Clean the pump strainer',
			every: { days: 90, litres: 320 },
			through: 'wren-meter',
			lastDone: done(-12),
			idea: 'pump-strainer'
		},
		{
			id: 'wren-frost',
			name: 'Open the low points',
			season: 'frost',
			lastDone: done(-190),
			idea: 'frost-drain'
		}
	];
}

const TAP: Service = { kind: 'water', potable: true, minutes: 12, flowLpm: 11 };
const DRAIN: Service = { kind: 'grey', minutes: 8 };
const DISPOSAL: Service = { kind: 'black', minutes: 10 };
const PLACES: readonly Point[] = [
	{
		id: 'demo-hollin',
		name: 'Hollin Yard',
		position: [-21.62, 56.91],
		services: [TAP, DRAIN, DISPOSAL],
		access: 'Gate on the left, code from the survey office',
		source: 'tap'
	},
	{
		id: 'demo-sarn',
		name: 'Low Sarn',
		position: [-21.31, 57.02],
		services: [
			{ ...TAP, fee: 3, detourKm: 2 },
			{ ...DRAIN, fee: 2 },
			{ ...DISPOSAL, fee: 2 }
		],
		hours: '08:00-19:00'
	},
	{
		id: 'demo-tamsel',
		name: 'Tamsel Ford',
		position: [-21.47, 57.08],
		services: [{ ...TAP, note: 'Sign on the tap: drinking water.' }, DRAIN, DISPOSAL]
	}
];

/** Where one stays without a service. */
const CAMPS: Readonly<Record<string, Stop['position']>> = {
	'Kelda Top': [-21.55, 57.02],
	'Orrow Plantation': [-21.36, 57.06],
	'Grethe Edge': [-21.52, 57.16],
	'Skarn Hause': [-21.28, 57.12]
};

/** What the days are like, by the day of arrival. */
const WEATHER: Readonly<Record<number, Stop['weather']>> = {
	[-9]: { maxC: 19, minC: 8 },
	[-6]: { maxC: 16, minC: 5 },
	[-2]: { maxC: 20, minC: 9 },
	1: { maxC: 28, minC: 13 },
	4: { maxC: 21, minC: 9 }
};

/** Stops in days from today and hours of the clock. */
const COURSE: readonly (readonly [
	name: string,
	arriveDay: number,
	arriveHour: number,
	departDay: number,
	departHour: number,
	legKm: number
])[] = [
	['Hollin Yard', -12, 9, -12, 11, 0],
	['Kelda Top', -12, 12, -9, 9, 23],
	['Low Sarn', -9, 10, -9, 12, 18],
	['Orrow Plantation', -9, 13, -6, 9, 9],
	['Tamsel Ford', -6, 10, -6, 11, 12],
	['Grethe Edge', -6, 12, -2, 9, 14],
	['Low Sarn', -2, 10, -2, 11, 21],
	['Skarn Hause', -2, 12, 1, 9, 16],
	['Tamsel Ford', 1, 10, 1, 11, 14],
	['Orrow Plantation', 1, 12, 4, 9, 9],
	['Low Sarn', 4, 10, 4, 12, 21],
	['Kelda Top', 4, 13, 6, 9, 18],
	['Hollin Yard', 6, 10, 6, 12, 23]
];

function tripOf(today: string, timeZone: string): Trip {
	const at = (day: number, hour: number): string =>
		zonedIso(zonedMs(dayPlus(today, day), timeZone, hour), timeZone);
	const stops = COURSE.map(([name, arriveDay, arriveHour, departDay, departHour, legKm], i): Stop => {
		const point = PLACES.find((place) => place.name === name);
		return {
			id: `wren-stop-${i + 1}`,
			name,
			arrive: at(arriveDay, arriveHour),
			depart: at(departDay, departHour),
			legKm,
			services: point?.services ?? [],
			...(WEATHER[arriveDay] ? { weather: WEATHER[arriveDay], weatherFrom: 'simulated' as const } : {}),
			...(point ? { point: point.id, position: point.position } : { position: CAMPS[name] })
		};
	});
	return {
		id: 'demo-grethe',
		rig: rig.id,
		name: 'Grethe Moor bat survey',
		timeZone,
		from: dayPlus(today, -12),
		to: dayPlus(today, 6),
		persons: 2,
		stops,
		policy: { certainty: 0.85, feePerMinute: 0.1, feePerKm: 0.4, feePerKgKm: 0 }
	};
}

const CUSTOMS: readonly Custom[] = [
	// They live at four fifths of what the rig says of them, and the log shows it.
	{ habit: 'wren-showering', perDay: 0.86, litres: 8.8, scatter: 1.4, hours: [20, 7.6] },
	{ habit: 'wren-dishes', perDay: 1.16, litres: 5.8, scatter: 1, hours: [19, 8.5] },
	{ habit: 'wren-hair', perDay: 0.18, litres: 4.1, scatter: 0.5, hours: [18] },
	{ habit: 'wren-hands', perDay: 5, litres: 0.42, scatter: 0.1, hours: [7, 8, 12, 13.5, 18.3, 22] },
	{ habit: 'wren-kettle', perDay: 2.08, litres: 1.25, scatter: 0.2, hours: [7.2, 12.5, 17.5] },
	{ habit: 'wren-flush', perDay: 3.36, litres: 0.4, scatter: 0.06, hours: [6.8, 10, 13, 19.5, 23] }
];

/** Two friends come to supper in some days. */
function supper(today: string, timeZone: string): Ahead {
	const day = dayPlus(today, 5);
	const clock = (hour: number): string => zonedIso(zonedMs(day, timeZone, hour), timeZone);
	return { id: 'wren-supper', from: clock(18), to: clock(23), persons: 4, note: 'Friends to supper' };
}

/** Twelve days in Wren up to a moment, slips and all; the same for the same day. */
export function camperLogbook(nowMs: number, timeZone: string): Logbook {
	const today = zonedIso(nowMs, timeZone).slice(0, 10);
	const trip = tripOf(today, timeZone);
	const diary = new Diary(
		{ rig, trip, people: ['Maud', 'Ivo'], customs: CUSTOMS, seed: 411, forgotten: 0.06 },
		nowMs
	);
	const services: Readonly<Record<number, readonly string[]>> = {
		[-12]: ['wren-main', 'wren-grey', 'wren-cassette'],
		[-9]: ['wren-main', 'wren-grey', 'wren-cassette'],
		[-6]: ['wren-main', 'wren-grey'],
		[-2]: ['wren-main', 'wren-grey', 'wren-cassette']
	};
	let stopIndex = 0;
	for (let day = -12; day <= 0; day++) {
		if (day > -12) {
			diary.live(day, 0, 7.4);
			diary.write(diary.at(day, 7, 25), {
				kind: 'reading',
				instrument: 'wren-meter',
				value: Math.round(diary.countedBy('wren-meter'))
			});
			diary.write(
				diary.at(day, 7, 30),
				{ kind: 'reading', instrument: 'wren-lights', value: lightFor(diary.levelOf('wren-grey'), day) },
				1
			);
			diary.live(day, 7.5, 10);
		}
		for (const tank of services[day] ?? []) {
			const point = trip.stops.find(
				({ arrive, services: offered }) => arrive.startsWith(dayPlus(today, day)) && offered.length > 0
			)?.point;
			if (tank === 'wren-main') diary.fill(diary.at(day, 10, 20), tank, 'full', { point, potable: true });
			else diary.empty(diary.at(day, 10, 35), tank, { where: point });
		}
		if (day === -12) startOfTrip(diary);
		if (day === -9) diary.fill(diary.at(day, 10, 30), 'wren-jug-1', 'full', { potable: true });
		for (const stop of trip.stops
			.slice(stopIndex)
			.filter(({ arrive }) => arrive.slice(0, 10) === dayPlus(today, day))) {
			diary.write(Date.parse(stop.arrive), { kind: 'stop', stop: stop.id, event: 'arrive' });
			stopIndex++;
		}
		diary.live(day, 10, 24);
		if (day === -1)
			diary.write(
				diary.at(day, 21, 5),
				{ kind: 'reading', instrument: 'wren-lights', value: lightFor(0, day) },
				1
			);
		if (day === -4)
			diary.write(
				diary.at(day, 17, 10),
				{ kind: 'note', text: 'Sink drain gurgles when the van leans to port.' },
				1
			);
	}
	slips(diary, timeZone);
	return {
		format: 'dipsometer-logbook',
		version: 1,
		exportedAt: zonedIso(nowMs, timeZone),
		app: 'Dipsometer demo',
		rigs: [{ ...rig, ahead: [supper(today, timeZone)], care: careOf(today, timeZone) }],
		trips: [trip],
		points: PLACES,
		entries: diary.entries
	};
}

/** The lights show the level, until three days ago the top probe gummed up. */
function lightFor(litres: number, day: number): string {
	if (day >= -2) return 'full';
	return litres < 26 ? 'empty' : litres < 52 ? '1/3' : litres < 74 ? '2/3' : 'full';
}

function startOfTrip(diary: Diary): void {
	diary.write(diary.at(-12, 10, 40), { kind: 'reading', instrument: 'wren-meter', value: 0, reset: true });
	diary.fill(diary.at(-12, 10, 45), 'wren-jug-1', 'full', { potable: true });
	diary.write(diary.at(-12, 10, 46), { kind: 'mark', tank: 'wren-jug-2', state: 'empty' }, 1);
	diary.write(diary.at(-12, 10, 50), { kind: 'note', text: 'Loaded at the yard, level.' });
}

/** What people get wrong: a wrong button, an entry made twice, a figure put right later. */
function slips(diary: Diary, timeZone: string): void {
	const wrong = diary.write(diary.at(-7, 13, 48), { kind: 'mark', tank: 'wren-grey', state: 'full' }, 1);
	const twice = diary.write(diary.at(-5, 19, 3), { kind: 'use', habit: 'wren-dishes', times: 1 }, 1);
	const list = diary.entries;
	for (const [slip, note] of [
		[wrong, 'Pressed by mistake.'],
		[twice, 'Logged twice.']
	] as const) {
		const index = slip ? list.indexOf(slip) : -1;
		if (slip) list[index] = { ...slip, void: true, note, edited: editedAfter(slip, 14, timeZone) };
	}
	const shower = list.findIndex((entry) => entry.kind === 'use' && entry.habit === 'wren-showering');
	const measured = list[shower];
	if (measured?.kind === 'use')
		list[shower] = {
			...measured,
			litres: 9.1,
			source: 'meter',
			note: 'Meter before and after.',
			edited: editedAfter(measured, 6, timeZone)
		};
}
