import type { Outlet, Rig, Tank } from '../../logbook/index.js';
import { drinkingOf, habitsAt, type Places } from './firstRig.js';

/** A tank of a ready rig; other tanks of it are named by their keys. */
type ReadyTank = Omit<Tank, 'id' | 'feeds' | 'relieves' | 'joined'> & {
	readonly feeds?: string;
	readonly relieves?: string;
};

interface Ready {
	readonly name: string;
	readonly says: string;
	readonly kind: Rig['kind'];
	readonly crew: number;
	readonly systemL?: number;
	readonly tanks: Readonly<Record<string, ReadyTank>>;
	/** where each place draws from and runs to, by tank key or the end's own name */
	readonly places: Readonly<
		Partial<Record<keyof Places, { readonly name: string; readonly from: string; readonly to: string }>>
	>;
}

const box = (lengthMm: number, widthMm: number, heightMm: number): Tank['shape'] => ({
	form: 'box',
	lengthMm,
	widthMm,
	heightMm
});

/** Common sizes and layouts, of no maker: each to be changed to what one's own rig is. */
const READY = Object.freeze({
	'camper-small': {
		name: 'Small camper',
		says: '70 L fresh, 55 L grey, a cassette',
		kind: 'camper',
		crew: 2,
		tanks: {
			fresh: {
				name: 'Fresh',
				holds: 'fresh',
				nominalL: 70,
				reserveL: 6,
				exposure: 'inside',
				shape: box(700, 400, 250)
			},
			grey: { name: 'Grey', holds: 'grey', nominalL: 55, reserveL: 5, exposure: 'underslung' },
			cassette: {
				name: 'Cassette',
				holds: 'black',
				nominalL: 18,
				reserveL: 2,
				portable: true,
				tareKg: 4,
				exposure: 'inside',
				chargeL: 1
			}
		},
		places: {
			sink: { name: 'Sink tap', from: 'fresh', to: 'grey' },
			shower: { name: 'Shower', from: 'fresh', to: 'grey' },
			toilet: { name: 'Toilet flush', from: 'fresh', to: 'cassette' }
		}
	},
	'camper-large': {
		name: 'Large camper',
		says: '150 L fresh, 120 L grey, 80 L black',
		kind: 'camper',
		crew: 4,
		systemL: 12,
		tanks: {
			fresh: { name: 'Fresh', holds: 'fresh', nominalL: 150, reserveL: 12, exposure: 'inside' },
			grey: { name: 'Grey', holds: 'grey', nominalL: 120, reserveL: 8, exposure: 'underslung' },
			black: { name: 'Black', holds: 'black', nominalL: 80, reserveL: 8, chargeL: 4, exposure: 'underslung' }
		},
		places: {
			sink: { name: 'Sink tap', from: 'fresh', to: 'grey' },
			shower: { name: 'Shower', from: 'fresh', to: 'grey' },
			toilet: { name: 'Toilet', from: 'fresh', to: 'black' }
		}
	},
	'trailer-two-greys': {
		name: 'Trailer with two grey tanks',
		says: '160 L fresh, separate kitchen and bathroom grey, black',
		kind: 'camper',
		crew: 2,
		systemL: 25,
		tanks: {
			fresh: { name: 'Fresh', holds: 'fresh', nominalL: 160, reserveL: 6, exposure: 'underslung' },
			kitchen: { name: 'Kitchen grey', holds: 'grey', nominalL: 110, reserveL: 8, exposure: 'underslung' },
			bathroom: { name: 'Bathroom grey', holds: 'grey', nominalL: 110, reserveL: 8, exposure: 'underslung' },
			black: { name: 'Black', holds: 'black', nominalL: 110, reserveL: 8, chargeL: 5, exposure: 'underslung' }
		},
		places: {
			sink: { name: 'Kitchen tap', from: 'fresh', to: 'kitchen' },
			shower: { name: 'Shower', from: 'fresh', to: 'bathroom' },
			toilet: { name: 'Toilet', from: 'fresh', to: 'black' }
		}
	},
	'boat-bilge': {
		name: 'Boat with a bilge tank',
		says: '190 L in the V of the hull, grey overboard, a holding tank',
		kind: 'boat',
		crew: 3,
		tanks: {
			fresh: {
				name: 'Bilge tank',
				holds: 'fresh',
				nominalL: 190,
				reserveL: 9,
				exposure: 'bilge',
				shape: {
					form: 'prism',
					lengthMm: 1200,
					outline: [
						[0, 0],
						[420, 380],
						[-420, 380]
					]
				}
			},
			holding: { name: 'Holding', holds: 'black', nominalL: 45, reserveL: 4, chargeL: 2, exposure: 'inside' }
		},
		places: {
			sink: { name: 'Galley tap', from: 'fresh', to: 'overboard' },
			shower: { name: 'Shower', from: 'fresh', to: 'overboard' },
			toilet: { name: 'Toilet', from: 'fresh', to: 'holding' }
		}
	},
	'camper-spare-cassette': {
		name: 'Camper with a spare cassette and a jug',
		says: '90 L fresh and a jug of 20 L, 70 L grey, two cassettes',
		kind: 'camper',
		crew: 2,
		tanks: {
			fresh: { name: 'Fresh', holds: 'fresh', nominalL: 90, reserveL: 6, exposure: 'inside' },
			jug: {
				name: 'Jug',
				holds: 'fresh',
				nominalL: 20,
				reserveL: 0,
				portable: true,
				tareKg: 1,
				feeds: 'fresh'
			},
			grey: { name: 'Grey', holds: 'grey', nominalL: 70, reserveL: 5, exposure: 'underslung' },
			cassette: {
				name: 'Cassette',
				holds: 'black',
				nominalL: 18,
				reserveL: 1,
				portable: true,
				tareKg: 4,
				exposure: 'inside',
				chargeL: 1
			},
			spare: {
				name: 'Spare cassette',
				holds: 'black',
				nominalL: 18,
				reserveL: 1,
				portable: true,
				tareKg: 4,
				exposure: 'inside',
				chargeL: 1,
				relieves: 'cassette'
			}
		},
		places: {
			sink: { name: 'Sink tap', from: 'fresh', to: 'grey' },
			shower: { name: 'Shower', from: 'fresh', to: 'grey' },
			toilet: { name: 'Toilet flush', from: 'fresh', to: 'cassette' }
		}
	},
	'boat-two-tanks': {
		name: 'Boat with a second tank behind a valve',
		says: '120 L fresh and 80 L more behind a valve, grey overboard, a holding tank',
		kind: 'boat',
		crew: 3,
		tanks: {
			fresh: { name: 'Main tank', holds: 'fresh', nominalL: 120, reserveL: 9, exposure: 'inside' },
			bow: {
				name: 'Bow tank',
				holds: 'fresh',
				nominalL: 80,
				reserveL: 2,
				exposure: 'inside',
				feeds: 'fresh'
			},
			holding: { name: 'Holding', holds: 'black', nominalL: 45, reserveL: 4, chargeL: 2, exposure: 'inside' }
		},
		places: {
			sink: { name: 'Galley tap', from: 'fresh', to: 'overboard' },
			shower: { name: 'Shower', from: 'fresh', to: 'overboard' },
			toilet: { name: 'Toilet', from: 'fresh', to: 'holding' }
		}
	},
	'car-jugs': {
		name: 'Car with jugs',
		says: 'two jugs of 20 L, no grey tank, no toilet',
		kind: 'camper',
		crew: 2,
		tanks: {
			jug: { name: 'Jug at the tap', holds: 'fresh', nominalL: 20, reserveL: 1, portable: true, tareKg: 1 },
			spare: {
				name: 'Spare jug',
				holds: 'fresh',
				nominalL: 20,
				reserveL: 0,
				portable: true,
				tareKg: 1,
				feeds: 'jug'
			}
		},
		places: { sink: { name: 'Tap', from: 'jug', to: 'ground' } }
	}
} as const satisfies Readonly<Record<string, Ready>>);

/** The id of a ready rig. */
export type ReadyId = keyof typeof READY;

/** The ready rigs to begin from, for a list to choose from. */
export const readyRigs: readonly { readonly id: ReadyId; readonly name: string; readonly says: string }[] = (
	Object.keys(READY) as ReadyId[]
).map((id) => ({ id, name: READY[id].name, says: READY[id].says }));

/**
 * A whole rig from one of the ready ones, to be changed to what one's own is.
 *
 * @param makeId gives a new id at every call
 */
export function readyRig(id: ReadyId, name: string, makeId: () => string): Rig {
	const ready: Ready = READY[id];
	const ids = new Map(Object.keys(ready.tanks).map((key) => [key, makeId()]));
	const idOf = (key: string): string => ids.get(key) ?? key;
	const tanks = Object.entries(ready.tanks).map(([key, { feeds, relieves, ...tank }]): Tank => ({
		...tank,
		id: idOf(key),
		...(feeds === undefined ? {} : { feeds: idOf(feeds) }),
		...(relieves === undefined ? {} : { relieves: idOf(relieves) })
	}));
	const places: Places = Object.fromEntries(
		Object.entries(ready.places).map(([at, { name: called, from, to }]): [string, Outlet] => [
			at,
			{ id: makeId(), name: called, from: idOf(from), to: idOf(to) }
		])
	);
	return {
		id: makeId(),
		name,
		kind: ready.kind,
		crew: ready.crew,
		drinking: drinkingOf(ready),
		...(ready.systemL === undefined ? {} : { systemL: ready.systemL }),
		tanks,
		outlets: Object.values(places),
		instruments: [],
		habits: habitsAt(places, makeId),
		measures: [],
		containers: [],
		care: []
	};
}
