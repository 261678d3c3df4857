import {
	instantMs,
	itemsIn,
	type Coming,
	type Entry,
	type Kept,
	type Logbook,
	type Rig,
	type Trip
} from '../logbook/index.js';
import { DAY_MS, HOUR_MS } from '../time/index.js';
import type { UnitChoice } from '../units/index.js';
import { listed } from './list.js';
import { describeEntry } from './log/describe.js';
import { sayAgo, sayMomentOf } from './when.js';

/** What is known where a hand-over is looked at. */
export interface SharingContext {
	/** what is here, and what comes */
	readonly rigs: readonly Rig[];
	readonly trips: readonly Trip[];
	readonly nowMs: number;
	readonly timeZone: string;
	readonly units: UnitChoice;
}

/** A record in a line: what an entry says and when it was; the name of all else. */
export function sayShared(
	{ kind, value }: Kept,
	{ rigs, trips, nowMs, timeZone, units }: SharingContext
): string {
	if (kind !== 'entry') return `${value.name}, the ${kind}`;
	const rig = rigs.find(({ id }) => id === value.rig);
	const says = rig ? describeEntry(value, { rig, trips, units }) : value.kind;
	return `${says}, ${sayMomentOf(instantMs(value.at), nowMs, timeZone)}`;
}

type Named = ReadonlyMap<string, string>;
const without = (of: Named, other: Named): readonly string[] =>
	[...of].flatMap(([id, name]) => (other.has(id) ? [] : [name]));

/** What one version of a rig or trip has that another has not: `adds Laundry; removes Old head`. */
function sayItems(mine: Kept['value'], theirs: Kept['value']): string {
	const [here, there] = [mine, theirs].map(
		(value): Named => new Map(itemsIn(value).map(({ id, name }) => [id, name] as const))
	);
	if (!here || !there) return '';
	const [adds, removes] = [without(there, here), without(here, there)];
	return [
		...(adds.length > 0 ? [`adds ${listed(adds)}`] : []),
		...(removes.length > 0 ? [`removes ${listed(removes)}`] : [])
	].join('; ');
}

const voidOf = (value: Kept['value']): boolean => 'void' in value && value.void === true;

/** How something that comes stands to what is here, in a few words. */
export function sayComing(coming: Coming, from: string, context: SharingContext): string {
	const { theirs } = coming;
	switch (coming.state) {
		case 'new':
			return voidOf(theirs.value) ? 'new, already void' : 'new';
		case 'changed': {
			if (voidOf(theirs.value) !== voidOf(coming.mine)) return voidOf(theirs.value) ? 'now void' : 'restored';
			if (theirs.kind === 'entry')
				return `was ${sayShared({ kind: 'entry', value: coming.mine as Entry }, context)}`;
			return sayItems(coming.mine, theirs.value) || 'changed';
		}
		case 'twin':
			return sayTwin(coming, from, context);
		case 'conflict':
			return sayConflictOf(coming, from, context);
	}
}

function sayTwin(
	{ theirs, mine, kept, stays }: Extract<Coming, { state: 'twin' }>,
	from: string,
	context: SharingContext
): string {
	const yours = sayShared({ kind: 'entry', value: mine }, context);
	if (kept === 'two') return `You logged ${yours}. Counted as two.`;
	const other = theirs.kind === 'entry' && stays === 'theirs' ? `${from}’s is kept` : 'yours is kept';
	return `You logged ${yours}. Counted once; ${other}.`;
}

function sayConflictOf(
	{ theirs, mine, kept, places }: Extract<Coming, { state: 'conflict' }>,
	from: string,
	context: SharingContext
): string {
	const both =
		theirs.kind === 'entry'
			? `You changed it too${voidOf(mine) ? ': void' : `: ${sayShared({ kind: 'entry', value: mine as Entry }, context)}`}.`
			: 'You changed it too.';
	const stands =
		kept === 'both' ? 'Both changes are kept.' : kept === 'mine' ? 'Yours is kept.' : `${from}’s is kept.`;
	const clash =
		kept === 'both' && places.length > 0
			? ` Where they clash, the later edit is: ${listed(places.slice(0, 4).map(({ path }) => sayPlace(path, theirs.value)))}.`
			: '';
	return `${both} ${stands}${clash}`;
}

/** A place in a record by its names: `Shower, litres each`. */
function sayPlace(path: string, value: Kept['value']): string {
	const names = new Map(itemsIn(value).map(({ id, name }) => [id, name]));
	const steps = path.split('.');
	const named = steps.flatMap((step) => names.get(step) ?? []);
	// A mean and its doubt are one figure to a person.
	const last = steps.findLast((step) => step !== 'mean' && step !== 'sd') ?? path;
	const plain = last
		.replace(/(L|Mm|Kg|Km|C)$/, '')
		.replace(/([a-z])([A-Z])/g, '$1 $2')
		.toLowerCase();
	return [...named, ...(names.has(last) ? [] : [plain])].join(', ');
}

const counted = (count: number, one: string, more: string): readonly string[] =>
	count === 0 ? [] : [`${count} ${count === 1 ? one : more}`];

/** `12 entries, a trip`: what is in a logbook. */
export function sayContent({
	rigs,
	trips,
	points,
	entries
}: Pick<Logbook, 'rigs' | 'trips' | 'points' | 'entries'>): string {
	return listed([
		...counted(entries.length, 'entry', 'entries'),
		...counted(trips.length, 'trip', 'trips'),
		...counted(rigs.length, 'rig', 'rigs'),
		...counted(points.length, 'point', 'points')
	]);
}

/** `2 entries, 1 changed`: what an import made, of what was here before apart. */
export const sayMade = (fresh: Parameters<typeof sayContent>[0], changed: number): string =>
	[sayContent(fresh), changed === 0 ? '' : `${changed} changed`].filter((part) => part !== '').join(', ');

const MANY_DAYS = 10;
const DAY_WORDS = ['', 'day', 'two days', 'three days', 'four days', 'five days', 'six days', 'week'];
/** What has not been handed over yet is worth a word from then on, ms. */
const QUIET_MS = 20 * HOUR_MS;

/** That somebody is behind; nothing while it is not long. */
export function sayPartnerBehind(
	name: string,
	{ records, since }: { readonly records: number; readonly since?: string },
	nowMs: number,
	timeZone: string
): string | undefined {
	const ms = since === undefined ? 0 : nowMs - instantMs(since);
	if (since === undefined || ms < QUIET_MS) return undefined;
	const days = Math.round(ms / DAY_MS);
	const spanned =
		days >= MANY_DAYS
			? `anything since ${sayAgo(instantMs(since), nowMs, timeZone)}`
			: `the last ${DAY_WORDS[Math.max(1, days)] ?? `${days} days`}`;
	return `${name} hasn’t got ${spanned}: ${records} ${records === 1 ? 'change' : 'changes'}.`;
}

/** When something last came from somebody, or went to them. */
export function sayLastShared(
	{ heardMs, offeredMs }: { readonly heardMs?: number; readonly offeredMs?: number },
	nowMs: number,
	timeZone: string
): string {
	const ago = (ms: number): string => sayAgo(ms, nowMs, timeZone);
	if (heardMs === undefined)
		return offeredMs === undefined ? 'nothing shared yet' : `sent ${ago(offeredMs)}, no answer yet`;
	return offeredMs !== undefined && offeredMs > heardMs
		? `sent ${ago(offeredMs)}, no answer since ${ago(heardMs)}`
		: `last heard ${ago(heardMs)}`;
}

/** Why something cannot be imported, and what to do. */
export const CANNOT_IMPORT = {
	none: 'This isn’t from Dipsometer. Scan the code on the other phone, or paste the whole link: it has “#v1.” in it.',
	later: 'It comes from a newer version of Dipsometer. Update this phone: open it once with a network.',
	cut: 'Part of it is missing: it was cut off on the way. Ask for the link again, or for a file.',
	large: 'It is larger than a link or code can be, so it wasn’t opened. Ask for a file instead.',
	wrong: 'It isn’t a logbook that can be read, so nothing was imported.',
	own: 'You made this yourself. Open it on the other phone.',
	lacking:
		'It belongs with something that isn’t on this device yet. Ask for everything: “Share everything” on the other phone.'
} as const;

/** That what comes is of rigs which are none of those here. */
export const sayOtherRigs = (names: readonly string[], here: readonly string[]): string =>
	`${listed(names)} ${names.length === 1 ? 'is another rig' : 'are other rigs'} than ${listed(here)}, and ${names.length === 1 ? 'is' : 'are'} added beside.`;

/** That what came is not all. */
export const sayGap = (from: string): string =>
	`Something ${from} sent before this hasn’t arrived. Share yours with ${from} next: what is missing then comes with the next one.`;
/** What a link does. */
export const LINK_STAYS =
	'The link holds the entries themselves. Whoever has it can read them; no server does.';
/** That an address is of this device alone. */
export const ONLY_HERE =
	'This page is served by this device alone, so a link to it opens nowhere else. The other phone can still scan the code here in the app, or paste the link.';
/** Before the camera is asked for. */
export const CAMERA_STAYS = 'The camera is used only to read the code. Nothing is recorded or sent.';
