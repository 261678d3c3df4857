import type { Happening, Rig } from '../../logbook/index.js';
import { chargeOf, emptyOf, tankById } from '../../rig/index.js';
import { passedBetween } from '../fill/index.js';
import { asRead, counterSetting, markOf } from './figures.js';
import type { StepAnswer, CarrySetup, FillSetup, Run, Source } from './run.js';
import { stepsOf, type RunStep } from './steps.js';

/** An entry that a step writes; its key is the same on every phone that follows the run. */
export interface Written {
	readonly key: string;
	readonly happening: Happening;
}

const litresWritten = (litres: number): number => Number(litres.toFixed(2));

/**
 * A fill that a meter's readings tell the litres of says them only roughly itself: one observation counted as two would make
 * the level surer than it is.
 */
const roughly = (litres: number): number => Math.max(1, litresWritten(0.1 * litres));
/** Litres told by the sight of a container or of a flow, one deviation, as a share. */
const BY_SIGHT = 0.1;
/** What of grey is let back is told by nothing. */
const BACKFLUSHED = 0.4;

const sourceOf = ({ point, potable }: Source) => ({
	...(point === undefined ? {} : { point }),
	...(potable === undefined ? {} : { potable })
});

function begun(setup: FillSetup): readonly Written[] {
	const { meter, parts } = setup;
	const first = parts[0];
	if (!meter || !first || meter.since === 'as-logged') return [];
	const unwritten =
		meter.since === 'unwritten' && meter.passedL !== undefined
			? [
					{
						key: 'before',
						happening: {
							kind: 'fill',
							tank: first.tank,
							litres: litresWritten(meter.passedL),
							sdL: roughly(meter.passedL),
							source: 'run'
						}
					} as const
				]
			: [];
	const reading: Happening = {
		kind: 'reading',
		instrument: meter.id,
		value: meter.reads,
		...(meter.since === 'elsewhere' ? { reset: true as const } : {}),
		source: 'run'
	};
	return [...unwritten, { key: 'begins', happening: reading }];
}

function filled(
	rig: Rig,
	run: Run,
	setup: FillSetup,
	step: RunStep & { kind: 'fill-to' },
	answer: StepAnswer
): readonly Written[] {
	const { tank, takeL } = step.of;
	const mark = markOf(rig, run, step.part);
	const shows =
		answer.how === 'done'
			? mark?.stop
			: answer.how === 'figure' || answer.how === 'full'
				? answer.shows
				: undefined;
	const passed = mark && shows !== undefined ? passedBetween(mark.meter, mark.from, shows) : undefined;
	const metered = passed?.kind === 'litres' ? passed.litres : undefined;
	const told = answer.how === 'litres' ? answer.litres : answer.how === 'done' ? takeL : undefined;
	const litres = metered ?? told;
	const fill: Happening = {
		kind: 'fill',
		tank,
		...(litres === undefined ? {} : { litres: litresWritten(litres) }),
		...(metered === undefined ? {} : { sdL: roughly(metered) }),
		...(answer.how === 'full' ? { to: 'full' as const } : {}),
		...sourceOf(setup.source),
		source: 'run'
	};
	if (!mark || shows === undefined) return [{ key: step.key, happening: fill }];
	const reading: Happening = {
		kind: 'reading',
		instrument: mark.meter.id,
		value: asRead(shows),
		// The meter is the tank's: what went elsewhere through the same hose is not to be looked for in it.
		...(mark.meter.tank === tank ? {} : { reset: true as const }),
		source: 'run'
	};
	return [
		{ key: step.key, happening: fill },
		{ key: `${step.key}-meter`, happening: reading }
	];
}

function poured(setup: CarrySetup, step: RunStep & { kind: 'pour' }, answer: StepAnswer): readonly Written[] {
	const { by, into, source } = setup;
	const all = step.litres.reduce((sum, one) => sum + one, 0);
	const litres = answer.how === 'litres' ? answer.litres : all;
	if (by.kind !== 'jugs')
		return [
			{
				key: step.key,
				happening: {
					kind: 'fill',
					tank: into,
					litres: litresWritten(litres),
					...sourceOf(source),
					source: 'run'
				}
			}
		];
	return step.litres.map((_, i) => ({
		key: `${step.key}-${i}`,
		happening: {
			kind: 'transfer',
			fromTank: by.ids[i] ?? '',
			toTank: into,
			...(answer.how === 'litres'
				? { litres: litresWritten(answer.litres / step.litres.length) }
				: { until: 'from-empty' as const }),
			source: 'run'
		}
	}));
}

/** The tank that a black tank is flushed from. */
function flushTank(rig: Rig, black: string): string | undefined {
	const flushed = rig.outlets.find(({ to, retired }) => to === black && !retired);
	// The sea, or a flush tank of its own, is no tank of the rig.
	return flushed
		? tankById(rig, flushed.from)?.id
		: rig.tanks.find(({ holds, retired }) => holds === 'fresh' && !retired)?.id;
}

/** What is put back is a step of its own in a run: of a rig whose dumps leave it in the tank, only the rest is said to stay. */
function withoutCharge(rig: Rig, id: string, answer: StepAnswer): { readonly leftL?: number } {
	const tank = tankById(rig, id);
	return answer.how !== 'litres' && tank && chargeOf(tank) > 0 ? { leftL: emptyOf(tank) } : {};
}

/** What a step writes when it is answered so; nothing for what leaves no trace in a tank, and for what was passed over. */
export function entriesOf(rig: Rig, run: Run, step: RunStep, answer: StepAnswer): readonly Written[] {
	const { setup } = run;
	if (answer.how === 'skipped') return [];
	switch (step.kind) {
		case 'connect':
			return setup.kind === 'fill' ? begun(setup) : [];
		case 'fill-to':
			return setup.kind === 'fill' ? filled(rig, run, setup, step, answer) : [];
		case 'set-counter': {
			const value = answer.how === 'figure' ? answer.shows : counterSetting(rig, run, step.meter);
			return value === undefined
				? []
				: [
						{
							key: step.key,
							happening: { kind: 'reading', instrument: step.meter, value, reset: true, source: 'run' }
						}
					];
		}
		case 'empty': {
			const where = setup.kind === 'dump' ? setup.where : undefined;
			return [
				{
					key: step.key,
					happening: {
						kind: 'dump',
						tank: step.tank,
						...(answer.how === 'litres'
							? { litres: litresWritten(answer.litres) }
							: { to: 'empty' as const }),
						...(answer.how === 'not-quite'
							? { leftL: litresWritten(answer.leftL) }
							: withoutCharge(rig, step.tank, answer)),
						...(where === undefined ? {} : { where }),
						source: 'run'
					}
				}
			];
		}
		case 'backflush':
			return [
				{
					key: step.key,
					happening: {
						kind: 'transfer',
						fromTank: step.from,
						toTank: step.tank,
						litres: litresWritten(step.litres),
						sdL: litresWritten(BACKFLUSHED * step.litres),
						source: 'run'
					}
				}
			];
		case 'treat': {
			const litres = litresWritten(answer.how === 'litres' ? answer.litres : step.litres);
			if (litres === 0) return [];
			const from = answer.how === 'from-elsewhere' ? undefined : flushTank(rig, step.tank);
			return [
				{
					key: step.key,
					happening:
						from === undefined
							? { kind: 'fill', tank: step.tank, litres, source: 'run' }
							: { kind: 'transfer', fromTank: from, toTank: step.tank, litres, source: 'run' }
				}
			];
		}
		case 'let-in': {
			const litres = answer.how === 'litres' ? answer.litres : step.litres;
			const dry = step.last && answer.how === 'done';
			return [
				{
					key: step.key,
					happening: {
						kind: 'dump',
						tank: step.tank,
						where: step.container,
						...(dry
							? { to: 'empty' as const }
							: { litres: litresWritten(litres), sdL: litresWritten(Math.max(1, BY_SIGHT * litres)) }),
						source: 'run'
					}
				}
			];
		}
		case 'fill-jugs':
			return setup.kind === 'carry' && setup.by.kind === 'jugs'
				? setup.by.ids.slice(0, step.litres.length).map((tank, i) => ({
						key: `${step.key}-${i}`,
						happening: {
							kind: 'fill',
							tank,
							to: 'full',
							...sourceOf(setup.source),
							source: 'run'
						}
					}))
				: [];
		case 'pour':
			return setup.kind === 'carry' ? poured(setup, step, answer) : [];
		case 'shut-tap':
		case 'prepare':
		case 'attach':
		case 'open-vent':
		case 'raise-hose':
		case 'lower-hose':
		case 'rinse':
		case 'rinse-hose':
		case 'detach':
		case 'wash-hands':
		case 'stand-level':
		case 'lift-hose':
		case 'take-away':
			return [];
	}
}

/** Everything that a run has written so far, in the order of its steps. */
export const allEntriesOf = (rig: Rig, run: Run): readonly (Written & { readonly step: string })[] =>
	stepsOf(run.setup, run.answers).flatMap((step) => {
		const answer = run.answers[step.key];
		return answer ? entriesOf(rig, run, step, answer).map((one) => ({ ...one, step: step.key })) : [];
	});

/** Every key under which a step may have written, however it was answered. */
export const keysOf = (step: RunStep): readonly string[] => [
	step.key,
	...(step.kind === 'connect' ? ['before', 'begins'] : []),
	...(step.kind === 'fill-to' ? [`${step.key}-meter`] : []),
	...(step.kind === 'fill-jugs' || step.kind === 'pour' ? step.litres.map((_, i) => `${step.key}-${i}`) : [])
];
