import { one, problem, type LineReading, type QuickContext } from '../context.js';
import { meaningful } from '../lexing/names.js';
import type { TokenLine } from '../lexing/tokens.js';
import { markLine } from './observations.js';
import { tanksNamed, usualFresh } from './tanks.js';

const RAN_DRY =
	/\b(?:ran|run|running) (?:dry|out)\b|\b(?:went|gone|is|sucked|pumped) dry\b|\bout of (?:fresh )?water\b|\bno (?:more )?(?:fresh )?water(?: left)?$|\bnothing left\b|\bsuck(?:s|ing|ed)? (?:on )?air\b|\b(?:spits|spitting|spluttering)\b|\bwater['’]?s (?:out|gone)\b|\bbone dry\b/;
const RAN_OVER =
	/\b(?:overflow(?:s|ed|ing)|back(?:s|ed|ing) up|brimming|running over|ran over|bubbling up|won['’]?t take (?:any )?more|can['’]?t take (?:any )?more|full to the brim)\b/;
const OF_IT =
	/^(ran|run|running|went|is|dry|out|of|water|fresh|no|more|nothing|left|suck|sucks|sucking|sucked|air|pump|pumped|spits|spitting|spluttering|tap|taps|waters|gone|bone|overflows|overflowed|overflowing|back|backs|backed|backing|up|brimming|over|bubbling|any|take|full|brim|to|the|shower|in|has|just|we|on|it|wont|cant|tank|drain)$/;

/** `ran dry`, `out of water`, `pump is sucking air`, `grey is backing up`: seen with one's own eyes. */
export function seenLine(line: TokenLine, context: QuickContext): LineReading | undefined {
	const phrase = line.words.join(' ');
	const dry = RAN_DRY.test(phrase);
	const over = RAN_OVER.test(phrase);
	if ((!dry && !over) || line.figures.length > 0) return undefined;
	const words = meaningful(line.words).filter((word) => !OF_IT.test(word.replaceAll(/['’]/g, '')));
	const { rig } = context;
	const named = words.length === 0 ? [] : tanksNamed(words, rig.tanks, context);
	if (words.length > 0 && named.length === 0) return undefined;
	if (named.length > 0)
		return named.map(({ id }) => one({ kind: 'mark', tank: id, state: dry ? 'empty' : 'full' }));
	if (over)
		return rig.tanks.length === 1
			? markLine('full', [rig.tanks[0]?.name ?? ''], context)
			: problem('Which tank? For example “full grey”.');
	return usualFresh(context).map(({ id }) => one({ kind: 'mark', tank: id, state: 'empty' }));
}

const HEEL = /^(heel|heeled|heeling|listing|list|tilted|leaning|rolled|tilt|roll|pitch)$/;

/** `heeled 15 starboard`: said with a reading, and nothing by itself. */
export function heelLine(line: TokenLine): LineReading | undefined {
	return line.figures.length > 0 && HEEL.test(line.words[0] ?? '')
		? problem(
				'Tilt belongs to a reading. For example “dipstick 118 roll 15”; for the stop you are at, enter it in Trip.'
			)
		: undefined;
}
