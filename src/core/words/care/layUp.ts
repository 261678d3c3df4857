import type { LayUpStep, Remains, WayBackStep } from '../../care/index.js';
import type { Rig } from '../../logbook/index.js';
import { formatLitres, type UnitChoice } from '../../units/index.js';
import { listed } from '../list.js';

/** A step of the list in words: what to do, how, and what to mind at it. */
export interface CareStepWords {
	readonly does: string;
	readonly how?: string;
	readonly caution?: string;
}

const nameOf = (rig: Rig, id: string): string =>
	[...rig.tanks, ...rig.outlets, ...rig.instruments].find((one) => one.id === id)?.name ?? id;

/** A step of draining down. */
export function sayLayUpStep(step: LayUpStep, rig: Rig, units: UnitChoice): CareStepWords {
	const names = (ids: readonly string[]): string => listed(ids.map((id) => nameOf(rig, id)));
	const litres = (of: number | undefined): string =>
		of === undefined ? '' : `, about ${formatLitres(of, units)}`;
	switch (step.do) {
		case 'power-off':
			return {
				does: 'Pump off, water heater off',
				how: 'Electric and gas. Let the heater go cold.',
				caution: 'Hot water scalds: wait. Work on gas is for a licensed person.'
			};
		case 'dump': {
			const black = rig.tanks.find(({ id }) => id === step.tank)?.holds === 'black';
			return {
				does: `Dump ${nameOf(rig, step.tank)}${litres(step.litres)}`,
				how: black ? 'And rinse it. Black before grey.' : 'Leave the valve open afterwards.',
				caution: black
					? 'Gloves; a designated place only; wash.'
					: 'At a designated place; local rules differ.'
			};
		}
		case 'drain':
			return {
				does: `Drain ${nameOf(rig, step.tank)}${litres(step.litres)}`,
				how: 'Drain and vent open; leave them so.'
			};
		case 'pour-out':
			return {
				does: `Empty ${nameOf(rig, step.tank)}${litres(step.litres)}`,
				how: 'Upside down, lid off, to dry.'
			};
		case 'heater':
			return {
				does: 'Drain the heater',
				how: 'Its drain valve open, and a hot tap, to let air in.',
				caution: 'Only when it is cold and without pressure.'
			};
		case 'low-points':
			return {
				does: `Open the low points${step.litres === undefined ? '' : `: about ${formatLitres(step.litres, units)} come out of heater and pipes`}`,
				how: 'Cold and hot. It runs by itself where the rig stands level.'
			};
		case 'open-taps':
			return {
				does: `Open ${names(step.outlets)}`,
				how: 'Each one hot and cold, mixers in the middle, shower heads down.'
			};
		case 'outside-shower':
			return {
				does: `Open ${nameOf(rig, step.outlet)}`,
				how: 'Head down, hot and cold: it hangs in the cold wall.'
			};
		case 'pump':
			return {
				does: 'Let the pump run dry for a few seconds',
				how: 'Then its strainer: out, empty, back loosely.'
			};
		case 'meters':
			return {
				does: `Empty ${names(step.instruments)}`,
				how: 'A meter holds water in its wheel. Note what it shows.'
			};
		case 'toilet':
			return {
				does: `Toilet over ${nameOf(rig, step.tank)}: flush until nothing comes, leave the valve open`,
				how: 'Rinsed, and dry: the seal with a little of what its maker names.',
				caution: 'Gloves.'
			};
		case 'traps':
			return {
				does: 'Traps under sinks and shower: blow out, or protect',
				how: `${names(step.outlets)}: where a trap cannot be emptied, the non-toxic kind of antifreeze that is sold for drinking-water systems, as its label says.`,
				caution: 'Never the kind for engines: it is poisonous.'
			};
		case 'hoses':
			return { does: 'Hoses empty, dry, capped', how: 'The drinking hose apart from the waste hose.' };
		case 'leave-open':
			return { does: 'Leave taps, low points and vents open', how: 'And a note on the pump’s switch.' };
	}
}

/** What stays when all of it is done. */
export function sayRemains(remains: Remains, rig: Rig, units: UnitChoice): string {
	if (remains.kind === 'pump') return 'A little in the pump’s head and in the strainer';
	if (remains.kind === 'traps') return 'Water in the traps, unless blown out';
	const tank = rig.tanks.find(({ id }) => id === remains.tank);
	const litres = remains.litres === undefined ? '' : formatLitres(remains.litres, units);
	return `${litres} in ${tank?.name ?? 'a tank'}, ${tank?.holds === 'fresh' ? 'below the outlet' : 'that no drain reaches'}`;
}

/** A step of the way back. */
export function sayWayBackStep(step: WayBackStep, rig: Rig, units: UnitChoice): CareStepWords {
	switch (step.do) {
		case 'close':
			return {
				does: 'Close low points, heater drain, taps, valves',
				how: 'Strainer and filters back in place.'
			};
		case 'look':
			return { does: 'Look at hoses and joints', how: 'What frost has split is dry now and drips later.' };
		case 'fill': {
			const name = nameOf(rig, step.tank);
			return {
				does: `Fill ${name}: ${formatLitres(step.litres, units)} through the hose`,
				...(step.swallowedL > 0
					? {
							how: `${formatLitres(step.swallowedL, units)} of it go into heater and pipes: fill up, run the taps, fill up again.`
						}
					: {}),
				caution: 'Drinking water, through a drinking hose.'
			};
		}
		case 'let-air-out':
			return {
				does: 'Pump on, each tap until no air comes',
				how: `Cold first, then hot.${step.litres === undefined ? '' : ` It takes about ${formatLitres(step.litres, units)}.`}`
			};
		case 'sanitise':
			return {
				does: 'Sanitise tank and pipes',
				how: 'The dose stands under Doses.',
				caution: 'Follow the label and the health authority.'
			};
		case 'heater-on':
			return {
				does: 'Heater on, once it is full',
				caution: 'Never dry. Ventilation, and an alarm where it burns gas.'
			};
		case 'prime-toilet':
			return { does: `A little water and treatment into ${nameOf(rig, step.tank)}` };
		case 'look-again':
			return {
				does: 'Look for drips, pump on, taps shut',
				how: 'A pump that starts by itself has found a leak.'
			};
	}
}

/** What is to be minded while draining down. */
export const LAY_UP_CAUTION =
	'Made from what the rig’s plumbing says. Its handbook comes first: there may be drains and valves that nobody has written down.';
