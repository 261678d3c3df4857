/** How somebody really does a thing at a tap: what the rig may say of it is another matter. */
export interface Way {
	readonly id: string;
	readonly outlet: string;
	/** litres of one time: mean and scatter, as a share of it */
	readonly litres: number;
	readonly scatter: number;
	/** litres a minute, and its scatter from time to time, as a share */
	readonly lpm: number;
	readonly lpmScatter: number;
	/** fewest and most times the tap is opened, seconds between */
	readonly bursts: readonly [number, number];
	readonly gapS: readonly [number, number];
	readonly perDay: number;
	/** hours of the clock about which it is done, any of them; sd of that, hours */
	readonly hours: readonly number[];
	readonly about: number;
	/** what follows it within seconds, with a chance */
	readonly then?: {
		readonly id: string;
		readonly chance: number;
		readonly withinS: readonly [number, number];
	};
}

const VAN: readonly Way[] = [
	{
		id: 'shower',
		outlet: 'head',
		litres: 8.5,
		scatter: 0.2,
		lpm: 5.6,
		lpmScatter: 0.06,
		bursts: [2, 4],
		gapS: [25, 90],
		perDay: 1.1,
		hours: [7.3, 20.5],
		about: 0.7
	},
	{
		id: 'dishes',
		outlet: 'sink',
		litres: 5.5,
		scatter: 0.22,
		lpm: 4.3,
		lpmScatter: 0.1,
		bursts: [3, 8],
		gapS: [6, 40],
		perDay: 1.7,
		hours: [8.6, 19.6],
		about: 0.8
	},
	{
		id: 'hands',
		outlet: 'sink',
		litres: 0.42,
		scatter: 0.3,
		lpm: 3,
		lpmScatter: 0.15,
		bursts: [1, 2],
		gapS: [4, 12],
		perDay: 4,
		hours: [8, 12.5, 16, 19, 22],
		about: 1.5
	},
	{
		id: 'teeth',
		outlet: 'basin',
		litres: 0.7,
		scatter: 0.25,
		lpm: 2.2,
		lpmScatter: 0.12,
		bursts: [2, 3],
		gapS: [20, 70],
		perDay: 3.4,
		hours: [7.4, 22.4],
		about: 0.5
	},
	{
		id: 'kettle',
		outlet: 'sink',
		litres: 1.3,
		scatter: 0.18,
		lpm: 5,
		lpmScatter: 0.06,
		bursts: [1, 1],
		gapS: [5, 10],
		perDay: 3,
		hours: [7.2, 12.4, 17.6],
		about: 0.8
	},
	{
		id: 'flush',
		outlet: 'toilet',
		litres: 0.55,
		scatter: 0.15,
		lpm: 7.5,
		lpmScatter: 0.05,
		bursts: [1, 1],
		gapS: [5, 10],
		perDay: 5.5,
		hours: [6.9, 10, 14, 18, 22.6, 3],
		about: 1.3,
		then: { id: 'hands', chance: 0.7, withinS: [12, 60] }
	}
];
const BOAT: readonly Way[] = [
	{
		id: 'shower',
		outlet: 'head',
		litres: 12,
		scatter: 0.25,
		lpm: 4.6,
		lpmScatter: 0.08,
		bursts: [1, 3],
		gapS: [20, 120],
		perDay: 1.4,
		hours: [8, 17.5],
		about: 1
	},
	{
		id: 'dishes',
		outlet: 'sink',
		litres: 7,
		scatter: 0.25,
		lpm: 3.6,
		lpmScatter: 0.12,
		bursts: [2, 6],
		gapS: [10, 60],
		perDay: 1.9,
		hours: [9.3, 20.2],
		about: 1
	},
	{
		id: 'hands',
		outlet: 'basin',
		litres: 0.3,
		scatter: 0.35,
		lpm: 2.6,
		lpmScatter: 0.15,
		bursts: [1, 1],
		gapS: [4, 12],
		perDay: 7,
		hours: [7.5, 11, 13, 16.5, 19, 22],
		about: 1.5
	},
	{
		id: 'deck',
		outlet: 'hose',
		litres: 18,
		scatter: 0.3,
		lpm: 9,
		lpmScatter: 0.1,
		bursts: [1, 3],
		gapS: [30, 150],
		perDay: 0.5,
		hours: [16],
		about: 2
	},
	{
		id: 'coffee',
		outlet: 'sink',
		litres: 1,
		scatter: 0.15,
		lpm: 4.2,
		lpmScatter: 0.08,
		bursts: [1, 1],
		gapS: [5, 10],
		perDay: 4,
		hours: [7, 10.5, 15.5],
		about: 0.8
	},
	{
		id: 'rinse',
		outlet: 'sink',
		litres: 0.6,
		scatter: 0.3,
		lpm: 3.4,
		lpmScatter: 0.12,
		bursts: [1, 2],
		gapS: [4, 15],
		perDay: 5,
		hours: [10, 12.6, 15, 18.5],
		about: 1.2
	}
];
const FAMILY: readonly Way[] = [
	{
		id: 'shower',
		outlet: 'head',
		litres: 14,
		scatter: 0.3,
		lpm: 6.8,
		lpmScatter: 0.08,
		bursts: [1, 4],
		gapS: [20, 100],
		perDay: 2.3,
		hours: [7, 19],
		about: 1
	},
	{
		id: 'dishes',
		outlet: 'sink',
		litres: 9,
		scatter: 0.25,
		lpm: 5.2,
		lpmScatter: 0.1,
		bursts: [4, 10],
		gapS: [5, 45],
		perDay: 2.6,
		hours: [8.5, 13.2, 19.4],
		about: 0.6
	},
	{
		id: 'hands',
		outlet: 'basin',
		litres: 0.5,
		scatter: 0.35,
		lpm: 3.2,
		lpmScatter: 0.15,
		bursts: [1, 2],
		gapS: [4, 12],
		perDay: 8,
		hours: [7, 12.6, 15.5, 18.6],
		about: 1.4
	},
	{
		id: 'flush',
		outlet: 'toilet',
		litres: 1.2,
		scatter: 0.12,
		lpm: 9,
		lpmScatter: 0.05,
		bursts: [1, 1],
		gapS: [5, 10],
		perDay: 11,
		hours: [6.8, 9.5, 13, 16, 19.5, 22, 2.5],
		about: 1.4,
		then: { id: 'hands', chance: 0.6, withinS: [10, 80] }
	},
	{
		id: 'pots',
		outlet: 'sink',
		litres: 2.1,
		scatter: 0.3,
		lpm: 6,
		lpmScatter: 0.07,
		bursts: [1, 2],
		gapS: [6, 20],
		perDay: 4,
		hours: [7.4, 12.2, 18],
		about: 0.7
	}
];

/** Households as they really live, by what they live in. */
export const HOUSEHOLDS = { van: VAN, boat: BOAT, family: FAMILY };
