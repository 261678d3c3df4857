import {
	differenceFor,
	joinedVector,
	lackingTo,
	noted,
	numbered,
	parseLogbookText,
	taking,
	type ChangeLog,
	type Choices,
	type HandOver,
	type Kept,
	type Logbook,
	type Refusal,
	type Taken,
	type VersionVector
} from '$core/logbook';
import { CannotUnpack, linkOf, packed, unpacked, type Unpackable } from './packing';
import { picturesOf } from './pictures';

/** What this device has: its logbook, and the numbers of its changes. */
export interface Here {
	readonly logbook: Logbook;
	readonly log: ChangeLog;
}

/** A hand-over that is ready to go. */
export interface Prepared {
	/** as it is to be kept, before anything is shown */
	readonly log: ChangeLog;
	readonly difference: Logbook;
	/** packed, as a link */
	readonly link: string;
	/** what pictures of it say, one after the other; nothing where they were too many */
	readonly pictures: readonly string[] | undefined;
	readonly upTo: VersionVector;
}

/**
 * Puts together what a partner has not got.
 *
 * @param partner what they are known to have
 * @param by the name of who hands over
 * @param origin where the link leads
 */
export async function prepare(
	{ logbook, log }: Here,
	partner: VersionVector,
	by: string,
	origin: string
): Promise<Prepared> {
	const next = numbered(log, logbook);
	const difference = differenceFor(next, logbook, partner, by);
	const text = await packed(difference);
	const link = linkOf(origin, text);
	return { log: next, difference, link, pictures: picturesOf(link, text), upTo: next.known };
}

/** What came, looked at beside what is here; or why it cannot be. */
export type Looked =
	| {
			readonly ok: true;
			readonly taken: Taken;
			readonly handOver: HandOver | undefined;
			/** what came, as a logbook */
			readonly theirs: Logbook;
	  }
	/** it is from this very device */
	| { readonly ok: false; readonly why: Unpackable | 'own' }
	/** what is in it breaks the rules of the file */
	| { readonly ok: false; readonly why: 'wrong'; readonly refusal: Refusal }
	/** it names what is neither here nor in it */
	| { readonly ok: false; readonly why: 'lacking'; readonly refusal: Refusal };

/** Looks at a logbook's JSON beside what is here; nothing is kept. */
export function lookAt(json: string, { logbook, log }: Here, choices: Choices, now: string): Looked {
	const parsed = parseLogbookText(json, { difference: true });
	if (!parsed.ok) return { ok: false, why: 'wrong', refusal: parsed };
	const theirs = parsed.value;
	if (theirs.handOver?.device === log.device) return { ok: false, why: 'own' };
	const next = numbered(log, logbook);
	const taken = taking({ log: next, mine: logbook, theirs }, choices, now);
	return taken.ok
		? { ok: true, taken, handOver: theirs.handOver, theirs }
		: { ok: false, why: 'lacking', refusal: taken };
}

/** Looks at what a link or pictures said beside what is here; nothing is kept. */
export async function look(text: string, here: Here, choices: Choices, now: string): Promise<Looked> {
	try {
		return lookAt(await unpacked(text), here, choices, now);
	} catch (error) {
		if (error instanceof CannotUnpack) return { ok: false, why: error.why };
		throw error;
	}
}

/** The log once what came is here; it may have gone on since it was looked at. */
export const noteTaken = ({ logbook, log }: Here, { came, known }: Taken): ChangeLog =>
	noted(log, came, logbook, joinedVector(log.known, known));

/** How far behind somebody is: the changed records, and when the first of them was changed, where any says so. */
export interface Behind {
	readonly records: number;
	readonly since?: string;
}

const changedAt = ({ kind, value }: Kept): readonly string[] =>
	value.edited !== undefined ? [value.edited] : kind === 'entry' ? [value.at] : [];

/** How far behind each of some people is by what they are known to have, and by what was offered to them. */
export function behind(
	{ logbook, log }: Here,
	partners: readonly {
		readonly name: string;
		readonly has: VersionVector;
		readonly offered?: VersionVector;
	}[]
): ReadonlyMap<string, Behind> {
	const next = numbered(log, logbook);
	return new Map(
		partners.flatMap(({ name, has, offered = {} }) => {
			const lacking = lackingTo(next, logbook, joinedVector(has, offered));
			const [since] = lacking.flatMap(changedAt).sort((a, b) => Date.parse(a) - Date.parse(b));
			const behind: Behind = { records: lacking.length, ...(since === undefined ? {} : { since }) };
			return lacking.length === 0 ? [] : [[name, behind] as const];
		})
	);
}
