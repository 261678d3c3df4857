import { distance } from 'fastest-levenshtein';
import type { Point } from '../../logbook/index.js';

/** Names are compared often, line by line as one types, and there may be thousands of them. */
const MOST_PLAIN = 20_000;
const plainNames = new Map<string, string>();
function plain(name: string): string {
	let known = plainNames.get(name);
	if (known === undefined) {
		if (plainNames.size >= MOST_PLAIN) plainNames.clear();
		plainNames.set(name, (known = plainOf(name)));
	}
	return known;
}
const plainOf = (name: string): string =>
	name
		.normalize('NFKD')
		.replaceAll(/\p{M}/gu, '')
		.toLowerCase()
		.replaceAll(/[^\p{L}\d]+/gu, ' ')
		.trim();

/** A shorter name is too near to too many others. */
const SHORTEST = 5;
/** One letter in so many may be wrong, two at the most. */
const LETTERS_A_SLIP = 5;

/** The point that a name means: by its name, a small slip of it, or the only one that begins so. */
export interface PointMeant {
	readonly point?: Point;
	/** several are as near: none is taken */
	readonly among?: readonly string[];
}

/** The point that somebody means by a name; nothing where none is near. */
export function pointMeant(name: string, points: readonly Point[]): PointMeant {
	const wanted = plain(name);
	if (wanted === '') return {};
	const same = points.filter((point) => plain(point.name) === wanted);
	if (same[0]) return { point: same[0] };
	if (wanted.length < SHORTEST) return {};
	const most = Math.min(2, Math.floor(wanted.length / LETTERS_A_SLIP));
	const near = points
		.filter(({ name: known }) => Math.abs(plain(known).length - wanted.length) <= most)
		.map((point) => ({ point, slips: distance(plain(point.name), wanted) }))
		.filter(({ slips }) => slips <= most)
		.sort((a, b) => a.slips - b.slips);
	const [first, second] = near;
	if (!first) return {};
	if (second?.slips === first.slips)
		return { among: near.filter(({ slips }) => slips === first.slips).map(({ point }) => point.name) };
	return { point: first.point };
}

/** Points whose name begins with what was typed so far, for completing it. */
export function pointsBeginning(typed: string, points: readonly Point[]): readonly Point[] {
	const wanted = plain(typed);
	return wanted.length < 2
		? []
		: points.filter(({ name }) => plain(name).startsWith(wanted) && plain(name) !== wanted);
}
