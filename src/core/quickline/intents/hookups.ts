import type { Rig } from '../../logbook/index.js';
import { openTanks, usualValves, valvesKey, type OpenValves, type SeaState } from '../../rig/index.js';
import { sayValveCaution, SEA_CAUTION } from '../../words/index.js';
import { one, type LineReading, type Meaning, type QuickContext } from '../context.js';
import { thingsNamed } from '../lexing/names.js';
import type { TokenLine } from '../lexing/tokens.js';
import { SWITCH } from './acts.js';

const REGULATOR = 'A pressure regulator at the tap protects the pipes.';
const HOOKED =
	/\b(hooked up|hook up|hooking up|plugged in|connected( up)?|on (the )?(mains|hook-?up)|full hook-?ups?|(mains|hook-?up|shore water|city water|water|sewer) (is |was )?on)\b/;
const UNHOOKED =
	/\b(unhooked|unplugged|disconnected|off[ -]grid|off (the )?(mains|hook-?up)|(mains|hook-?up|shore water|city water|water|sewer) (is |was )?off)\b/;

/** How a line may begin that goes on with valves. */
const HOOKING =
	/^(?:(?:we are |we're |now )?(?:full hook-?ups?|hooked up|hook up|hooking up|plugged in|connected(?: up)?|on (?:the )?(?:mains|hook-?up)|(?:mains|sewer) on)(?: to (?:the )?sewer)?)\b/;

/**
 * `hooked up`, `unplugged`, `mains on`, `sewer off`, `full hook-up`, `hooked up, grey open`, `black shut`. A sewer by itself leaves
 * black shut.
 */
export function hookupLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	const sea = seaLine(line, context);
	if (sea) return [sea];
	const phrase = line.words.join(' ');
	const off = UNHOOKED.test(phrase);
	if (line.figures.length > 0) return undefined;
	const [hooking = ''] = HOOKING.exec(phrase) ?? [];
	const valves = off ? undefined : valvesSaid(phrase.slice(hooking.length).trim().split(' '), context.rig);
	if (valves) {
		const { mains = false, sewer = false } = context;
		return [
			hookedUp(
				{
					mains: mains || /hook|plugg|connect|mains|full/.test(hooking),
					sewer: afterValves(context.rig, sewer, valves)
				},
				context
			)
		];
	}
	if (!(off || HOOKED.test(phrase) || isSwitched(line.words))) return undefined;
	const on = !off && !line.words.includes('off') && !line.words.includes('stop');
	const { mains = false, sewer = false } = context;
	const both =
		/\bfull\b|\bboth\b|\beverything\b/.test(phrase) ||
		/\boff[ -]grid\b|\bunplugged\b|\bunhooked\b|\bdisconnected\b/.test(phrase);
	const named = {
		sewer: /\bsewer\b/.test(phrase),
		mains: /\bmains\b|\bwater\b/.test(phrase)
	};
	const touches = named.sewer || named.mains ? named : { mains: true, sewer: both };
	return [
		hookedUp(
			{
				mains: touches.mains ? on : mains,
				sewer: touches.sewer ? on && usualValves(context.rig) : sewer
			},
			context
		)
	];
}

/** Words of valves: whether they are opened. */
const VALVE: ReadonlyMap<string, boolean> = new Map([
	['open', true],
	['opened', true],
	['opening', true],
	['shut', false],
	['shutting', false],
	['close', false],
	['closed', false]
]);
const SPOKEN_OF = /^(valves?|with|left|keep|kept|leave|is|are|the|and|but|tanks?|both)$/;

/** A valve of a waste tank that a line opens or shuts. */
interface ValveSaid {
	readonly tank: string;
	readonly open: boolean;
}

/** Which valves a line opens and shuts: `grey open`, `open grey`, `grey open black shut`; nothing where any of it is something else. */
function valvesSaid(words: readonly string[], rig: Rig): readonly ValveSaid[] | undefined {
	const waste = rig.tanks.filter(({ holds, retired }) => holds !== 'fresh' && !retired);
	const left = words.filter((word) => !SPOKEN_OF.test(word));
	const verbs = left.flatMap((word, i) => (VALVE.has(word) ? [i] : []));
	const ahead = verbs[0] === 0;
	if (verbs.length === 0 || (!ahead && verbs.at(-1) !== left.length - 1)) return undefined;
	const said = verbs.map((at, k): readonly ValveSaid[] => {
		const names = ahead ? left.slice(at + 1, verbs[k + 1]) : left.slice((verbs[k - 1] ?? -1) + 1, at);
		const open = VALVE.get(left[at] ?? '') === true;
		return names.length === 0 ? [] : thingsNamed(names, waste).map(({ id }) => ({ tank: id, open }));
	});
	return said.some((tanks) => tanks.length === 0) ? undefined : said.flat();
}

/** The valves that are open once some have been opened and shut. */
function afterValves(rig: Rig, before: OpenValves, said: readonly ValveSaid[]): readonly string[] {
	const open = new Set(openTanks(rig, before));
	for (const { tank, open: opened } of said) {
		if (opened) open.add(tank);
		else open.delete(tank);
	}
	return rig.tanks.filter(({ id }) => open.has(id)).map(({ id }) => id);
}

/** A hook-up in words of the act, with what to mind at it. */
function hookedUp(
	{ mains, sewer }: { readonly mains: boolean; readonly sewer: OpenValves },
	{ rig, mains: had = false, sewer: open = false, sea }: QuickContext
): Meaning {
	const caution = valvesKey(sewer) === valvesKey(open) ? undefined : sayValveCaution(rig, sewer);
	const warns = [mains && !had ? REGULATOR : '', caution ?? ''].filter((text) => text !== '');
	return one(
		{
			kind: 'hookup',
			mains,
			sewer: typeof sewer === 'boolean' ? sewer : [...sewer],
			...(sea ? { sea: { flush: [...(sea.flush ?? [])], waste: [...(sea.waste ?? [])] } } : {})
		},
		warns.length > 0 ? { warns: warns.join(' ') } : {}
	);
}

const isSwitched = (words: readonly string[]): boolean =>
	words.some((word) => SWITCH.has(word)) && words.some((word) => /^(mains|hook-?up|sewer)$/.test(word));

const TO_SEA = /\b(to|into) (the )?sea\b|\boverboard\b/;
const TO_TANK = /\b(to|into) (the )?(tank|holding)\b|\b(aboard|shut|closed|holding)\b/;
const FROM_SEA = /\b(from|with|by) (the )?(sea|sea ?water|salt ?water)\b/;
const FROM_TANK = /\b(from|with|by) (the )?(tank|fresh|fresh ?water)\b/;
const A_DUMP = /^(dump|dumped|empty|emptied|pump|pumped)$/;
const A_FLUSH = /^(the )?(flush(ing|ed)?|heads?|toilet)\b/;
const A_VALVE = /^(the )?(y[ -]?valve|diverter)\b/;

/** What a line sets of a boat's valves: `flush from sea`, `heads with fresh water`, `y-valve to sea`, `sump overboard`, `grey to tank`. */
function seaSet(phrase: string, rig: Rig, now: SeaState): SeaState | undefined {
	const black = rig.tanks.filter(
		({ holds, portable, retired }) => holds === 'black' && !portable && !retired
	);
	if (A_FLUSH.test(phrase) && (FROM_SEA.test(phrase) || FROM_TANK.test(phrase))) {
		const toilets = rig.outlets.filter(({ to, retired }) => !retired && black.some(({ id }) => id === to));
		return toilets.length === 0
			? undefined
			: { ...now, flush: FROM_SEA.test(phrase) ? toilets.map(({ id }) => id) : [] };
	}
	const sea = TO_SEA.test(phrase);
	if (!sea && !TO_TANK.test(phrase)) return undefined;
	const before = /^(.*?)\s*\b(valve )?(is )?(to|into|overboard)\b/.exec(phrase)?.[1]?.trim() ?? '';
	const waste = rig.tanks.filter(({ holds, retired }) => holds !== 'fresh' && !retired);
	const tanks = A_VALVE.test(phrase) ? black : before === '' ? [] : thingsNamed(before.split(' '), waste);
	if (tanks.length === 0) return undefined;
	const others = (now.waste ?? []).filter((id) => !tanks.some((tank) => tank.id === id));
	return { ...now, waste: sea ? [...others, ...tanks.map(({ id }) => id)] : others };
}

/** A boat's Y-valve or the water its toilet is flushed with, as states from now on. */
function seaLine(
	line: TokenLine,
	{ rig, mains = false, sewer = false, sea: now = {} }: QuickContext
): Meaning | undefined {
	if (rig.kind !== 'boat' || line.figures.length > 0 || A_DUMP.test(line.words[0] ?? '')) return undefined;
	const set = seaSet(line.words.join(' '), rig, now);
	if (!set) return undefined;
	const sea = { flush: [...(set.flush ?? [])], waste: [...(set.waste ?? [])] };
	return one(
		{ kind: 'hookup', mains, sewer: typeof sewer === 'boolean' ? sewer : [...sewer], sea },
		sea.waste.length > (now.waste?.length ?? 0) ? { warns: SEA_CAUTION } : {}
	);
}
