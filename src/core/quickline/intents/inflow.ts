import type { Source } from '../../logbook/index.js';
import { isCarried } from '../../rig/index.js';
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

/** What people call what flows in, and what is known of it before it is learned. */
interface Kind {
	readonly name: string;
	readonly words: RegExp;
	/** times a day, a guess that fills move */
	readonly often: number;
	readonly potable: boolean;
	readonly warns?: string;
}

const KINDS: readonly Kind[] = [
	{
		name: 'Watermaker',
		words: /^(watermakers?|desalinators?|desal|made|making|produced)$/,
		often: 0.5,
		potable: true
	},
	{
		name: 'Rain',
		words: /^(rain|rained|rainwater|awning)$/,
		often: 0.15,
		potable: false,
		warns: 'Use rain off an awning or sheet for washing unless you treat it.'
	}
];
/** Words that may stand beside them. */
const BESIDE = /^(water|caught|collected|from|off|of|the|in|sheet|ran)$/;

/** The kind that all words of a line are about. */
function kindSaid(words: readonly string[]): Kind | undefined {
	const kind = KINDS.find((one) => words.some((word) => one.words.test(word)));
	return kind && words.every((word) => kind.words.test(word) || BESIDE.test(word)) ? kind : undefined;
}

/** A source that the rig lacks is offered with its first fill. */
function addingSource(kind: Kind, litres: number, context: QuickContext): LineReading {
	const { rig } = context;
	const tank = rig.tanks.find((one) => one.holds === 'fresh' && !one.retired && !isCarried(rig, one));
	if (!tank) return problem(`${rig.name} has no fresh tank for it to run into. Add one in Rig.`);
	const source: Source = {
		id: freeId(rig, kind.name),
		name: kind.name,
		into: tank.id,
		litresEach: { mean: litres, sd: litres / 2 },
		often: { times: kind.often, per: 'day' },
		potable: kind.potable
	};
	const fill: Happening = { kind: 'fill', tank: tank.id, litres, from: source.id };
	return [
		{
			does: [fill],
			adds: source,
			says: `${kind.name} added, into ${tank.name}; ${sayHappening(fill, { ...context, rig: withAddition(rig, source) })}`,
			...(kind.warns === undefined ? {} : { warns: kind.warns })
		}
	];
}

/** `watermaker 40 L`, `rain 15`, `made 60`: what flowed in without a stop; nothing where the line is about something else. */
export function inflowLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	// What only stands beside other words, and says what was done where nothing else does: `made 60`.
	const bare = line.words.filter((word) => word === 'made');
	const words = meaningful(line.words).length > 0 ? meaningful(line.words) : bare;
	if (words.length === 0) return undefined;
	const sources = (context.rig.sources ?? []).filter(({ retired }) => !retired);
	const kind = kindSaid(words);
	const named = thingsNamed(words, sources);
	const ofKind = kind
		? sources.filter(
				({ name, potable }) =>
					name
						.toLowerCase()
						.split(' ')
						.some((word) => kind.words.test(word)) || potable === kind.potable
			)
		: [];
	const found = named.length > 0 ? named : ofKind;
	if (found.length === 0 && !kind) return undefined;
	const beyond = figureBeyond(line, 1);
	if (beyond !== undefined) return oneTooMany(beyond);
	const litres = quantityOf(line, 'volume', context.units);
	const name = found[0]?.name ?? kind?.name ?? '';
	if (litres === undefined || !(litres > 0)) {
		const usual = found[0]?.litresEach.mean ?? 40;
		return line.figures.length > 0 || kind || found.length > 0
			? {
					...problem(
						`How much came in? Enter litres, for example “${name.toLowerCase()} ${Math.round(usual)}”; ${formatLitres(usual, context.units)} is usual.`
					),
					lacksAmount: true
				}
			: undefined;
	}
	if (found.length === 0 && kind) return addingSource(kind, litres, context);
	return found.map((source): Meaning => one({ kind: 'fill', tank: source.into, litres, from: source.id }));
}
