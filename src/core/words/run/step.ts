import type { Rig } from '../../logbook/index.js';
import {
	counterSetting,
	markOf,
	stepsOf,
	type Run,
	type Setup,
	type Source,
	type RunStep
} from '../../runs/index.js';
import { tankById } from '../../rig/index.js';
import {
	formatHours,
	formatLitres,
	formatQuantity,
	unitsOfMeter,
	type UnitChoice
} from '../../units/index.js';
import { listed } from '../list.js';
import { sayDumpStep } from './dump.js';
import { sayLoadOf, sayMass } from './mass.js';
import { bigLitres, nameOf, containerOf, type About, type StepWords } from './stepWords.js';
import { sayToteStep } from './tote.js';

const MINUTES = 60;

/** What a meter shows, to a tenth of its unit. */
export const sayShown = (shows: number): string => shows.toFixed(1);

/** Minutes that one waits beside a tap: `3 min`, `less than a minute`. */
export const sayMinutes = (minutes: number): string =>
	minutes < 1 ? 'less than a minute' : formatHours(minutes / MINUTES);

/** How long some litres take at a flow: `3½ min at 12 L/min`. */
export function sayFlowTime(litres: number, flowLpm: number, units: UnitChoice): string {
	return `${sayMinutes(litres / flowLpm)} at ${formatLitres(flowLpm, units)} a minute`;
}

function sayConnect({ rig, run }: About, step: RunStep & { kind: 'connect' }): StepWords {
	const source: Source = run.setup.kind === 'fill' ? run.setup.source : {};
	const drinking =
		source.potable === true
			? 'Use a drinking-water hose, and only where a sign or a person says it is drinking water.'
			: source.potable === false
				? 'Marked not for drinking: wash only, unless your health authority advises otherwise.'
				: 'Is it drinking water? Look for the sign, or ask, before you open the tap.';
	const name = nameOf(rig, step.tank);
	const boat = rig.kind === 'boat' && tankById(rig, step.tank)?.portable !== true;
	const pressure = boat
		? 'Use a regulator. Shut the tap on the dock when you leave: a burst hose can sink a boat.'
		: 'Use a regulator, against burst pipes.';
	return {
		does: step.pressure
			? `Regulator at the tap, hose to ${name}, vent open.`
			: boat
				? `Read the deck cap twice: WATER. Hose into ${name}, vent open.`
				: `Hose into ${name}, vent open.`,
		tells: [
			...(boat && !step.pressure
				? ['Rinse salt and bird dirt off the cap first. Keep the hose’s end out of the harbour.']
				: []),
			'Let the tap run a moment first.'
		],
		caution: step.pressure ? `${drinking} ${pressure}` : drinking,
		done: 'Ready'
	};
}

function sayFillTo(about: About, step: RunStep & { kind: 'fill-to' }): StepWords {
	const { rig, run, units } = about;
	const { takeL, leavesL, levelL, tank, toFull, roomL } = step.of;
	const name = nameOf(rig, tank);
	const mark = markOf(rig, run, step.part);
	const flow = run.setup.kind === 'fill' ? run.setup.flowLpm : undefined;
	const overflows =
		mark?.overflow === undefined || toFull ? undefined : `It overflows at about ${sayShown(mark.overflow)}.`;
	const stopped = mark && mark.stop === undefined;
	return {
		does: toFull ? `Fill ${name} to the brim.` : `Fill ${name} with ${formatLitres(takeL, units)}.`,
		figure:
			mark?.stop === undefined
				? {
						says: toFull ? `Until it comes back, about` : `Into ${name}`,
						...bigLitres(takeL, units)
					}
				: {
						says: toFull
							? `Until it comes back: ${mark.meter.name} at about`
							: `Stop when ${mark.meter.name} shows`,
						value: sayShown(mark.stop)
					},
		tells: [
			...(mark ? [`It started at ${sayShown(mark.from)}, in ${unitsOfMeter(mark.meter.unitL)}.`] : []),
			...(stopped ? ['The counter stops at 0 before that: set it again first, or count jugs.'] : []),
			...(flow && takeL > 0 ? [`About ${sayFlowTime(takeL, flow, units)}.`] : []),
			...(overflows ? [overflows] : []),
			...(toFull ? [`Room for ${formatLitres(roomL.p10, units)} to ${formatLitres(roomL.p90, units)}.`] : []),
			`${formatLitres(levelL, units)} now, ${formatLitres(leavesL, units)} after: ${sayMass(takeL, units)} heavier.`
		],
		caution: 'Stay beside it, vent open: an overfull tank floods.',
		done: toFull
			? 'It is full'
			: mark?.stop === undefined
				? `Done, ${formatLitres(takeL, units)} is in`
				: `Done, it shows ${sayShown(mark.stop)}`,
		other: toFull ? 'Stopped before that' : 'Enter another figure'
	};
}

/** What one does at a step, its figure, its caution, and what its buttons say. */
export function sayStep(step: RunStep, about: About): StepWords {
	const { rig, run, units } = about;
	const litres = (l: number): string => formatLitres(l, units);
	switch (step.kind) {
		case 'connect':
			return sayConnect(about, step);
		case 'fill-to':
			return sayFillTo(about, step);
		case 'shut-tap':
			return { does: 'Shut the tap, then the inlet.', tells: [], done: 'Shut' };
		case 'set-counter': {
			const meter = rig.instruments.find(({ id }) => id === step.meter);
			const value = counterSetting(rig, run, step.meter) ?? 0;
			const beeps =
				meter?.kind === 'meter' && meter.alarmAt !== undefined
					? [`It beeps at ${meter.alarmAt} by itself.`]
					: [];
			return {
				does: `Set ${meter?.name ?? 'the counter'}.`,
				figure: { says: `Set ${meter?.name ?? 'the counter'} to`, value: String(value) },
				tells: ['That much can be drawn before the reserve.', ...beeps],
				done: `It is set to ${value}`,
				other: 'Enter another figure'
			};
		}
		case 'prepare':
		case 'attach':
		case 'open-vent':
		case 'empty':
		case 'raise-hose':
		case 'backflush':
		case 'lower-hose':
		case 'rinse':
		case 'rinse-hose':
		case 'detach':
		case 'treat':
			return sayDumpStep(step, about);
		case 'wash-hands':
			return { does: 'Wash your hands.', tells: [], done: 'Hands washed' };
		case 'stand-level':
		case 'let-in':
		case 'lift-hose':
		case 'take-away':
			return sayToteStep(step, about);
		case 'fill-jugs': {
			const lift = sayLoadOf(step.kg, units);
			return {
				does: `Fill ${step.litres.length === 1 ? 'one' : String(step.litres.length)}: ${listed(step.litres.map(litres))}.`,
				tells: [`Up to ${sayMass(step.kg, units)} each.`],
				...(lift === undefined ? {} : { caution: lift }),
				done: step.litres.length === 1 ? 'It is full' : 'They are full'
			};
		}
		case 'pour':
			return sayPour(about, step);
	}
}

function sayPour({ rig, run, units }: About, step: RunStep & { kind: 'pour' }): StepWords {
	const setup = run.setup.kind === 'carry' ? run.setup : undefined;
	const name = nameOf(rig, setup?.into ?? '');
	const all = step.litres.reduce((sum, one) => sum + one, 0);
	const bottles = setup?.by.kind === 'bottles';
	const lift = bottles ? undefined : sayLoadOf(step.kg, units);
	return {
		does: bottles
			? `${formatLitres(all, units)} from bottles into ${name}.`
			: `${formatLitres(all, units)} into ${name}, ${setup?.how === 'pump' ? 'by the pump' : 'by gravity'}.`,
		tells: [
			setup?.how === 'pump'
				? 'Use a clean hose for drinking water.'
				: 'Hold the jug higher than the inlet, and let air in.'
		],
		...(lift === undefined ? {} : { caution: lift }),
		done: 'It is in',
		other: 'Enter another figure'
	};
}

/** What a run is about, as it stands over its steps: `Fill Main`, `Grey into Grey tote`. */
export function sayRun(setup: Setup, rig: Rig, placeName?: string): string {
	switch (setup.kind) {
		case 'fill':
			return `Fill ${listed(setup.parts.map(({ tank }) => nameOf(rig, tank)))}${placeName ? ` at ${placeName}` : ''}`;
		case 'dump':
			return `Dump ${listed([...new Set(setup.order.flatMap(({ tank }) => (tank ? [nameOf(rig, tank)] : [])))])}${placeName ? ` at ${placeName}` : ''}`;
		case 'tote':
			return `${nameOf(rig, setup.tank)} into ${containerOf(rig, setup.container)}`;
		case 'carry':
			return `Water into ${nameOf(rig, setup.into)}`;
	}
}

/** How far a run is: `3 of 5`, `load 1 of 2`. */
export function sayProgress(run: Run, step: RunStep): string {
	const { setup, answers } = run;
	const steps = stepsOf(setup, answers);
	if (setup.kind === 'tote' && 'load' in step && step.load >= 0)
		return `load ${step.load + 1} of ${steps.filter(({ kind }) => kind === 'let-in').length}`;
	if (setup.kind === 'carry' && 'trip' in step) return `trip ${step.trip + 1} of ${setup.trips.length}`;
	return `${steps.findIndex(({ key }) => key === step.key) + 1} of ${steps.length}`;
}

/** What water weighs beside what is left of the payload: one litre, one kilogram. */
export const sayPayloadLeft = (leftKg: number, takeKg: number, units: UnitChoice): string =>
	takeKg > leftKg
		? `${formatQuantity(takeKg, 'mass', units)} is ${formatQuantity(takeKg - leftKg, 'mass', units)} more than the payload leaves. Take less, or leave something behind.`
		: `That leaves ${formatQuantity(leftKg - takeKg, 'mass', units)} of the payload.`;
