import { inUse, type CareTask, type Habit, type Instrument, type Rig } from '../logbook/index.js';
import { isFlushTank } from '../rig/index.js';
import { watermakersOf } from './equipment.js';

/** Something that is looked after on most rigs, as a start: change every figure to what the label or the maker says. */
export interface CareIdea {
	readonly key: string;
	readonly name: string;
	/** how it is done, in a sentence or two */
	readonly how: string;
	readonly caution?: string;
	readonly every?: CareTask['every'];
	readonly everyDumps?: number;
	readonly season?: CareTask['season'];
	/** what it does to the water of a tank */
	readonly does?: CareTask['does'];
	/** the tank it is about, in this rig */
	tank?(rig: Rig): string | undefined;
	/** what its litres pass, in this rig */
	through?(rig: Rig): string | undefined;
	/** whether this rig has what it is about */
	fits(rig: Rig): boolean;
}

type Holds = 'fresh' | 'grey' | 'black';
const has =
	(holds: Holds) =>
	(rig: Rig): boolean =>
		rig.tanks.some((tank) => tank.holds === holds);
const first =
	(holds: Holds) =>
	({ tanks }: Rig): string | undefined =>
		tanks.find((tank) => tank.holds === holds)?.id;
const showers = ({ name }: Habit): boolean => /shower|hair|bath/i.test(name);
const gauge = (one: Instrument): boolean => one.kind === 'gauge';
/** Recirculating a shower is written down as water led back, or as its own measure. */
const loops = ({ measures }: Rig): boolean =>
	measures.some(({ name, effect }) => effect.kind === 'return' || /loop|recirculat/i.test(name));
/** Something heats its water: what heater and pipes hold is known. */
const heats = (rig: Rig): boolean => (rig.systemL ?? 0) > 0;
const always = (): boolean => true;
const flushesWater = ({ outlets, tanks }: Rig): boolean =>
	outlets.some(({ to }) => tanks.some(({ id, holds }) => id === to && holds === 'black'));
/** A built-in black tank breathes through a vent. */
const hasHolding = ({ tanks }: Rig): boolean =>
	tanks.some(({ holds, portable }) => holds === 'black' && !portable);

/** The meter that all water passes on its way out, else the fresh tank that is drawn from. */
const drawnThrough = ({ instruments, outlets, tanks }: Rig): string | undefined =>
	instruments.find((one) => one.kind === 'meter' && one.place === 'pump')?.id ??
	outlets.find(({ from }) => tanks.some(({ id, holds }) => id === from && holds === 'fresh'))?.from;
const filledThrough = (rig: Rig): string | undefined =>
	rig.instruments.find((one) => one.kind === 'meter' && one.place === 'fill')?.id ?? drawnThrough(rig);

/** What people look after, of no maker: intervals are common ones, to be replaced by the label's. */
export const CARE_IDEAS: readonly CareIdea[] = Object.freeze<CareIdea[]>([
	{
		key: 'main-filter',
		name: 'Change the main filter',
		how: 'Switch the pump off, let the pressure out at a tap, rinse the housing and fit a new cartridge. Run a few litres to waste.',
		caution: 'A filter doesn’t make doubtful water drinkable unless its maker says so.',
		every: { days: 180, litres: 5000 },
		through: drawnThrough,
		fits: has('fresh')
	},
	{
		key: 'charcoal',
		name: 'Change the charcoal filter',
		how: 'Change it sooner than the main one: what it has taken up can come back out. Flush the new one until it runs clear.',
		caution: 'It takes chlorine out of the water: water behind it doesn’t keep as long.',
		every: { days: 90, litres: 2000 },
		through: drawnThrough,
		fits: has('fresh')
	},
	{
		key: 'uv-lamp',
		name: 'Change the UV lamp',
		how: 'Switch it off, take the old lamp out, wipe the sleeve and fit the new lamp. It weakens long before it goes dark.',
		caution: 'Never look into the light. It works only in clear water: change the filter before it first.',
		every: { days: 365 },
		fits: ({ care, outlets }) => [...care, ...outlets].some(({ name }) => /\buv\b|ultraviolet/i.test(name))
	},
	{
		key: 'membrane',
		name: 'Flush the watermaker’s membrane',
		how: 'With fresh water that has no chlorine in it, after each use or once a week. Pickle it before a longer stop.',
		caution: 'Chlorine ruins it: keep shore water and your own dose away from the flush line.',
		every: { days: 7 },
		does: 'flush',
		through: (rig) => watermakersOf(rig)[0]?.id,
		fits: (rig) => watermakersOf(rig).length > 0
	},
	{
		key: 'sanitise',
		name: 'Sanitise tank and pipes',
		how: 'Take cartridges out. Dose first, then fill; run every tap, soak, drain, rinse. Work out the dose under Doses.',
		caution:
			'Use plain, unscented bleach and never mix it with anything. The label and your health authority come first.',
		every: { days: 180 },
		does: 'sanitise',
		tank: first('fresh'),
		fits: has('fresh')
	},
	{
		key: 'black-treatment',
		name: 'Treat the black tank',
		how: 'After each dump: water first, then the dose on the label.',
		caution: 'Wear gloves. Never use two products at once. Some dump points take only certain ones.',
		everyDumps: 1,
		tank: first('black'),
		fits: has('black')
	},
	{
		key: 'toilet-seal',
		name: 'Care for the toilet’s seal',
		how: 'Wipe it clean, let it dry, and grease it with what its maker names. On a boat, do the joker valve too.',
		caution: 'Wear gloves. Don’t use petroleum jelly or cooking oil: they make rubber swell.',
		every: { days: 90 },
		fits: flushesWater
	},
	{
		key: 'flush-tank',
		name: 'Clean the toilet’s flush tank',
		how: 'Empty it, rinse it, and fill it with fresh water and what its maker names.',
		every: { days: 60 },
		fits: (rig) => rig.outlets.some((outlet) => isFlushTank(rig, outlet))
	},
	{
		key: 'vent-filter',
		name: 'Change the vent filter of the holding tank',
		how: 'If fitted, change the cartridge and blow through the vent hose. Salt and insects block it.',
		caution:
			'A blocked vent can make a tank collapse at a pump-out, or press its contents back into the bowl.',
		every: { days: 365 },
		fits: hasHolding
	},
	{
		key: 'probes',
		name: 'Clean the probes',
		how: 'Half fill the tank with warm water and a little washing-up liquid, go for a drive, and dump it. Then see whether the gauge reads empty.',
		caution: 'Wear gloves and eye protection: it splashes. Use nothing that attacks seals.',
		every: { days: 120 },
		fits: ({ instruments }) => instruments.some(gauge)
	},
	{
		key: 'heater-anode',
		name: 'Check the heater’s anode and scale',
		how: 'Switch the heater off, let it cool and drain it. Fit a new anode when half of it is gone; flush out flakes and descale as its maker says.',
		caution:
			'Open it only when it is cold and without pressure. Rinse descaler out twice before any chlorine goes in.',
		every: { days: 365 },
		fits: heats
	},
	{
		key: 'relief-valve',
		name: 'Test the heater’s relief valve',
		how: 'With the heater cold, lift the lever, let a little run and let it snap shut. If it keeps dripping, have it changed.',
		caution:
			'Hot water scalds: do it only when it is cold. Leave gas and pressure parts to a licensed person.',
		every: { days: 180 },
		fits: heats
	},
	{
		key: 'hot-water',
		name: 'Heat and run off hot water that has been standing',
		how: 'After a week unused: heat it fully, then let hot water run at every tap and the shower for a few minutes.',
		caution:
			'Don’t breathe the spray: keep the shower head low, open the windows and leave the room while it runs. It can scald.',
		every: { days: 7 },
		fits: heats
	},
	{
		key: 'inlet-screen',
		name: 'Rinse the inlet screens',
		how: 'Take out the sieves in the filler and the hose fitting, rinse them against the flow and refit them.',
		every: { days: 60, litres: 3000 },
		through: filledThrough,
		fits: has('fresh')
	},
	{
		key: 'hose-caps',
		name: 'Check hose caps and washers',
		how: 'Cap both ends; see that washers are whole and not flat. Keep the drinking-water hose apart from the waste hose.',
		every: { days: 90 },
		fits: always
	},
	{
		key: 'hoses',
		name: 'Change hoses by age',
		how: 'Drinking-water hose, waste hose and the hoses aboard: replace any that are soft, cracked, smelly or cloudy.',
		every: { days: 1825 },
		fits: always
	},
	{
		key: 'vents',
		name: 'Check the tank vents',
		how: 'See that they are open, with a clean mesh and no nest. With a blocked vent a pump labours and a tank bulges.',
		every: { days: 180 },
		fits: always
	},
	{
		key: 'pump-strainer',
		name: 'Clean the pump strainer',
		how: 'Switch the pump off, take the bowl off, rinse the mesh and seat the seal. Then switch it on and look for drips.',
		every: { days: 90, litres: 4000 },
		through: drawnThrough,
		fits: has('fresh')
	},
	{
		key: 'seacocks',
		name: 'Work the seacocks and the Y-valve',
		how: 'Shut each one and open it again; look at hose, clips and backing. A seacock that is never moved won’t move when you need it.',
		caution: 'Know where the wooden plug is. Do one at a time.',
		every: { days: 30 },
		fits: ({ kind }) => kind === 'boat'
	},
	{
		key: 'loop-strainer',
		name: 'Clean strainer and filters of the shower loop',
		how: 'Clean the hair sieve each day, the filters as their maker says; run clear water through and drain the loop.',
		caution: 'Recirculated water is for the skin of one person only, and never drinking water.',
		every: { days: 7 },
		fits: loops
	},
	{
		key: 'shower-gear',
		name: 'Dry the shower gear',
		how: 'Hang the hose out, shake the head empty, dry mat and curtain in the wind: what dries doesn’t grow slime.',
		every: { days: 3 },
		fits: ({ habits }) => habits.some(showers)
	},
	{
		key: 'summer-water',
		name: 'Renew the water in hot weather',
		how: 'Water that has been in a warm tank for days is for washing: use it up or drain it, and fill again.',
		caution:
			'You can’t tell by looking whether it is safe to drink: boil or treat it as your health authority says.',
		every: { days: 7 },
		season: 'summer',
		fits: has('fresh')
	},
	{
		key: 'frost-drain',
		name: 'Get ready for frost',
		how: 'Living aboard: heat through the night. Leaving: drain it. The list under Frost says what, for this rig.',
		caution: 'Before draining: heater off and cold first. What runs out of it can scald.',
		season: 'frost',
		fits: has('fresh')
	},
	{
		key: 'lay-up',
		name: 'Drain the system for the winter',
		how: 'The list under Winter storage, in its order, ticked as you go.',
		caution: 'Water left in the pump, traps or meter can burst them.',
		season: 'lay-up',
		fits: has('fresh')
	}
]);

/** The idea of the catalogue with an id; nothing where it has none. */
export const careIdea = (key: string | undefined): CareIdea | undefined =>
	CARE_IDEAS.find((idea) => idea.key === key);

/** What of the catalogue a rig could look after and does not yet. */
export function careIdeasFor(rig: Rig): readonly CareIdea[] {
	const live = inUse(rig);
	const known = new Set(live.care.flatMap(({ idea }) => idea ?? []));
	return CARE_IDEAS.filter((idea) => !known.has(idea.key) && idea.fits(live));
}

/** A task of the catalogue, for a rig. */
export function taskFrom(idea: CareIdea, rig: Rig, id: string): CareTask {
	const through = idea.every?.litres === undefined ? undefined : idea.through?.(inUse(rig));
	const tank = idea.tank?.(inUse(rig));
	const { litres: _litres, ...days } = idea.every ?? {};
	const every = through === undefined ? days : idea.every;
	return {
		id,
		name: idea.name,
		...(every && Object.keys(every).length > 0 ? { every } : {}),
		...(idea.everyDumps === undefined ? {} : { everyDumps: idea.everyDumps }),
		...(idea.does ? { does: idea.does } : {}),
		...(tank === undefined ? {} : { tank }),
		...(through === undefined ? {} : { through }),
		...(idea.season ? { season: idea.season } : {}),
		idea: idea.key
	};
}
