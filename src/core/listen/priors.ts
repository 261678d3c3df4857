import type { Habit, Meter, Rig } from '../logbook/index.js';
import type { NormalInverseGamma } from '../numerics/index.js';
import { litresByRecipe, passesMeter, usualTimesPerDay } from '../rig/index.js';
import { HOURS, OPENINGS, type Manner } from './manner.js';

/** A figure that people state: its logarithm's sd, and how soon what is seen overrides it. */
const FLOW_SD = { known: 0.2, unknown: 0.5 };
const USUAL_LPM = 4.5;
/** The scatter of litres from time to time, at least, as a logarithm's sd. */
const LEAST_SCATTER = 0.12;
/** Seconds between two openings for one use. */
const PAUSE_S = 18;
const PAUSE_SD = 0.85;
/** How often the tap is opened for one use: for little, and for much; counts that weigh as two uses seen. */
const FOR_LITTLE = [0.72, 0.18, 0.05, 0.02, 0.01, 0.01, 0.01];
const FOR_MUCH = [0.26, 0.17, 0.15, 0.13, 0.14, 0.1, 0.05];
const LITTLE_L = 2;
/** People sleep from eleven to six: the hours of the night count so much of one by day. */
const NIGHT = 0.15;
const isNight = (hour: number): boolean => hour >= 23 || hour < 6;
const HOURS_WEIGH = 6;
/** A cadence that is stated weighs as so many days. */
const CADENCE_DAYS = 1.5;

const dayHours = (weight: number): readonly number[] => {
	const shape = Array.from({ length: HOURS }, (_, hour) => (isNight(hour) ? NIGHT : 1));
	const all = shape.reduce((sum, one) => sum + one, 0);
	return shape.map((one) => (weight * one) / all);
};

const figure = (value: number, sd: number, meanCount: number, degrees = 4): NormalInverseGamma => ({
	mean: Math.log(value),
	meanCount,
	degrees,
	variance: sd ** 2
});

/** A habit that a meter hears, and how it is done as far as the rig says. */
export interface HeardHabit {
	readonly habit: Habit;
	readonly manner: Manner;
}

const flowOf = (rig: Rig, { recipe, outlet }: Habit): number | undefined =>
	recipe?.flowLpm ?? rig.outlets.find(({ id }) => id === outlet)?.flowLpm;

function mannerOf(rig: Rig, habit: Habit): Manner {
	const { mean, sd } = habit.litresEach;
	const litres = Math.max(mean > 0 ? mean : litresByRecipe(habit.recipe ?? {}), 0.05);
	const scatter = Math.max(LEAST_SCATTER, Math.sqrt(Math.log1p((sd / litres) ** 2)));
	const lpm = flowOf(rig, habit);
	const openings = litres < LITTLE_L ? FOR_LITTLE : FOR_MUCH;
	return {
		litres: figure(litres, 0.85 * scatter, 1.5),
		flow: lpm ? figure(lpm, FLOW_SD.known, 2) : figure(USUAL_LPM, FLOW_SD.unknown, 2),
		pause: figure(PAUSE_S, PAUSE_SD, 2),
		openings: openings.map((share) => 2 * share),
		hours: dayHours(HOURS_WEIGH),
		times: CADENCE_DAYS * Math.max(0.05, usualTimesPerDay(habit, Math.max(rig.crew, 1))),
		days: CADENCE_DAYS
	};
}

/** The habits whose water passes a meter, as far as the rig tells how they are done. */
export function heardBy(rig: Rig, meter: Meter): readonly HeardHabit[] {
	return rig.habits
		.filter(({ outlet }) => {
			const from = rig.outlets.find(({ id }) => id === outlet);
			if (!from) return false;
			return meter.place === 'mains'
				? rig.tanks.some(({ id, holds, portable }) => id === from.from && holds === 'fresh' && !portable)
				: passesMeter(from, meter);
		})
		.map((habit) => ({ habit, manner: mannerOf(rig, habit) }));
}

/** What no habit of the rig is: anything, now and then. */
export const UNNAMED: Manner = {
	litres: figure(1.2, 1.2, 20, 20),
	flow: figure(USUAL_LPM, 0.6, 20, 20),
	pause: figure(PAUSE_S, PAUSE_SD, 20, 20),
	openings: OPENINGS.map((_, i) => 20 * (FOR_LITTLE[i] ?? 0)),
	hours: dayHours(200),
	times: 2,
	days: 4
};
