import type { Rig, Tank } from '../../logbook/index.js';
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
import { listed, midSentence } from '../list.js';
import { sayLoadOf, sayMass } from './mass.js';

/** A figure to watch, in large type. */
export interface SaidFigure {
	readonly says: string;
	readonly value: string;
	readonly unit?: string;
}

/** A step in words. */
export interface StepWords {
	/** what to do, as it stands in the list */
	readonly does: string;
	readonly figure?: SaidFigure;
	/** what else is good to know at this step */
	readonly tells: readonly string[];
	readonly caution?: string;
	/** the button that ticks it */
	readonly done: string;
	/** the button for what went otherwise */
	readonly other?: string;
}

interface About {
	readonly rig: Rig;
	readonly run: Run;
	readonly units: UnitChoice;
}

/** A waste hose of 75 mm lets about so much through, litres a minute. */
const DRAIN_LPM = 15;
const MINUTES = 60;

/** How long some litres run out. */
const drainTime = (litres: number): string => sayMinutes(litres / DRAIN_LPM);

const nameOf = (rig: Rig, id: string): string => tankById(rig, id)?.name ?? id;
const containerOf = (rig: Rig, id: string): string =>
	rig.containers.find((one) => one.id === id)?.name ?? 'the container';

/** What a meter shows, to a tenth of its unit. */
export const sayShown = (shows: number): string => shows.toFixed(1);

/** Minutes that one waits beside a tap: `3 min`, `less than a minute`. */
export const sayMinutes = (minutes: number): string =>
	minutes < 1 ? 'less than a minute' : formatHours(minutes / MINUTES);

/** How long some litres take at a flow: `3½ min at 12 L/min`. */
export function sayFlowTime(litres: number, flowLpm: number, units: UnitChoice): string {
	return `${sayMinutes(litres / flowLpm)} at ${formatLitres(flowLpm, units)} a minute`;
}

/** Litres in large type, their unit beside them. */
function bigLitres(litres: number, units: UnitChoice): Pick<SaidFigure, 'value' | 'unit'> {
	const [value = '', ...unit] = formatLitres(litres, units).split(/\s/u);
	return { value, unit: unit.join(' ') };
}

const DRAINS: Readonly<Record<string, string>> = {
	ground: 'Grey on the ground: only where local rules allow it; they differ. Never black.',
	overboard: 'Overboard: only where the rules of these waters allow it; they differ.',
	sewer: 'Into a sewer connection meant for it; local rules come first.'
};
const DESIGNATED = 'Only at a place meant for it; local rules come first.';

function sayConnect({ rig, run }: About, step: RunStep & { kind: 'connect' }): StepWords {
	const source: Source = run.setup.kind === 'fill' ? run.setup.source : {};
	const drinking =
		source.potable === true
			? 'A drinking-water hose, and a sign or a person that calls it drinking water.'
			: source.potable === false
				? 'Nobody calls this drinking water: it is written down so. Boil or filter as your health authority says, or wash with it only.'
				: 'Is it drinking water? Look for the sign, or ask, before you open the tap.';
	return {
		does: step.pressure
			? `Regulator at the tap, hose to ${nameOf(rig, step.tank)}, vent open.`
			: `Hose into ${nameOf(rig, step.tank)}, vent open.`,
		tells: ['Let the tap run a moment first.'],
		caution: step.pressure ? `${drinking} A regulator, against burst pipes.` : drinking,
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
						says: toFull ? `Until it comes back, about` : `Into ${name} go`,
						...bigLitres(takeL, units)
					}
				: {
						says: toFull
							? `Until it comes back: the ${midSentence(mark.meter.name)} at about`
							: `Stop when the ${midSentence(mark.meter.name)} shows`,
						value: sayShown(mark.stop)
					},
		tells: [
			...(mark ? [`It began at ${sayShown(mark.from)}, in ${unitsOfMeter(mark.meter.unitL)}.`] : []),
			...(stopped ? ['The counter stops at 0 before that: set it anew first, or count jugs.'] : []),
			...(flow && takeL > 0 ? [`About ${sayFlowTime(takeL, flow, units)}.`] : []),
			...(overflows ? [overflows] : []),
			...(toFull ? [`Room for ${formatLitres(roomL.p10, units)} to ${formatLitres(roomL.p90, units)}.`] : []),
			`Then ${formatLitres(leavesL, units)} aboard, now ${formatLitres(levelL, units)}: ${sayMass(takeL, units)} more to carry.`
		],
		caution: 'Stay beside it, vent open: an overfull tank floods.',
		done: toFull
			? 'It is full'
			: mark?.stop === undefined
				? `Done, ${formatLitres(takeL, units)} are in`
				: `Done, it shows ${sayShown(mark.stop)}`,
		other: toFull ? 'Stopped before that' : 'It was different'
	};
}

const isPumped = ({ setup }: Run): boolean => setup.kind === 'dump' && setup.pumped === true;

function sayEmpty({ rig, run, units }: About, step: RunStep & { kind: 'empty' }): StepWords {
	const tank = tankById(rig, step.tank);
	const name = tank?.name ?? step.tank;
	const byHand = tank?.portable === true;
	const where = run.setup.kind === 'dump' ? run.setup.where : undefined;
	const rest = tank?.residualL ?? 0;
	return {
		does: byHand
			? `${name}: carry it, pour it out slowly.`
			: isPumped(run)
				? `${name}: pumped, until it sucks air.`
				: `${name} valve open, until it runs dry.`,
		tells: [
			byHand
				? `About ${formatLitres(step.litres, units)}, ${sayMass(step.litres + (tank?.tareKg ?? 0), units)} to carry.`
				: `${formatLitres(step.litres, units)} will run, about ${drainTime(step.litres)}.`,
			...(rest > 0 && !byHand
				? [`Lean towards the drain, if you can: ${formatLitres(rest, units)} stay else.`]
				: [])
		],
		caution: byHand
			? `${sayLoadOf(step.litres + (tank?.tareKg ?? 0), units) ?? 'Both hands, cap towards the drain.'} ${DESIGNATED}`
			: (DRAINS[where ?? ''] ?? DESIGNATED),
		done: byHand ? 'It is poured out' : isPumped(run) ? 'It sucks air' : 'It runs dry',
		other: 'Not quite empty'
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
					? [`It warns at ${meter.alarmAt} by itself.`]
					: [];
			return {
				does: `Set the ${midSentence(meter?.name ?? 'counter')}.`,
				figure: { says: `Set the ${midSentence(meter?.name ?? 'counter')} to`, value: String(value) },
				tells: ['What may be drawn until the reserve.', ...beeps],
				done: `It is set to ${value}`,
				other: 'It was different'
			};
		}
		case 'open-vent':
			return {
				does: `Gloves on. ${step.tanks.every((id) => tankById(rig, id)?.portable) ? 'Its vent open.' : isPumped(run) ? 'The pump-out’s hose on the fitting, vent open.' : 'Hose to the drain, vent open, rig level.'}`,
				tells: [],
				caution: DRAINS[run.setup.kind === 'dump' ? (run.setup.where ?? '') : ''] ?? DESIGNATED,
				done: 'Ready'
			};
		case 'empty':
			return sayEmpty(about, step);
		case 'backflush':
			return {
				does: `Shut ${midSentence(nameOf(rig, step.tank))}, let ${litres(step.litres)} of ${midSentence(nameOf(rig, step.from))} run back into it.`,
				tells: [
					`Cap on the outlet, ${midSentence(nameOf(rig, step.from))} valve open, ${midSentence(nameOf(rig, step.tank))} valve open; then shut both.`
				],
				caution: 'Watch the toilet: stop before it stands in the bowl.',
				done: 'It has run back',
				other: 'Leave it out'
			};
		case 'rinse':
			return {
				does: tankById(rig, step.tank)?.portable
					? `Rinse ${midSentence(nameOf(rig, step.tank))} twice.`
					: `Rinse ${midSentence(nameOf(rig, step.tank))} and the hose.`,
				tells: [],
				caution: 'Not with the drinking-water hose, nor from the drinking-water tap.',
				done: 'Rinsed',
				other: 'Leave it out'
			};
		case 'cap':
			return isPumped(run)
				? { does: 'Hose off, cap on.', tells: [], done: 'Capped' }
				: { does: 'Shut the valve, then the cap.', tells: [], done: 'Shut and capped' };
		case 'treat':
			return {
				does: `${litres(step.litres)} of water and its dose back into ${midSentence(nameOf(rig, step.tank))}.`,
				tells: ['Never leave it dry. The jug of cold start water counts.'],
				caution: 'Follow the label; never mix products.',
				done: 'Done, from the tank',
				other: 'From a jug or the tap'
			};
		case 'wash-hands':
			return { does: 'Wash hands.', tells: [], done: 'Hands washed' };
		case 'stand-level':
			return {
				does: `${containerOf(rig, step.container)} level, its vent open.`,
				tells: [],
				caution: 'Gloves on, hose in, and held.',
				done: 'It stands level'
			};
		case 'let-in':
			return sayLetIn(about, step);
		case 'lift-hose':
			return {
				does: 'Lift the hose, bit by bit, until it is empty.',
				tells: [],
				done: 'It is empty'
			};
		case 'take-away':
			return {
				does:
					step.load < 0
						? `Empty ${midSentence(containerOf(rig, step.container))} first: nothing more fits.`
						: `Cap on. ${sayMass(step.kg, units)}: take it away, empty and rinse it.`,
				tells: [],
				caution: `Towing or carrying: lid tight, strap, slow, look behind. ${DESIGNATED}`,
				done: 'It is back, empty'
			};
		case 'fill-jugs': {
			const lift = sayLoadOf(step.kg, units);
			return {
				does: `Fill ${step.litres.length === 1 ? 'one' : String(step.litres.length)}: ${listed(step.litres.map(litres))}.`,
				tells: [`${sayMass(step.kg, units)} each at the most.`],
				...(lift === undefined ? {} : { caution: lift }),
				done: step.litres.length === 1 ? 'It is full' : 'They are full'
			};
		}
		case 'pour':
			return sayPour(about, step);
	}
}

const NO_TOTE = { keepFreeL: 0, capacityL: 0, partL: 0, emptyFirst: false };

function sayLetIn({ rig, run, units }: About, step: RunStep & { kind: 'let-in' }): StepWords {
	const { keepFreeL, capacityL, partL, emptyFirst } = run.setup.kind === 'tote' ? run.setup : NO_TOTE;
	const mostL = capacityL - keepFreeL - (step.load === 0 && !emptyFirst ? partL : 0);
	const name = nameOf(rig, step.tank);
	return {
		does: step.last
			? `Open ${midSentence(name)} until it runs dry. About ${drainTime(step.litres)}.`
			: `Open ${midSentence(name)}. About ${drainTime(step.litres)}.`,
		figure: {
			says: step.last ? 'It should run dry after' : 'Shut the valve after',
			...bigLitres(step.litres, units)
		},
		tells: [
			`${containerOf(rig, step.container)} takes ${formatLitres(capacityL, units)}; ${formatLitres(keepFreeL, units)} of it stay free for what the hose still holds.`,
			...(step.last ? [`Shut it at ${formatLitres(mostL, units)} at the latest, dry or not.`] : [])
		],
		caution: 'Watch its mark, not the clock: never let in more than it takes.',
		done: step.last ? 'It runs dry' : 'It is shut',
		other: 'It was different'
	};
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
				? 'The pump needs power; its hose clean, for drinking water.'
				: 'The jug higher than the inlet, and air let in.'
		],
		...(lift === undefined ? {} : { caution: lift }),
		done: 'It is in',
		other: 'It was different'
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
			return `${nameOf(rig, setup.tank)} into ${midSentence(containerOf(rig, setup.container))}`;
		case 'carry':
			return `Water into ${nameOf(rig, setup.into)}`;
	}
}

/** The one thing to keep in mind over a whole run; nothing where its steps say it all. */
export function sayRule(setup: Setup, rig: Rig): string | undefined {
	if (setup.kind !== 'dump') return undefined;
	const holds = (kind: Tank['holds']): boolean =>
		setup.order.some((step) => step.do === 'empty' && tankById(rig, step.tank ?? '')?.holds === kind);
	if (holds('black') && holds('grey')) return 'Black first, grey last, so that the hose ends rinsed.';
	return holds('black') ? 'Pour, rinse, and never leave it dry.' : 'Open it, let it run dry, shut it.';
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
		? `${formatQuantity(takeKg, 'mass', units)} are ${formatQuantity(takeKg - leftKg, 'mass', units)} more than the payload leaves. Take less, or leave something behind.`
		: `Of the payload ${formatQuantity(leftKg - takeKg, 'mass', units)} are left then.`;
