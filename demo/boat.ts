import { dayPlus, zonedIso, zonedMs } from '../src/core/time';
import { type Logbook, type Point, type Rig, type Service, type Stop, type Trip } from '../src/core/logbook';
import { Diary, editedAfter, type Custom } from './life';

/** A small cruising boat in an invented archipelago. */
const rig: Rig = {
	id: 'demo-sandling',
	name: 'Sandling',
	kind: 'boat',
	crew: 2,
	systemL: 12,
	drinking: { litresPerPersonDay: 3, days: 1 },
	tanks: [
		{
			id: 'sand-fore',
			name: 'Fore',
			holds: 'fresh',
			nominalL: 150,
			usableL: 138,
			reserveL: 12,
			exposure: 'bilge',
			shape: {
				form: 'prism',
				lengthMm: 900,
				outline: [
					[0, 0],
					[420, 380],
					[-420, 380]
				]
			}
		},
		{ id: 'sand-aft', name: 'Aft', holds: 'fresh', nominalL: 110, reserveL: 8, exposure: 'bilge' },
		{
			id: 'sand-grey',
			name: 'Shower sump',
			holds: 'grey',
			nominalL: 60,
			usableL: 56,
			reserveL: 5,
			residualL: 1,
			exposure: 'bilge'
		},
		{
			id: 'sand-holding',
			name: 'Holding',
			holds: 'black',
			nominalL: 70,
			usableL: 66,
			reserveL: 6,
			residualL: 2,
			chargeL: 2,
			exposure: 'inside'
		}
	],
	outlets: [
		{ id: 'sand-galley', name: 'Galley', from: 'sand-fore', to: 'sand-grey', flowLpm: 4 },
		{ id: 'sand-shower', name: 'Shower', from: 'sand-aft', to: 'sand-grey', flowLpm: 5 },
		{ id: 'sand-heads', name: 'Heads', from: 'sand-aft', to: 'sand-holding', flowLpm: 6 }
	],
	instruments: [
		{
			id: 'sand-sender',
			kind: 'gauge',
			name: 'Holding sender',
			tank: 'sand-holding',
			curve: [
				{ reads: 0, litres: 0 },
				{ reads: 50, litres: 24 },
				{ reads: 100, litres: 64 }
			],
			sdL: 3
		},
		{ id: 'sand-rod', kind: 'rod', name: 'Fore dipstick', tank: 'sand-fore', sdMm: 5 },
		{
			id: 'sand-hose',
			kind: 'meter',
			name: 'Hose meter',
			place: 'fill',
			tank: 'sand-aft',
			unitL: 1,
			counts: 'up'
		}
	],
	habits: [
		{
			id: 'sand-dishes',
			name: 'Dishes',
			outlet: 'sand-galley',
			litresEach: { mean: 5, sd: 1.2 },
			often: { times: 1.5, per: 'day' }
		},
		{
			id: 'sand-kettle',
			name: 'Kettle and pots',
			outlet: 'sand-galley',
			litresEach: { mean: 1.4, sd: 0.3 },
			often: { times: 1.5, per: 'person-day' },
			keptFraction: 0.8
		},
		{
			id: 'sand-showering',
			name: 'Shower',
			outlet: 'sand-shower',
			litresEach: { mean: 7, sd: 1.8 },
			often: { times: 0.4, per: 'person-day' }
		},
		{
			id: 'sand-flush',
			name: 'Flush',
			outlet: 'sand-heads',
			litresEach: { mean: 1.6, sd: 0.4 },
			often: { times: 2, per: 'person-day' },
			addsL: 0.25
		}
	],
	measures: [
		{
			id: 'sand-deck',
			name: 'Rinse on deck with sea water first',
			habit: 'sand-showering',
			effect: { kind: 'scale', factor: 0.5 },
			effort: 2
		}
	],
	containers: [],
	care: [{ id: 'sand-strainer', name: 'Clean the pump strainer', every: { days: 30 } }]
};

const PLACES: readonly Point[] = [
	{
		id: 'demo-varn',
		name: 'Varn Quay',
		noDischarge: true,
		position: [-14.59, 58.22],
		services: [
			{ kind: 'water', potable: true, minutes: 20, flowLpm: 15 },
			{ kind: 'black', minutes: 15 },
			{ kind: 'grey', minutes: 10 }
		]
	},
	{
		id: 'demo-ossel',
		name: 'Ossel Harbour',
		noDischarge: true,
		position: [-14.37, 58.31],
		services: [
			{ kind: 'water', potable: true, fee: 4, minutes: 20 },
			{ kind: 'grey', minutes: 10 },
			{ kind: 'black', fee: 5, minutes: 20 }
		]
	},
	{
		id: 'demo-trine',
		name: 'Trine Skerry',
		position: [-14.22, 58.27],
		services: [{ kind: 'water', potable: false, note: 'Rain butt: for washing only.' } satisfies Service]
	}
];

/** Where one lies at anchor. */
const ANCHORAGES: Readonly<Record<string, Stop['position']>> = {
	'Hjelt Sound': [-14.52, 58.3],
	'Lomvi Bay': [-14.45, 58.19]
};

const COURSE: readonly (readonly [name: string, arriveDay: number, departDay: number, legKm: number])[] = [
	['Varn Quay', -12, -11, 0],
	['Hjelt Sound', -11, -8, 17],
	['Ossel Harbour', -8, -7, 22],
	['Trine Skerry', -7, -4, 13],
	['Varn Quay', -4, -3, 24],
	['Lomvi Bay', -3, 2, 19],
	['Ossel Harbour', 2, 3, 15],
	['Hjelt Sound', 3, 7, 22],
	['Varn Quay', 7, 8, 17]
];

function tripOf(today: string, timeZone: string): Trip {
	const at = (day: number, hour: number): string =>
		zonedIso(zonedMs(dayPlus(today, day), timeZone, hour), timeZone);
	const stops = COURSE.map(([name, arriveDay, departDay, legKm], i): Stop => {
		const point = PLACES.find((place) => place.name === name);
		return {
			id: `sand-stop-${i + 1}`,
			name,
			arrive: at(arriveDay, 15),
			depart: at(departDay, 10),
			legKm,
			services: point?.services ?? [],
			...(HARBOURS.has(name) ? { noDischarge: true } : {}),
			...(point ? { point: point.id, position: point.position } : { position: ANCHORAGES[name] })
		};
	});
	return {
		id: 'demo-skerries',
		rig: rig.id,
		name: 'Round the Ossel skerries',
		timeZone,
		from: dayPlus(today, -12),
		to: dayPlus(today, 8),
		persons: 2,
		stops,
		policy: { certainty: 0.9, feePerMinute: 0.1, feePerKm: 0, feePerKgKm: 0 }
	};
}

const CUSTOMS: readonly Custom[] = [
	{ habit: 'sand-dishes', perDay: 1.4, litres: 5.3, scatter: 0.8, hours: [19.5, 9] },
	{ habit: 'sand-kettle', perDay: 3, litres: 1.4, scatter: 0.2, hours: [7.5, 12, 17] },
	{ habit: 'sand-showering', perDay: 0.8, litres: 6.6, scatter: 1.2, hours: [18.5, 8] },
	{ habit: 'sand-flush', perDay: 4, litres: 1.6, scatter: 0.3, hours: [7, 11, 16, 22.5] }
];

/** The sump's valve by where one is: kept aboard in harbour, to sea outside. */
const IN_HARBOUR = { waste: [] } as const;
const UNDER_WAY = { waste: ['sand-grey'] } as const;
const HARBOURS: ReadonlySet<string> = new Set(['Varn Quay', 'Ossel Harbour']);

/** Twelve days aboard Sandling up to a moment. */
export function boatLogbook(nowMs: number, timeZone: string): Logbook {
	const today = zonedIso(nowMs, timeZone).slice(0, 10);
	const trip = tripOf(today, timeZone);
	const diary = new Diary(
		{ rig, trip, people: ['Runa', 'Edvin'], customs: CUSTOMS, seed: 72, forgotten: 0.08 },
		nowMs
	);
	const inHarbour = new Set([-12, -8, -4]);
	for (let day = -12; day <= 0; day++) {
		diary.live(day, 0, 11);
		// Out of the harbour again, the sump's Y-valve goes to sea.
		if (inHarbour.has(day - 1)) diary.set(diary.at(day, 11), UNDER_WAY);
		diary.live(day, 11, 15);
		const stop = trip.stops.find(({ arrive }) => arrive.startsWith(dayPlus(today, day)));
		if (stop) diary.write(Date.parse(stop.arrive), { kind: 'stop', stop: stop.id, event: 'arrive' });
		if (inHarbour.has(day)) {
			diary.set(diary.at(day, 15, 10), IN_HARBOUR);
			diary.fill(diary.at(day, 15, 40), 'sand-fore', 'full', { point: stop?.point, potable: true });
			diary.fill(diary.at(day, 15, 55), 'sand-aft', 'full', { point: stop?.point, potable: true });
			diary.empty(diary.at(day, 16, 20), 'sand-holding', { where: stop?.point });
			diary.empty(diary.at(day, 16, 30), 'sand-grey', { where: stop?.point });
		} else if (day % 2 === 0)
			diary.write(
				diary.at(day, 9, 15),
				{
					kind: 'reading',
					instrument: 'sand-sender',
					value: Math.round(percentOf(diary.levelOf('sand-holding')))
				},
				1
			);
		diary.live(day, 15, 24);
	}
	const slip = diary.write(diary.at(-6, 12, 5), { kind: 'use', habit: 'sand-showering', times: 4 }, 1);
	if (slip)
		diary.entries[diary.entries.indexOf(slip)] = {
			...slip,
			void: true,
			note: 'Meant one, typed four.',
			edited: editedAfter(slip, 3, timeZone)
		};
	return {
		format: 'dipsometer-logbook',
		version: 1,
		exportedAt: zonedIso(nowMs, timeZone),
		app: 'Dipsometer demo',
		rigs: [rig],
		trips: [trip],
		points: PLACES,
		entries: diary.entries
	};
}

/** What the sender shows for litres: its own curve, read backwards. */
const percentOf = (litres: number): number =>
	litres <= 24 ? (litres / 24) * 50 : Math.min(100, 50 + ((litres - 24) / 40) * 50);
