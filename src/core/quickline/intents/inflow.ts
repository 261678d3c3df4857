import type { Source, Tank } from '../../logbook/index.js';
import { usableOf } from '../../rig/index.js';
import { formatLitres } from '../../units/index.js';
import { sayHappening, type Happening } from '../../words/index.js';
import {
	freeId,
	one,
	oneTooMany,
	problem,
	withAddition,
	type LineReading,
	type Meaning,
	type QuickContext
} from '../context.js';
import { meaningful, thingsNamed } from '../lexing/names.js';
import { figureBeyond, quantityOf, type TokenLine } from '../lexing/tokens.js';
import { GIVEN_TO_US } from './outflow.js';
import { tanksNamed, tanksTogether, usualFresh } from './tanks.js';

/** What people call what flows in, and what is known of it before it is learned. */
interface Kind {
	readonly name: string;
	readonly words: RegExp;
	/** times a day, a guess that fills move; absent: it comes as it comes, and no forecast counts on it */
	readonly often?: number;
	readonly potable?: boolean;
	readonly warns?: string;
}

const KINDS: readonly Kind[] = [
	{
		name: 'Watermaker',
		words:
			/^(watermakers?|desalinators?|desal|desalinated|desalinating|desalination|made|making|produced|reverse|osmosis)$/,
		often: 0.5,
		potable: true
	},
	{
		name: 'Rain',
		words: /^(rain|rained|raining|rainwater|awning|tarp)$/,
		often: 0.15,
		potable: false,
		warns: 'Use rain off an awning or sheet for washing unless you treat it.'
	},
	{
		name: 'Snow',
		words: /^(snow|snowmelt|melted|melt|melting|ice)$/,
		potable: false,
		warns: 'Boil or treat melted snow before you drink it.'
	},
	{
		name: 'Spring',
		words: /^(spring|stream|creek|river|lake|brook|well)$/,
		warns: 'Treat or boil it before you drink it, unless a sign or a local says it is drinking water.'
	},
	{ name: 'Bought water', words: /^(bought|buy|buying|purchased|bottled)$/ },
	{ name: 'Neighbours', words: /^(neighbou?rs?|gift|borrowed|received|donation)$/ }
];
const GIVEN = KINDS.at(-1);

/** Water that came in, of which nothing more is said. */
const CAME_IN =
	/^(got|getting|fetched|fetch|carried|brought|hauled|lugged|collected|caught|found|received|scored|scooped)$/;
/** Words that may stand beside them. */
const BESIDE =
	/^(water|caught|collected|from|off|of|the|in|sheet|ran|on|up|with|by|us|me|gave|given|lent|sold|handed|brought|were|was|got|drinking|fresh|litres?|more|tap|taps|hose|standpipe|shop|store|supermarket|garage|station|marina|campsite|site|friends?|boat|van|next|door|people|at|for|some|about|aboard|into|to|and|fetched|carried|sea|seawater|poured|put|filled|fill|added|took|received|run|running|roof|it|bottles?|jugs?|today|day|dock|quay|pontoon|can|cans|crates?|packs?)$/;
/** Where water comes from that is nobody's own: it came in, whatever the verb. */
const A_PLACE = /^(dock|quay|pontoon|marina|campsite|standpipe)$/;
/** What it came in, of which nobody said how much they hold. */
const VESSEL = /^(bottles?|jugs?|cans?|crates?|packs?|canisters?)$/;
/** `6 x 1.5 L`, `6 bottles of 1.5 L`. */
const MULTIPLIED = /\d\s*[x×]\s*\d|\d\s+(?:\p{L}+\s+)?(?:of|times|à)\s+\d/iu;
const HOURS = /^(hours?|hrs?|h|minutes?|mins?)$/;

/** Who gives water to others. */
const GIVER = /^(warden|farmer|couple|guy|man|woman|lady|someone|somebody|spared|donated|neighbou?rs?)$/;

/** The kind that all words of a line are about, those of tanks being taken out. */
function kindSaid(words: readonly string[], phrase: string): Kind | undefined {
	if (GIVEN_TO_US.test(phrase))
		return words.every((word) => GIVEN?.words.test(word) || BESIDE.test(word) || GIVER.test(word))
			? GIVEN
			: undefined;
	const kind = KINDS.find((one) => words.some((word) => one.words.test(word)));
	return kind && words.every((word) => kind.words.test(word) || BESIDE.test(word)) ? kind : undefined;
}

/** A source that the rig lacks is offered with its first fill. */
function addingSource(kind: Kind, tank: Tank, litres: number, context: QuickContext): Meaning {
	const { rig } = context;
	const source: Source = {
		id: freeId(rig, kind.name),
		name: kind.name,
		into: tank.id,
		litresEach: { mean: litres, sd: litres / 2 },
		often: { times: kind.often ?? 0, per: 'day', ...(kind.often === undefined ? { sd: 0 } : {}) },
		...(kind.potable === undefined ? {} : { potable: kind.potable })
	};
	const fill: Happening = { kind: 'fill', tank: tank.id, litres, from: source.id };
	return {
		does: [fill],
		adds: source,
		says: `${kind.name} added, into ${tank.name}; ${sayHappening(fill, { ...context, rig: withAddition(rig, source) })}`,
		...(kind.warns === undefined ? {} : { warns: kind.warns })
	};
}

/** The tanks that came water may have gone into: those that are named, else the usual ones, and others where it has no room there. */
function tanksInto(words: readonly string[], litres: number, context: QuickContext): readonly Tank[] {
	const { rig, levels } = context;
	const fresh = rig.tanks.filter(({ holds, retired }) => holds === 'fresh' && !retired);
	const named = words.length === 0 ? [] : tanksNamed(words, fresh, context);
	if (named.length > 0) return named;
	const usual = usualFresh(context);
	const room = (tank: Tank): boolean => litres <= 1.15 * usableOf(tank) - (levels?.get(tank.id) ?? 0);
	if (usual.some(room)) return usual.length > 1 ? usual : usual.filter(room);
	const roomy = fresh.filter(room);
	return roomy.length > 0 ? [...new Set([...usual, ...roomy])] : usual;
}

/** The words of a line that are about tanks: behind `into`, else those that are nothing else. */
const ofTanks = (words: readonly string[], kind: Kind | undefined): readonly string[] =>
	words.filter((word) => !kind?.words.test(word) && !BESIDE.test(word) && !CAME_IN.test(word));

/**
 * `watermaker 40 L`, `rain 15`, `bought 20 L`, `got 10 L from the neighbour`: what came in without a stop; nothing where the line is
 * about something else.
 */
export function inflowLine(
	line: TokenLine & { readonly text: string },
	context: QuickContext
): LineReading | undefined {
	const phrase = line.words.join(' ');
	// What only stands beside other words, and says what was done where nothing else does: `made 60`, `got 20 L`.
	const bare = line.words.filter((word) => word === 'made' || CAME_IN.test(word));
	const words = meaningful(line.words).length > 0 ? meaningful(line.words) : bare;
	if (words.length === 0) return undefined;
	const { rig } = context;
	const sources = (rig.sources ?? []).filter(({ retired }) => !retired);
	const named = thingsNamed(words, sources);
	const nouns = words.filter((word) => !BESIDE.test(word) || KINDS.some((kind) => kind.words.test(word)));
	const fresh = rig.tanks.filter(({ holds, retired }) => holds === 'fresh' && !retired);
	const several =
		CAME_IN.test(line.words[0] ?? '') || KINDS.some((kind) => words.some((word) => kind.words.test(word)));
	const into = several ? tanksIn(nouns, fresh, context) : [];
	const made = line.words.find((word) => /^(made|making|produced)$/.test(word));
	const kind = kindSaid(
		[...(made && words.includes('water') ? [made] : []), ...words].filter(
			(word) => !into.includes(word) && !HOURS.test(word)
		),
		phrase
	);
	const came = line.words.some((word) => CAME_IN.test(word) || A_PLACE.test(word));
	const plain =
		came &&
		!line.words.some((word) => /^(out|away|off|over|down)$/.test(word)) &&
		words.every(
			(word) => CAME_IN.test(word) || BESIDE.test(word) || into.includes(word) || HOURS.test(word)
		) &&
		line.figures.length > 0;
	const ofKind = kind
		? sources.filter(
				({ name, potable }) =>
					name
						.toLowerCase()
						.split(' ')
						.some((word) => kind.words.test(word)) ||
					name === kind.name ||
					(kind.often !== undefined && potable === kind.potable)
			)
		: [];
	const found = named.length > 0 ? named : ofKind;
	if (found.length === 0 && !kind && !plain) return undefined;
	// "6 x 1.5 L": so many of so much.
	const [count, size] = line.figures;
	const multiplied =
		(MULTIPLIED.test(line.text) || line.words.some((word) => VESSEL.test(word))) &&
		line.figures.length === 2 &&
		count?.unit === '' &&
		Number.isInteger(count.value) &&
		size?.unit !== '';
	const beyond = figureBeyond(line, multiplied ? 2 : 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const vague =
		line.words.some((word) => HOURS.test(word)) ||
		(count?.unit === '' && !multiplied && line.words.some((word) => VESSEL.test(word)) && into.length === 0);
	const each = quantityOf(line, 'volume', context.units, !multiplied);
	const litres = vague ? undefined : multiplied && each !== undefined && count ? count.value * each : each;
	const name = found[0]?.name ?? kind?.name ?? '';
	if (litres === undefined || !(litres > 0)) {
		const usual = found[0]?.litresEach.mean ?? 40;
		return {
			...problem(
				`How much came in? Enter litres, for example “${name.toLowerCase() || 'got'} ${Math.round(usual)}”${found[0] ? `; ${formatLitres(usual, context.units)} is usual` : ''}.`
			),
			lacksAmount: true
		};
	}
	const together = tanksTogether(into, fresh, usualFresh(context), context);
	if (together) return 'problem' in together ? together : undefined;
	const goal = ofTanks(into, kind);
	if (found.length > 0)
		return found.map((source): Meaning => {
			const [tank] = goal.length > 0 ? tanksNamed(goal, fresh, context) : [];
			return one({ kind: 'fill', tank: tank?.id ?? source.into, litres, from: source.id });
		});
	const tanks = tanksInto(goal, litres, context);
	if (tanks.length === 0) return problem(`${rig.name} has no fresh tank for it to run into. Add one in Rig.`);
	return tanks.map((tank): Meaning => {
		const level = context.levels?.get(tank.id);
		if (kind) return addingSource(kind, tank, litres, context);
		return one(
			{ kind: 'fill', tank: tank.id, litres },
			level !== undefined && level + litres > 1.15 * usableOf(tank)
				? { warns: `${tank.name} was estimated at ${formatLitres(level, context.units)} already.` }
				: {}
		);
	});
}

/** Which of some words name a fresh tank: the longest run of them that does. */
function tanksIn(words: readonly string[], fresh: readonly Tank[], context: QuickContext): readonly string[] {
	for (let length = words.length; length > 0; length--)
		for (let from = 0; from + length <= words.length; from++) {
			const some = words.slice(from, from + length);
			if (KINDS.some((kind) => some.some((word) => kind.words.test(word)))) continue;
			if (tanksNamed(some, fresh, context).length > 0 || tanksTogether(some, fresh, fresh, context))
				return some;
		}
	return [];
}
