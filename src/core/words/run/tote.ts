import { formatLitres } from '../../units/index.js';
import type { RunStep } from '../../runs/index.js';
import { sayMass } from './mass.js';
import { bigLitres, containerOf, DESIGNATED, nameOf, type About, type StepWords } from './stepWords.js';

/** A step with a container for waste. */
type ToteRunStep = Extract<RunStep, { kind: 'stand-level' | 'let-in' | 'lift-hose' | 'take-away' }>;

function sayLetIn({ rig, run, units }: About, step: ToteRunStep & { kind: 'let-in' }): StepWords {
	const {
		keepFreeL,
		capacityL,
		hoseL = 0
	} = run.setup.kind === 'tote' ? run.setup : { keepFreeL: 0, capacityL: 0 };
	const litres = (l: number): string => formatLitres(l, units);
	const [tank, tote] = [nameOf(rig, step.tank), containerOf(rig, step.container)];
	const latest = capacityL - keepFreeL;
	return {
		does: step.last
			? `Open ${tank} until it runs dry or ${tote} holds ${litres(latest)}; shut it.`
			: `Open ${tank}. Shut it when ${tote} holds ${litres(step.standsAtL)}.`,
		figure: {
			says: step.last ? `It should run dry with, in ${tote}, about` : `Shut ${tank} when ${tote} holds`,
			...bigLitres(step.standsAtL, units)
		},
		tells: [
			...(hoseL > 0
				? [
						`The hose brings ${litres(Math.min(hoseL, step.litres))} more: ${litres(step.standsAtL + Math.min(hoseL, step.litres))} then, of ${litres(capacityL)}.`
					]
				: [`${tote} holds ${litres(capacityL)} to the brim.`])
		],
		caution: 'Watch the level in it, not the clock: what doesn’t fit ends up on the ground.',
		done: step.last ? 'It runs dry' : 'It is shut',
		other: 'Enter another figure'
	};
}

/** What one does at a step with a container for waste. */
export function sayToteStep(step: ToteRunStep, about: About): StepWords {
	const { rig, run, units } = about;
	const tote = containerOf(rig, step.container);
	switch (step.kind) {
		case 'stand-level': {
			const hose = run.setup.kind === 'tote' && (run.setup.hoseL ?? 0) > 0;
			return {
				does: hose
					? `${tote} level and empty, its vent open, the hose in it and held.`
					: `${tote} level and empty, under the outlet.`,
				tells: ['Check that the valve is shut before the cap comes off.'],
				caution: 'Wear gloves. Up to 2 litres can be in the pipe behind the cap.',
				done: 'It is in place'
			};
		}
		case 'let-in':
			return sayLetIn(about, step);
		case 'lift-hose':
			return {
				does: 'Lift the hose along its length until it is empty; hose out, cap on.',
				tells: [],
				caution: 'Watch the level: this is what the free space is for.',
				done: 'It is empty'
			};
		case 'take-away':
			return {
				does:
					step.load < 0
						? `Empty ${tote} first: nothing more fits.`
						: `Lid on and tight. ${sayMass(step.kg, units)}: take it away, empty it and rinse it.`,
				tells: [],
				caution: `Strap it down. Go at walking pace, mind the slope and look behind you. ${DESIGNATED}`,
				done: 'It is back, empty'
			};
	}
}
