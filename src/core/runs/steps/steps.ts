import { MOST_LOADS } from '../../rig/index.js';
import type { DumpLine, DumpManner } from '../dump/index.js';
import type { CarrySetup, DumpSetup, FillPart, FillSetup, Run, Setup, ToteSetup } from './run.js';

type Answers = Run['answers'];

/** Tanks that are emptied in one go, and how. */
interface OneLine {
	readonly by: DumpManner;
	readonly tanks: readonly string[];
}

/** One thing to do, with its figures. `key` names it within its run, whatever is answered. */
export type RunStep = { readonly key: string } & (
	| { readonly kind: 'connect'; readonly tank: string; readonly pressure: boolean }
	| { readonly kind: 'fill-to'; readonly part: number; readonly of: FillPart }
	| { readonly kind: 'shut-tap' }
	| { readonly kind: 'set-counter'; readonly meter: string; readonly tank: string }
	/** checked before anything is opened, and how what is emptied is reached */
	| ({ readonly kind: 'prepare' } & OneLine)
	| ({ readonly kind: 'attach' } & OneLine)
	| ({ readonly kind: 'detach' } & OneLine)
	| { readonly kind: 'open-vent'; readonly tanks: readonly string[] }
	| {
			readonly kind: 'empty';
			readonly tank: string;
			readonly litres: number;
			readonly by: DumpManner;
			/** after grey was let back into it */
			readonly again: boolean;
	  }
	| { readonly kind: 'raise-hose' | 'lower-hose'; readonly tank: string }
	| { readonly kind: 'backflush'; readonly tank: string; readonly from: string; readonly litres: number }
	| { readonly kind: 'rinse'; readonly tank: string; readonly by: DumpManner }
	| { readonly kind: 'rinse-hose'; readonly tanks: readonly string[] }
	| { readonly kind: 'treat'; readonly tank: string; readonly litres: number }
	| { readonly kind: 'wash-hands' }
	| { readonly kind: 'stand-level'; readonly container: string; readonly load: number }
	| {
			readonly kind: 'let-in';
			readonly container: string;
			readonly tank: string;
			/** that leave the tank for it */
			readonly litres: number;
			/** what the container holds at the moment of shutting: the rest of it still comes out of the hose */
			readonly standsAtL: number;
			readonly load: number;
			readonly last: boolean;
	  }
	| { readonly kind: 'lift-hose'; readonly container: string; readonly load: number }
	| { readonly kind: 'take-away'; readonly container: string; readonly kg: number; readonly load: number }
	| {
			readonly kind: 'fill-jugs';
			readonly litres: readonly number[];
			readonly kg: number;
			readonly trip: number;
	  }
	| {
			readonly kind: 'pour';
			readonly litres: readonly number[];
			readonly kg: number;
			readonly trip: number;
	  }
);

const fillSteps = ({ parts, source, counters }: FillSetup): readonly RunStep[] => [
	{ key: 'connect', kind: 'connect', tank: parts[0]?.tank ?? '', pressure: source.pressure === true },
	...parts.map((of, part): RunStep => ({ key: `fill-${part}`, kind: 'fill-to', part, of })),
	{ key: 'shut', kind: 'shut-tap' },
	...counters.map((one): RunStep => ({ key: `set-${one.meter}`, kind: 'set-counter', ...one }))
];

/** Whether something is put on before a tank can be emptied so, and taken off afterwards. */
const HAS_HOSE: ReadonlySet<DumpManner> = new Set(['hose', 'deck', 'pumped']);

/** Water and treatment that go back into some tanks. */
const treatments = ({ order }: DumpSetup, tanks: readonly string[]): readonly RunStep[] =>
	order.flatMap(({ do: act, tank, litres = 0 }, i): readonly RunStep[] =>
		act === 'treat' && tank !== undefined && tanks.includes(tank)
			? [{ key: `${i}-treat`, kind: act, tank, litres }]
			: []
	);

/** The steps of one outlet: checked, attached, emptied in order, rinsed, shut and capped. */
function lineSteps({ by, tanks }: DumpLine, setup: DumpSetup, answers: Answers): readonly RunStep[] {
	const { order, flushedFrom = '' } = setup;
	const of = tanks[0] ?? '';
	const key = (act: string): string => `${act}-${of}`;
	const own = order.flatMap((step, i) =>
		step.tank !== undefined && step.do !== 'treat' && tanks.includes(step.tank)
			? [{ ...step, tank: step.tank, i }]
			: []
	);
	const left = (tank: string): boolean => answers[`raise-${tank}`]?.how === 'skipped';
	const emptied = new Set<string>();
	const steps = own.flatMap(({ do: act, tank, litres = 0, i }): readonly RunStep[] => {
		const at = `${i}-${act}`;
		if (act === 'empty') {
			const again = emptied.has(tank);
			emptied.add(tank);
			if (again && left(tank)) return [];
			const empty = { key: at, kind: act, tank, litres, by, again } as const;
			return again ? [{ key: `lower-${tank}`, kind: 'lower-hose', tank }, empty] : [empty];
		}
		if (act === 'backflush')
			return [
				{ key: `raise-${tank}`, kind: 'raise-hose', tank },
				left(tank)
					? { key: `${i}-rinse`, kind: 'rinse', tank, by }
					: { key: at, kind: act, tank, from: flushedFrom, litres }
			];
		return act === 'rinse' ? [{ key: at, kind: act, tank, by }] : [];
	});
	// A cassette gets its water at the drain, before it is closed and slid back in.
	const treated = by === 'cassette' ? treatments(setup, tanks) : [];
	const last = own.findLast(({ do: act }) => act === 'empty')?.tank;
	const rinsed = own.some(({ do: act, tank }) => act === 'rinse' && tank === last);
	return [
		{ key: key('prepare'), kind: 'prepare', by, tanks },
		...(HAS_HOSE.has(by) ? [{ key: key('attach'), kind: 'attach', by, tanks } as const] : []),
		...(by === 'hose' || by === 'pumped' ? [{ key: key('vent'), kind: 'open-vent', tanks } as const] : []),
		...steps,
		// Grey rinses the hose by itself; black does not.
		...(by === 'hose' && rinsed ? [{ key: key('rinse-hose'), kind: 'rinse-hose', tanks } as const] : []),
		...treated,
		{ key: key('detach'), kind: 'detach', by, tanks }
	];
}

function dumpSteps(setup: DumpSetup, answers: Answers): readonly RunStep[] {
	const tanks = [...new Set(setup.order.flatMap(({ tank }) => tank ?? []))];
	const { lines = [{ by: 'hose' as const, tanks }] } = setup;
	return [
		...lines.flatMap((line) => lineSteps(line, setup, answers)),
		...treatments(
			setup,
			lines.flatMap(({ by, tanks: of }) => (by === 'cassette' || by === 'bottle' ? [] : of))
		),
		{ key: 'hands', kind: 'wash-hands' }
	];
}

/** Less than this is no load, litres. */
const NO_LOAD = 0.05;

/**
 * The loads of a tote: each as much as fits, by what the ones before it let in, so that the last never holds more than fits
 * because an earlier one was smaller.
 */
function toteLoads(
	{ litres, capacityL, keepFreeL, hoseL = 0, partL, emptyFirst }: ToteSetup,
	answers: Answers
): readonly number[] {
	const fits = capacityL - keepFreeL + hoseL;
	const loads: number[] = [];
	let left = litres;
	while (left > NO_LOAD && loads.length < MOST_LOADS) {
		const load = Math.min(left, loads.length === 0 && !emptyFirst ? fits - partL : fits);
		const answer = answers[`let-${loads.length}`];
		loads.push(load);
		left -= answer?.how === 'litres' ? answer.litres : load;
	}
	return loads;
}

function toteSteps(setup: ToteSetup, answers: Answers): readonly RunStep[] {
	const { container, tank, tareKg, partL, emptyFirst, hoseL = 0 } = setup;
	const loadL = toteLoads(setup, answers);
	const loads = loadL.flatMap((litres, load): readonly RunStep[] => {
		const answer = answers[`let-${load}`];
		const inL = answer?.how === 'litres' ? answer.litres : litres;
		const heldL = load === 0 && !emptyFirst ? partL : 0;
		const kg = tareKg + inL + heldL;
		return [
			{ key: `level-${load}`, kind: 'stand-level', container, load },
			{
				key: `let-${load}`,
				kind: 'let-in',
				container,
				tank,
				litres,
				standsAtL: Math.max(0, heldL + litres - hoseL),
				load,
				last: load === loadL.length - 1 && answer?.how !== 'litres'
			},
			...(hoseL > 0 ? [{ key: `lift-${load}`, kind: 'lift-hose', container, load } as const] : []),
			{ key: `away-${load}`, kind: 'take-away', container, kg, load }
		];
	});
	return [
		...(emptyFirst
			? [{ key: 'away-first', kind: 'take-away', container, kg: tareKg + partL, load: -1 } as const]
			: []),
		...loads,
		{ key: 'hands', kind: 'wash-hands' }
	];
}

const carrySteps = ({ trips, tareKg, by }: CarrySetup): readonly RunStep[] =>
	trips.flatMap((litres, trip): readonly RunStep[] => {
		const kg = tareKg + Math.max(0, ...litres);
		return [
			...(by.kind === 'bottles'
				? []
				: [{ key: `jugs-${trip}`, kind: 'fill-jugs', litres, kg, trip } as const]),
			{ key: `pour-${trip}`, kind: 'pour', litres, kg, trip }
		];
	});

/**
 * The steps of a run, in order: they follow from what was set up alone; only the loads that are left of a tote go by what was
 * let in before.
 */
export function stepsOf(setup: Setup, answers: Answers = {}): readonly RunStep[] {
	switch (setup.kind) {
		case 'fill':
			return fillSteps(setup);
		case 'dump':
			return dumpSteps(setup, answers);
		case 'tote':
			return toteSteps(setup, answers);
		case 'carry':
			return carrySteps(setup);
	}
}

/** The step that a run stands at: the first that is not answered; nothing when it is over. */
export const currentStep = ({ setup, answers, ended }: Run): RunStep | undefined =>
	ended ? undefined : stepsOf(setup, answers).find(({ key }) => answers[key] === undefined);
