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
	[...rig.tanks, ...rig.outlets, ...rig.instruments, ...(rig.sources ?? [])].find((one) => one.id === id)
		?.name ?? id;

/** A step of draining the system. */
export function sayLayUpStep(step: LayUpStep, rig: Rig, units: UnitChoice): CareStepWords {
	const names = (ids: readonly string[]): string => listed(ids.map((id) => nameOf(rig, id)));
	const litres = (of: number | undefined): string =>
		of === undefined ? '' : `, about ${formatLitres(of, units)}`;
	switch (step.do) {
		case 'power-off':
			return {
				does: 'Pump off, water heater off and cold',
				how: 'Electric and gas. Continue only when the heater is cold.',
				caution: 'Hot water scalds: wait. Leave work on gas to a licensed person.'
			};
		case 'open-taps':
			return {
				does: `Open ${names(step.outlets)}`,
				how: 'Open each one, hot and cold; mixers in the middle, shower heads down. Air must get in.'
			};
		case 'outside-shower':
			return {
				does: `Open ${nameOf(rig, step.outlet)}`,
				how: 'Hot and cold, head down: it is in the cold outer wall.'
			};
		case 'drain':
			return {
				does: `Drain ${nameOf(rig, step.tank)}${litres(step.litres)}`,
				how: 'Open its drain and vent, and leave them open.'
			};
		case 'low-points':
			return {
				does: `Open the low points${step.litres === undefined ? '' : `: about ${formatLitres(step.litres, units)} comes out of heater and pipes`}`,
				how: 'Cold and hot. Level, or tilted towards them.'
			};
		case 'heater':
			return {
				does: 'Drain the heater',
				how: 'Open its drain or safety valve. Set a bypass, if it has one.',
				caution: 'Open it only when it is cold and without pressure.'
			};
		case 'fittings':
			return {
				does: 'Empty the fittings that hold water',
				how: 'If fitted: city inlet and its check valve, filter housings (cartridges out), accumulator.'
			};
		case 'pump':
			return {
				does: 'Run the pump dry for a few seconds, then off',
				how: 'Empty its strainer. Blow it through only if its maker says so.'
			};
		case 'meters':
			return {
				does: `Empty ${names(step.instruments)}`,
				how: 'Water stays in a meter’s wheel. Note what it shows.'
			};
		case 'washer':
			return {
				does: 'Empty the washing machine',
				how: 'Its inlet hose, its lint trap and its pump, as its handbook says.'
			};
		case 'flush-tank':
			return {
				does: `${nameOf(rig, step.outlet)}: empty its flush tank`,
				how: 'Press the flush until nothing comes, then open its drain.'
			};
		case 'sea-water':
			return {
				does: 'Sea water: seacocks, strainers, raw-water pump, deck and anchor wash',
				how: 'Afloat: shut the seacocks first, then empty what is behind them. Ashore: open them. By the engine’s handbook.',
				caution: 'Afloat, never open a hose inboard of a seacock that is not shut.'
			};
		case 'watermaker':
			return {
				does: `${nameOf(rig, step.source)}: flush, then pickle its membrane`,
				how: 'With what its maker names, and with water that has no chlorine in it.',
				caution:
					'Wear gloves and eye protection. The first water afterwards goes overboard, not into the tank.'
			};
		case 'pour-out':
			return {
				does: `Empty ${nameOf(rig, step.tank)}${litres(step.litres)}`,
				how: 'Upside down, lid off, to dry.'
			};
		case 'hoses':
			return {
				does: 'Hoses empty, dry and capped',
				how: 'The drinking-water hose apart from the waste hose.'
			};
		case 'toilet':
			return step.sea
				? {
						does: `Toilet over ${nameOf(rig, step.tank)}: pump it dry`,
						how: 'Inlet seacock shut first. Then its pump, its joker valve and its bowl, as its maker says.',
						caution: 'Wear gloves.'
					}
				: {
						does: `Toilet over ${nameOf(rig, step.tank)}: flush until nothing comes`,
						how: 'Rinse and dry the bowl. Treat the seal with what its maker names, and leave it a little open.',
						caution: 'Wear gloves.'
					};
		case 'traps':
			return {
				does: 'Traps under sinks and shower: empty, or protect',
				how: `${names(step.outlets)}: where a trap can’t be emptied, use the non-toxic antifreeze sold for drinking-water systems, as its label says.`,
				caution: 'Never use the antifreeze for engines: it is poisonous.'
			};
		case 'dump': {
			const tank = rig.tanks.find(({ id }) => id === step.tank);
			const last =
				rig.tanks.filter(({ holds, portable }) => holds === 'grey' && !portable).at(-1)?.id === step.tank;
			return {
				does: `Dump ${nameOf(rig, step.tank)}${litres(step.litres)}`,
				how:
					tank?.holds === 'black'
						? 'And rinse it until it runs clear. Black before grey.'
						: last
							? 'Last of all: everything above ran into it.'
							: 'Everything above ran into it.',
				caution:
					tank?.holds === 'black'
						? 'Wear gloves. Use a designated place only. Wash your hands.'
						: 'Use a designated place only: local rules differ.'
			};
		}
		case 'macerator':
			return {
				does: 'Macerator or discharge pump: flush with clean water and run dry for a moment',
				how: 'Its seacock shut and secured.'
			};
		case 'shut-waste':
			return {
				does: `Shut ${names(step.tanks)} and put the cap on`,
				how: 'For the drive, and against smell and animals.'
			};
		case 'leave-open':
			return {
				does: 'Leave taps, low points and vents of the fresh water open',
				how: 'Put a note on the pump’s switch.'
			};
	}
}

/** What stays when all of it is done. */
export function sayRemains(remains: Remains, rig: Rig, units: UnitChoice): string {
	if (remains.kind === 'pump') return 'A little in the pump’s head and in the strainer';
	if (remains.kind === 'traps') return 'Water in the traps, unless you emptied them';
	const tank = rig.tanks.find(({ id }) => id === remains.tank);
	const litres = remains.litres === undefined ? '' : formatLitres(remains.litres, units);
	return `${litres} in ${tank?.name ?? 'a tank'}, ${tank?.holds === 'fresh' ? 'below its outlet' : 'that no drain reaches'}`;
}

/** A step of the way back. */
export function sayWayBackStep(step: WayBackStep, rig: Rig, units: UnitChoice): CareStepWords {
	switch (step.do) {
		case 'close':
			return {
				does: 'Shut low points, heater drain, taps and drains',
				how: 'Strainer and housings back in place, without cartridges. Keep the heater off.'
			};
		case 'look':
			return { does: 'Check hoses and joints', how: 'What frost has split is dry now and drips later.' };
		case 'sea-water':
			return {
				does: 'Seacocks and strainers: check, then open one by one',
				how: 'Look at each hose and clip behind it before the next.'
			};
		case 'dose':
			return {
				does: 'Pour the sanitising dose into the empty tank',
				how: 'Work it out under Doses. The dose first, then the water on it.',
				caution:
					'Follow the label and your health authority. Wear gloves and eye protection; open the windows.'
			};
		case 'fill': {
			const name = nameOf(rig, step.tank);
			return {
				does: `Fill ${name}: ${formatLitres(step.litres, units)} through the hose`,
				...(step.swallowedL > 0
					? {
							how: `${formatLitres(step.swallowedL, units)} of it goes into heater and pipes: fill up, run the taps, fill up again.`
						}
					: {}),
				caution: 'Drinking water, through a drinking-water hose.'
			};
		}
		case 'let-air-out':
			return {
				does: 'Pump on: run every tap until no air comes and it smells of chlorine',
				how: `Cold first, then hot, shower and toilet too.${step.litres === undefined ? '' : ` Heater and pipes take about ${formatLitres(step.litres, units)}.`}`
			};
		case 'soak-and-rinse':
			return { does: 'Let it soak, drain, rinse', how: 'As long and as often as Doses says.' };
		case 'cartridges':
			return {
				does: 'Cartridges back in',
				how: 'New ones, after the last rinse. Flush them as their maker says.'
			};
		case 'heater-on':
			return {
				does: 'Heater on, once it is full',
				how: 'Water runs from the hot tap without air.',
				caution: 'Never heat it dry. Open its vents; fit a carbon monoxide alarm if it burns gas.'
			};
		case 'watermaker':
			return {
				does: `${nameOf(rig, step.source)}: flush out what it was pickled with`,
				how: 'Its first water overboard, as its maker says. Its flush line back only when no chlorine is left.'
			};
		case 'prime-toilet':
			return {
				does: `${step.litres === undefined ? 'A little water' : `${formatLitres(step.litres, units)} of water`} and treatment into ${nameOf(rig, step.tank)}`
			};
		case 'look-again':
			return {
				does: 'Look for drips: pump on, taps shut',
				how: 'A pump that starts by itself has found a leak.'
			};
	}
}

/** What is to be minded while draining the system. */
export const LAY_UP_CAUTION =
	'Made from the plumbing you entered. The rig’s handbook comes first: there may be drains and valves that are not entered.';
