import { MOST_LOADS } from '../../rig/index.js';
import type { CarrySetup, DumpSetup, FillPart, FillSetup, Run, Setup, ToteSetup } from './run.js';

type Answers = Run['answers'];

/** One thing to do, with its figures. `key` names it within its run, whatever is answered. */
export type RunStep = { readonly key: string } & (
	| { readonly kind: 'connect'; readonly tank: string; readonly pressure: boolean }
	| { readonly kind: 'fill-to'; readonly part: number; readonly of: FillPart }
	| { readonly kind: 'shut-tap' }
	| { readonly kind: 'set-counter'; readonly meter: string; readonly tank: string }
	| { readonly kind: 'open-vent'; readonly tanks: readonly string[] }
	| { readonly kind: 'empty'; readonly tank: string; readonly litres: number }
	| { readonly kind: 'backflush'; readonly tank: string; readonly from: string; readonly litres: number }
	| { readonly kind: 'rinse'; readonly tank: string }
	| { readonly kind: 'cap' }
	| { readonly kind: 'treat'; readonly tank: string; readonly litres: number }
	| { readonly kind: 'wash-hands' }
	| { readonly kind: 'stand-level'; readonly container: string; readonly load: number }
	| {
			readonly kind: 'let-in';
			readonly container: string;
			readonly tank: string;
			readonly litres: number;
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

function dumpSteps({ order, flushedFrom = '' }: DumpSetup): readonly RunStep[] {
	const tanks = [...new Set(order.flatMap(({ tank }) => tank ?? []))];
	const steps = order.map(({ do: act, tank = '', litres = 0 }, i): RunStep => {
		const key = `${i}-${act}`;
		switch (act) {
			case 'open-vent':
				return { key, kind: act, tanks };
			case 'empty':
			case 'treat':
				return { key, kind: act, tank, litres };
			case 'backflush':
				return { key, kind: act, tank, from: flushedFrom, litres };
			case 'rinse':
				return { key, kind: act, tank };
			case 'cap':
				return { key, kind: act };
		}
	});
	return [...steps, { key: 'hands', kind: 'wash-hands' }];
}

/** Less than this is no load, litres. */
const NO_LOAD = 0.05;

/**
 * The loads of a tote: each as much as fits, by what the ones before it let in, so that the last never holds more than fits
 * because an earlier one was smaller.
 */
function toteLoads(
	{ litres, capacityL, keepFreeL, partL, emptyFirst }: ToteSetup,
	answers: Answers
): readonly number[] {
	const fits = capacityL - keepFreeL;
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
	const { container, tank, tareKg, partL, emptyFirst } = setup;
	const loadL = toteLoads(setup, answers);
	const loads = loadL.flatMap((litres, load): readonly RunStep[] => {
		const answer = answers[`let-${load}`];
		const inL = answer?.how === 'litres' ? answer.litres : litres;
		const kg = tareKg + inL + (load === 0 && !emptyFirst ? partL : 0);
		return [
			{ key: `level-${load}`, kind: 'stand-level', container, load },
			{
				key: `let-${load}`,
				kind: 'let-in',
				container,
				tank,
				litres,
				load,
				last: load === loadL.length - 1 && answer?.how !== 'litres'
			},
			{ key: `lift-${load}`, kind: 'lift-hose', container, load },
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
			return dumpSteps(setup);
		case 'tote':
			return toteSteps(setup, answers);
		case 'carry':
			return carrySteps(setup);
	}
}

/** The step that a run stands at: the first that is not answered; nothing when it is over. */
export const currentStep = ({ setup, answers, ended }: Run): RunStep | undefined =>
	ended ? undefined : stepsOf(setup, answers).find(({ key }) => answers[key] === undefined);
