import type { Rig } from '$core/logbook';
import type { StepAnswer, StopMark, RunStep } from '$core/runs';
import { emptyOf, tankById, usableOf } from '$core/rig';

/** What a person is asked for before a step is ticked: a figure of the meter, or litres. */
export interface StepQuestion {
	readonly of: 'figure' | 'litres';
	readonly label: string;
	/** it may be left empty */
	readonly optional?: boolean;
	/** what it answers */
	readonly answer: (value: number | undefined) => StepAnswer;
}

/** What a button does: answer at once, or ask first. */
export type StepChoice = { readonly answer: StepAnswer } | { readonly ask: StepQuestion };

const shown = (mark: StopMark): string => `${mark.meter.name} shows`;
const figure = (label: string): StepChoice => ({
	ask: { of: 'figure', label, answer: (shows = 0) => ({ how: 'figure', shows }) }
});
const litres = (label: string): StepChoice => ({
	ask: { of: 'litres', label, answer: (value = 0) => ({ how: 'litres', litres: value }) }
});

/** A tank is full: what the meter shows then is worth knowing, and not needed. */
const isFull = (mark: StopMark | undefined, live: number | undefined): StepChoice => {
	if (!mark) return { answer: { how: 'full' } };
	if (live !== undefined) return { answer: { how: 'full', shows: live } };
	return {
		ask: {
			of: 'figure',
			label: shown(mark),
			optional: true,
			answer: (shows) => ({ how: 'full', ...(shows === undefined ? {} : { shows }) })
		}
	};
};

/** Not quite empty is about so much of what serves, beside the usual rest. */
const NOT_QUITE = 0.06;
const leftIn = (rig: Rig, id: string): number => {
	const tank = tankById(rig, id);
	return tank ? Number((emptyOf(tank) + NOT_QUITE * usableOf(tank)).toFixed(1)) : 0;
};

/** What the big button of a step does. */
export function doneChoice(step: RunStep, mark: StopMark | undefined, live: number | undefined): StepChoice {
	if (step.kind !== 'fill-to') return { answer: { how: 'done' } };
	if (step.of.toFull) return isFull(mark, live);
	return live === undefined ? { answer: { how: 'done' } } : { answer: { how: 'figure', shows: live } };
}

/** What the second button does; nothing where there is none. */
export function otherChoice(step: RunStep, rig: Rig, mark: StopMark | undefined): StepChoice | undefined {
	switch (step.kind) {
		case 'fill-to':
			return mark ? figure(shown(mark)) : litres('How much went in?');
		case 'set-counter':
			return figure('It is set to');
		case 'empty':
			return { answer: { how: 'not-quite', leftL: leftIn(rig, step.tank) } };
		case 'raise-hose':
		case 'backflush':
		case 'rinse':
		case 'rinse-hose':
			return { answer: { how: 'skipped' } };
		case 'treat':
			return { answer: { how: 'from-elsewhere' } };
		case 'let-in':
		case 'pour':
			return litres(step.kind === 'let-in' ? 'How much ran out of the tank?' : 'How much went in?');
		default:
			return undefined;
	}
}

/** What else can be said of a step, in small. */
export function moreChoices(
	step: RunStep,
	mark: StopMark | undefined,
	live: number | undefined
): readonly { readonly label: string; readonly choice: StepChoice }[] {
	const leaveOut = { label: 'Skip this step', choice: { answer: { how: 'skipped' } } as const };
	switch (step.kind) {
		case 'fill-to':
			return step.of.toFull ? [leaveOut] : [{ label: 'It is full', choice: isFull(mark, live) }, leaveOut];
		case 'set-counter':
			return [leaveOut];
		case 'empty':
			return [{ label: 'Enter how much ran out', choice: litres('How much ran out?') }, leaveOut];
		case 'treat':
			return [{ label: 'Another amount', choice: litres('How much went back?') }, leaveOut];
		default:
			return [];
	}
}
