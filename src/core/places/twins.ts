import { distance as slips } from 'fastest-levenshtein';
import type { Point } from '../logbook/index.js';
import { kmBetween } from './sphere.js';

/** Two points so near are one, whatever they are called, km. */
const SAME_PLACE_KM = 0.15;
/** Two of one name so near are one, km. */
const SAME_NAME_KM = 3;
/** Further north or south than this nothing is near enough: a look that costs nothing, before the distance is reckoned. */
const FAR_DEGREES = 0.05;
const SLIPS = 2;

const plain = (name: string): string =>
	name
		.toLowerCase()
		.normalize('NFD')
		.replaceAll(/[^\p{L}\p{N}]+/gu, '');

/** Whether two names may be of one place: the same letters, two slips at most in a longer one, or one within the other. */
export function namedAlike(a: string, b: string): boolean {
	const [one, other] = [plain(a), plain(b)];
	if (one === '' || other === '') return false;
	const shorter = Math.min(one.length, other.length);
	return (
		slips(one, other) <= Math.min(SLIPS, Math.floor(shorter / 4)) ||
		(shorter >= 4 && (one.includes(other) || other.includes(one)))
	);
}

/** The point that another one is again, by place and name; the nearest of several. */
export function twinOf(
	point: Pick<Point, 'id' | 'name' | 'position'>,
	among: readonly Point[]
): Point | undefined {
	const [, lat] = point.position;
	return among
		.filter(
			({ id, retired, position }) => id !== point.id && !retired && Math.abs(position[1] - lat) < FAR_DEGREES
		)
		.map((other) => ({ other, km: kmBetween(point.position, other.position) }))
		.filter(
			({ other, km }) => km <= SAME_PLACE_KM || (km <= SAME_NAME_KM && namedAlike(point.name, other.name))
		)
		.sort((a, b) => a.km - b.km)[0]?.other;
}

/** Points that may be one and the same, each pair once. */
export const twins = (points: readonly Point[]): readonly (readonly [Point, Point])[] =>
	points.flatMap((point, i) => {
		const other = twinOf(point, points.slice(i + 1));
		return other && !point.retired ? [[point, other] as const] : [];
	});

/** One point of two: what the first says, and what only the second does. */
export function joined(first: Point, second: Point): Point {
	const has = new Set(first.services.map(({ kind }) => kind));
	const { id: _id, retired: _retired, edited: _edited, ...rest } = second;
	return {
		...rest,
		...first,
		services: [...first.services, ...second.services.filter(({ kind }) => !has.has(kind))]
	};
}
