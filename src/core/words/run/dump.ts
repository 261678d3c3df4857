import type { Rig, Tank } from '../../logbook/index.js';
import { drainMinutes, tankById } from '../../rig/index.js';
import { stepsOf, type DumpManner, type RunStep, type Setup } from '../../runs/index.js';
import { formatHours, formatLitres } from '../../units/index.js';
import { listed } from '../list.js';
import { sayLoadOf, sayMass } from './mass.js';
import { DESIGNATED, nameOf, type About, type StepWords } from './stepWords.js';

/** A step at a drain. */
type DumpRunStep = Extract<
	RunStep,
	{
		kind:
			| 'prepare'
			| 'attach'
			| 'open-vent'
			| 'empty'
			| 'raise-hose'
			| 'backflush'
			| 'lower-hose'
			| 'rinse'
			| 'rinse-hose'
			| 'detach'
			| 'treat';
	}
>;
type Step<K extends DumpRunStep['kind']> = DumpRunStep & { readonly kind: K };

const GLOVES = 'Wear gloves.';
/** What stands in a pipe behind a cap: 75 mm wide and half a metre long, litres. */
const PIPE_L = 2;
/** A valve this wide or wider is through before anybody has looked at a clock, mm. */
const LARGE_VALVE_MM = 60;
const MINUTES = 60;
const NOT_FROM_THE_TAP = 'Never use the drinking-water hose or the drinking-water tap for it.';
const BLACK_BY_MIXING = (grey: string): string =>
	`If black gets into ${grey}, ${grey} counts as black: empty it only down a black drain.`;
const AFLOAT =
	'Distance from shore, no-discharge areas, harbours, lakes and canals: rules differ by country, for grey too. If in doubt, keep it aboard.';

function sayPrepare(about: About, { by, tanks }: Step<'prepare'>): StepWords {
	const { rig, units } = about;
	const names = listed(tanks.map((id) => nameOf(rig, id)));
	const where = about.run.setup.kind === 'dump' ? about.run.setup.where : undefined;
	switch (by) {
		case 'hose':
		case 'pumped':
			return {
				does: `${GLOVES} Check that every valve is shut: ${names}.`,
				tells: ['Leave the cap on until the next step.'],
				caution:
					where === 'sewer' ? 'Into a sewer connection meant for it; local rules come first.' : DESIGNATED,
				done: 'All shut'
			};
		case 'deck':
			return {
				does: `${GLOVES} Find the deck cap of ${names} and read it twice: WASTE.`,
				tells: ['Check that its vent is clear. Seacock shut, Y-valve set to the tank.'],
				caution: 'Water, fuel and waste caps look alike. The marina’s own instructions come first.',
				done: 'It says waste'
			};
		case 'sea':
			return {
				does: `Check that ${names} may go overboard here.`,
				tells: ['Look at the chart and at your own no-discharge marks.'],
				caution: AFLOAT,
				done: 'It is allowed here'
			};
		case 'ground':
			return {
				does: `Check that grey water may go on the ground here.`,
				tells: ['Away from water, paths and neighbours. No food, no chemicals.'],
				caution:
					'Do this only where local rules allow it; they differ. Never black, nor grey that black got into.',
				done: 'It is allowed here'
			};
		case 'cassette':
		case 'bottle':
		case 'carried': {
			const tank = tankById(rig, tanks[0] ?? '');
			const kg = loadKg(about, tank);
			return {
				does:
					by === 'cassette'
						? `${GLOVES} Shut ${names}’s own valve, take it out and carry it level.`
						: `${GLOVES} Lid of ${names} tight, carry it upright.`,
				tells: kg === undefined ? [] : [`${sayMass(kg, units)} to carry.`],
				caution: [kg === undefined ? undefined : sayLoadOf(kg, units), DESIGNATED].filter(Boolean).join(' '),
				done: 'At the drain'
			};
		}
	}
}

/** What a carried tank weighs as it is emptied, kg. */
function loadKg({ run }: About, tank: Tank | undefined): number | undefined {
	const empty = stepsOf(run.setup, run.answers).find(
		(step) => step.kind === 'empty' && step.tank === tank?.id
	);
	return empty?.kind === 'empty' ? empty.litres + (tank?.tareKg ?? 0) : undefined;
}

function sayAttach({ rig, units }: About, { by, tanks }: Step<'attach'>): StepWords {
	if (by === 'deck')
		return {
			does: 'Open the cap, press the suction nozzle on and hold it there.',
			tells: ['It must seal all round.'],
			caution: 'Stand upwind. Keep hands and face away from the opening.',
			done: 'It is on'
		};
	const names = listed(tanks.map((id) => nameOf(rig, id)));
	return {
		does:
			by === 'pumped'
				? 'Bucket under the cap. Cap off slowly, their hose on.'
				: 'Hose end into the drain, held or weighted. Bucket under the cap; cap off slowly, hose on.',
		tells: [`Up to ${formatLitres(PIPE_L, units)} can be in the pipe behind the cap of ${names}.`],
		caution: 'If much more comes, put the cap back: a valve is not shut.',
		done: 'The hose is on'
	};
}

/** How long a tank takes to run out, where its valve is small enough for a clock. */
function sayRunOut(tank: Tank | undefined, litres: number): readonly string[] {
	const { drainMm } = tank ?? {};
	if (drainMm === undefined || drainMm >= LARGE_VALVE_MM) return ['Watch the flow, not the clock.'];
	const minutes = drainMinutes(litres, drainMm);
	return [minutes < 1 ? 'Under a minute.' : `About ${formatHours(minutes / MINUTES)}.`];
}

function sayEmpty(about: About, { tank: id, litres, by, again }: Step<'empty'>): StepWords {
	const { rig, units, run } = about;
	const tank = tankById(rig, id);
	const name = nameOf(rig, id);
	const black = tank?.holds === 'black';
	const amount = formatLitres(litres, units);
	const other = 'Not quite empty';
	const flushed =
		run.setup.kind === 'dump' &&
		run.setup.flushedFrom === id &&
		Object.entries(run.answers).some(([key, { how }]) => key.endsWith('-backflush') && how !== 'skipped');
	const rest = tank?.residualL ?? 0;
	switch (by) {
		case 'hose':
			return {
				does: `Open ${name}${again ? ' again' : ''}. When ${black && !again ? 'it runs clear or ' : ''}nothing more comes, shut ${name}.`,
				tells: [
					...(again ? [] : [`About ${amount}. ${sayRunOut(tank, litres).join('')}`]),
					...(rest > 0 && !again
						? [`Tilt the rig towards the drain if you can, or ${formatLitres(rest, units)} stays in.`]
						: []),
					...(black ? [] : ['Its last litres rinse the hose: lift it along its length.'])
				],
				caution: black
					? 'Stay at the drain. If it backs up, shut the valve at once.'
					: flushed
						? BLACK_BY_MIXING(name)
						: DESIGNATED,
				done: `${name} is empty and shut`,
				other
			};
		case 'pumped':
			return {
				does: `Open ${name} and let them pump. When it sucks air, shut ${name}.`,
				tells: [`About ${amount}.`],
				caution: 'A vent or the lid must be open: a tank that can’t breathe collapses.',
				done: `${name} is empty and shut`,
				other
			};
		case 'deck':
			return {
				does: 'Start the suction. Stop it when the vent whistles or the sight glass runs clear.',
				tells: [`About ${amount} in ${name}.`],
				caution: 'If nothing flows, stop at once: a blocked vent makes a tank collapse.',
				done: `${name} is empty`,
				other
			};
		case 'sea':
			return {
				does: `Open the seacock, set the Y-valve to sea. Pump ${name} out until nothing more comes.`,
				tells: [`About ${amount}.`],
				caution: 'Under way and clear of swimmers, anchorages and fish farms.',
				done: `${name} is empty`,
				other
			};
		case 'ground':
			return {
				does: `Open ${name}. When nothing more comes, shut ${name}.`,
				tells: [`About ${amount}. Spread it: let it run slowly.`],
				caution: 'Do this only where local rules allow it; they differ. Never black.',
				done: `${name} is empty and shut`,
				other
			};
		case 'cassette':
			return {
				does: `Spout down and vent button pressed: pour ${name} out slowly.`,
				tells: [`About ${amount}.`],
				caution: 'Pour low over the drain: it splashes. Keep your face away.',
				done: 'It is poured out',
				other
			};
		case 'bottle':
		case 'carried':
			return {
				does: `Pour ${name} out, low and slowly.`,
				tells: [`About ${amount}.`],
				caution: 'Pour low over the drain: it splashes.',
				done: 'It is poured out',
				other
			};
	}
}

function sayRinse({ rig }: About, { tank, by }: Step<'rinse'>): StepWords {
	const name = nameOf(rig, tank);
	const does: Readonly<Record<DumpManner, string>> = {
		hose: `Rinse ${name} with water through the toilet, open it again until it runs clear, shut ${name}.`,
		pumped: `Rinse ${name} with water through the toilet, have it pumped again, shut ${name}.`,
		deck: `Rinse ${name}: water in through the toilet or the deck fitting, pump out again until it runs clear.`,
		sea: `Rinse ${name} with sea water, and pump it out.`,
		ground: `Rinse ${name}.`,
		cassette: `Rinse ${name} twice: a few litres in, shake, pour out.`,
		bottle: `Rinse ${name} with a little water.`,
		carried: `Rinse ${name}.`
	};
	return {
		does: does[by],
		tells: [],
		caution: NOT_FROM_THE_TAP,
		done: 'Rinsed',
		other: 'Skip this'
	};
}

function sayDetach({ rig }: About, { by, tanks }: Step<'detach'>): StepWords {
	const names = listed(tanks.map((id) => nameOf(rig, id)));
	switch (by) {
		case 'hose':
			return {
				does: `Check that ${names} ${tanks.length === 1 ? 'is' : 'are'} shut. Lift the hose along its length until it is empty; hose off, cap on.`,
				tells: ['Rinse the drain and what was splashed.'],
				caution: 'The hose still drips: its end stays over the drain.',
				done: 'Shut and capped'
			};
		case 'pumped':
			return {
				does: `Check that ${names} ${tanks.length === 1 ? 'is' : 'are'} shut. Hose off, cap on.`,
				tells: [],
				caution: 'Bucket under it: the pipe still drips.',
				done: 'Shut and capped'
			};
		case 'deck':
			return {
				does: 'Suction off, nozzle out, cap on and tight. Rinse the deck down.',
				tells: ['Rinse overboard only if nothing was spilt.'],
				caution: 'Check that the cap on is the one that came off.',
				done: 'Capped'
			};
		case 'sea':
			return {
				does: 'Shut the seacock, set the Y-valve to the tank, secure both.',
				tells: ['In many waters they must be locked or tied.'],
				caution: AFLOAT,
				done: 'Shut and secured'
			};
		case 'ground':
			return { does: `Check that ${names} is shut, cap on.`, tells: [], done: 'Shut and capped' };
		case 'cassette':
			return {
				does: `Wipe the seal of ${names}, caps on, slide it back in.`,
				tells: ['Rinse the drain.'],
				done: 'Clean and back in'
			};
		case 'bottle':
		case 'carried':
			return { does: `Rinse the drain, lid of ${names} on.`, tells: [], done: 'Closed' };
	}
}

function sayTreat({ rig, units }: About, { tank: id, litres }: Step<'treat'>): StepWords {
	const tank = tankById(rig, id);
	const name = nameOf(rig, id);
	return {
		does:
			litres > 0
				? `${formatLitres(litres, units)} of water, then the label’s dose, into ${name}.`
				: `The label’s dose into ${name}.`,
		tells: [
			'Never leave it dry. Saved warm-up water will do.',
			...(tank && tank.chargeL === undefined && litres > 0
				? [`Forecasts don’t count this yet: enter it for ${name} in Rig as “Added after a dump”.`]
				: [])
		],
		caution: 'Follow the label; never mix products.',
		done: 'Done, from the tank',
		other: 'From a jug or a tap'
	};
}

/** What one does at a step at a drain, its caution, and what its buttons say. */
export function sayDumpStep(step: DumpRunStep, about: About): StepWords {
	const { rig } = about;
	switch (step.kind) {
		case 'prepare':
			return sayPrepare(about, step);
		case 'attach':
			return sayAttach(about, step);
		case 'open-vent':
			return {
				does: 'Open a vent or a tap, so that air gets in. Level, or tilted towards the outlet.',
				tells: [],
				done: 'Air gets in'
			};
		case 'empty':
			return sayEmpty(about, step);
		case 'raise-hose':
			return {
				does: `Lift the hose’s end above the tanks and tie it up there.`,
				tells: [`So that grey runs into ${nameOf(rig, step.tank)} and not out. Leave the hose on.`],
				caution: 'Can’t raise it that high? Skip this, and rinse with water.',
				done: 'It is up',
				other: 'Skip: rinse with water'
			};
		case 'backflush': {
			const [black, grey] = [nameOf(rig, step.tank), nameOf(rig, step.from)];
			return {
				does: `Open ${black}, then ${grey}. After about half a minute shut ${grey}, then ${black}.`,
				tells: ['Have somebody watch the bowl: shut both before it rises there.'],
				caution: `Never let it rise above the bowl. ${BLACK_BY_MIXING(grey)}`,
				done: 'It has run back; both are shut',
				other: 'Skip this'
			};
		}
		case 'lower-hose':
			return {
				does: 'Hose end back into the drain, held or weighted.',
				tells: [],
				caution: 'Lower it slowly: what is in the hose comes first.',
				done: 'It is down'
			};
		case 'rinse':
			return sayRinse(about, step);
		case 'rinse-hose':
			return {
				does: 'Rinse the hose into the drain.',
				tells: [],
				caution: NOT_FROM_THE_TAP,
				done: 'Rinsed',
				other: 'Skip this'
			};
		case 'detach':
			return sayDetach(about, step);
		case 'treat':
			return sayTreat(about, step);
	}
}

/** The one thing to keep in mind over a whole dump; nothing where its steps say it all. */
export function sayRule(setup: Setup, rig: Rig): string | undefined {
	if (setup.kind !== 'dump') return undefined;
	const empties = (holds: Tank['holds']): boolean =>
		setup.order.some(({ do: act, tank }) => act === 'empty' && tankById(rig, tank ?? '')?.holds === holds);
	const [black, grey] = [empties('black'), empties('grey')];
	const shared = (setup.lines ?? []).some((line) => line.by === 'hose' && line.tanks.length > 1);
	if (black && grey)
		return shared || !setup.lines
			? 'Black first, grey last: so the hose ends rinsed.'
			: 'Black first, then grey.';
	if (black) return 'Empty it, rinse it, and never leave it dry.';
	return 'Open it, let it run dry, shut it.';
}
