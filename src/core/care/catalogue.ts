import { inUse, type CareTask, type Habit, type Instrument, type Rig } from '../logbook/index.js';

/** Something that is looked after on most rigs, as a start: every figure is to be changed to what the label or the maker says. */
export interface CareIdea {
	readonly key: string;
	readonly name: string;
	/** how it is done, in a sentence or two */
	readonly how: string;
	readonly caution?: string;
	readonly every?: CareTask['every'];
	readonly season?: CareTask['season'];
	/** what its litres pass, in this rig */
	through?(rig: Rig): string | undefined;
	/** whether this rig has what it is about */
	fits(rig: Rig): boolean;
}

const has =
	(holds: 'fresh' | 'grey' | 'black') =>
	(rig: Rig): boolean =>
		rig.tanks.some((tank) => tank.holds === holds);
const always = (): boolean => true;
const showers = ({ name }: Habit): boolean => /shower|hair|bath/i.test(name);
const gauge = (one: Instrument): boolean => one.kind === 'gauge';
/** Recirculating a shower is written down as water led back, or as its own measure. */
const loops = ({ measures }: Rig): boolean =>
	measures.some(({ name, effect }) => effect.kind === 'return' || /loop|recirculat/i.test(name));

/** The meter that all water passes on its way out, else the fresh tank that is drawn from. */
const drawnThrough = ({ instruments, outlets, tanks }: Rig): string | undefined =>
	instruments.find((one) => one.kind === 'meter' && one.place === 'pump')?.id ??
	outlets.find(({ from }) => tanks.some(({ id, holds }) => id === from && holds === 'fresh'))?.from;
const filledThrough = (rig: Rig): string | undefined =>
	rig.instruments.find((one) => one.kind === 'meter' && one.place === 'fill')?.id ?? drawnThrough(rig);

const CHLORINE =
	'Plain, unscented, never mixed with anything; rinse. The label and the health authority have the first word.';

/** What people look after, of no maker: intervals are common ones, to be replaced by the label's. */
export const CARE_IDEAS: readonly CareIdea[] = Object.freeze<CareIdea[]>([
	{
		key: 'main-filter',
		name: 'Change the main filter',
		how: 'Pump off, pressure out at a tap, new cartridge, a few litres to waste. Rinse the housing.',
		caution: 'A filter makes no doubtful water drinkable unless its maker says so.',
		every: { days: 180, litres: 5000 },
		through: drawnThrough,
		fits: has('fresh')
	},
	{
		key: 'charcoal',
		name: 'Change the charcoal filter',
		how: 'Sooner than the main one: what it has taken up, it can give back. Flush the new one until it runs clear.',
		caution: 'It takes chlorine out of the water, so that what stands behind it keeps less long.',
		every: { days: 90, litres: 2000 },
		through: drawnThrough,
		fits: has('fresh')
	},
	{
		key: 'sanitise',
		name: 'Sanitise tank and pipes',
		how: 'Metered dose, through every tap until it smells, soak, drain, rinse. The dose is reckoned under Doses.',
		caution: CHLORINE,
		every: { days: 180 },
		fits: has('fresh')
	},
	{
		key: 'black-treatment',
		name: 'Treat the black tank',
		how: 'After each dump: a little water first, then the dose of the label.',
		caution: 'Gloves. Never two products at once. Some disposal points take only certain ones.',
		every: { days: 7 },
		fits: has('black')
	},
	{
		key: 'probes',
		name: 'Clean the probes',
		how: 'Half full with warm water and a little washing-up liquid, a drive, and out. See whether the gauge then reads empty.',
		caution: 'Gloves and eyes: it splashes. Nothing that eats seals.',
		every: { days: 120 },
		fits: ({ instruments }) => instruments.some(gauge)
	},
	{
		key: 'inlet-screen',
		name: 'Rinse the inlet screens',
		how: 'The sieve in the filler and in the hose fitting: out, rinse against the flow, back.',
		every: { days: 60, litres: 3000 },
		through: filledThrough,
		fits: has('fresh')
	},
	{
		key: 'hose-caps',
		name: 'Look at hose caps and washers',
		how: 'Both ends capped, washers whole and not flat. The drinking hose lies apart from the waste hose.',
		every: { days: 90 },
		fits: always
	},
	{
		key: 'vents',
		name: 'Look at the tank vents',
		how: 'Open, mesh clean, no nest. A stopped vent makes a pump labour and a tank bulge.',
		every: { days: 180 },
		fits: always
	},
	{
		key: 'pump-strainer',
		name: 'Clean the pump strainer',
		how: 'Pump off, bowl unscrewed, mesh rinsed, seal seated, and a look for drips with the pump on.',
		every: { days: 90, litres: 4000 },
		through: drawnThrough,
		fits: has('fresh')
	},
	{
		key: 'loop-strainer',
		name: 'Clean strainer and filters of the shower loop',
		how: 'Hair sieve after each day, filters as their maker says; run clear water through, and drain the loop.',
		caution: 'Recirculated water is for the skin alone, of one person, and never drinking water.',
		every: { days: 7 },
		fits: loops
	},
	{
		key: 'shower-gear',
		name: 'Dry the shower gear',
		how: 'Hose hung out, head shaken empty, mat and curtain in the wind: what dries does not slime.',
		every: { days: 3 },
		fits: ({ habits }) => habits.some(showers)
	},
	{
		key: 'summer-water',
		name: 'Renew the water in the heat',
		how: 'What has stood for days in a warm tank is for washing: drain it, or use it up, and fill anew.',
		caution:
			'Whether it is still fit to drink is not to be seen: boil or filter as your local authority says.',
		every: { days: 7 },
		season: 'summer',
		fits: has('fresh')
	},
	{
		key: 'frost-drain',
		name: 'Open the low points before frost',
		how: 'Pump off, low points and heater drain open, taps open. The list under Frost says what hangs where.',
		caution: 'Heater off and cold first: what runs out of it may scald.',
		season: 'frost',
		fits: has('fresh')
	},
	{
		key: 'lay-up',
		name: 'Drain down for the winter',
		how: 'The list under Lay-up, in its order, ticked as you go.',
		caution: 'What is left standing in pump, trap and meter is what bursts.',
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
	const { litres: _litres, ...days } = idea.every ?? {};
	const every = through === undefined ? days : idea.every;
	return {
		id,
		name: idea.name,
		...(every && Object.keys(every).length > 0 ? { every } : {}),
		...(through === undefined ? {} : { through }),
		...(idea.season ? { season: idea.season } : {}),
		idea: idea.key
	};
}
