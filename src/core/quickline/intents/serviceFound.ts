import { instantMs, type Service, type Stop } from '../../logbook/index.js';
import { SERVICE_NAMES } from '../../words/index.js';
import { one, type LineReading, type QuickContext } from '../context.js';

const SERVICE =
	/^(?:the\s+)?(water|tap|standpipe|hose\s+tap|drain|grey(?:\s+(?:drain|dump))?|gray(?:\s+drain)?|dump(?:\s+(?:point|station))?|black(?:\s+drain)?|toilet\s+(?:point|emptying)|cassette\s+point|pump-?out|sewer|mains)(?:\s+(?:here|at\s+(.+?)))?\s+(?:(?:is|was|were|are|has\s+been)\s+)?(dry|shut(?:\s+off|\s+down)?|closed|off|blocked|clogged|frozen|broken|out\s+of\s+order|not\s+working|works?|worked|working|open(?:\s+again)?|running)(?:\s+at\s+(.+?))?[.!]?$/i;
const WORKS = /^(?:work|open|running)/i;

const KINDS: readonly (readonly [RegExp, Service['kind']])[] = [
	[/^(?:water|tap|standpipe|hose)/i, 'water'],
	[/^(?:drain|grey|gray)/i, 'grey'],
	[/^sewer/i, 'sewer'],
	[/^mains/i, 'mains'],
	[/./, 'black']
];

/** The stop that is meant: by its name, else the one that one is at, else the last one that one was at. */
function stopMeant({ trip, nowMs, atMs = nowMs }: QuickContext, named: string | undefined): Stop | undefined {
	const stops = (trip?.stops ?? []).filter(({ retired }) => !retired);
	if (named !== undefined) {
		const wanted = named.toLowerCase().replace(/^the\s+/, '');
		return stops.find(({ name }) => name.toLowerCase() === wanted);
	}
	return stops.findLast(({ arrive }) => instantMs(arrive) <= atMs);
}

/** `the tap was dry`, `drain at Low Sarn blocked`, `tap works again`: what somebody found at a service; nothing where it says something else. */
export function serviceFoundLine(text: string, context: QuickContext): LineReading | undefined {
	const found = SERVICE.exec(text.trim());
	if (!found) return undefined;
	const [, word = '', before, state = '', behind] = found;
	// `grey open`, `mains off` speak of valves and hoses of the rig.
	if (/^(?:open|off)/i.test(state) && !/^(?:tap|standpipe|dump (?:point|station))/i.test(word))
		return undefined;
	const kind = KINDS.find(([pattern]) => pattern.test(word))?.[1] ?? 'water';
	const named = before ?? behind;
	const stop = stopMeant(context, named);
	if (named !== undefined && !stop) return undefined;
	const works = WORKS.test(state);
	const note = works ? undefined : state.toLowerCase();
	const what = `${SERVICE_NAMES[kind]} ${works ? 'works' : `is ${note}`}`;
	const where = stop ? ` at ${stop.name}` : '';
	const listed = stop?.services.some((service) => service.kind === kind) === true;
	return [
		one(
			{ kind: 'note', text: text.trim() },
			{
				says: listed
					? `The ${what}${where}: plans ${works ? 'count on it again' : 'don’t count on it'}`
					: `Note: the ${what}${where}`,
				...(stop && listed ? { found: { stop: stop.id, kind, works, ...(note ? { note } : {}) } } : {}),
				whole: true
			}
		)
	];
}
