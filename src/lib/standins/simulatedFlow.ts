import { DAY_MS, MINUTE_MS } from '$core/time';
/** What a simulated flow meter is asked for. */
export interface FlowSpec {
	/** what it shows as it begins, displayed units */
	readonly from: number;
	readonly counts: 'up' | 'down';
	/** true litres in one displayed unit */
	readonly litresPerUnit: number;
	readonly lpm: number;
}

/** One message of a flow meter: what it shows, and, where it tells them, the flow and the moment. */
export interface FlowReading {
	readonly shows: number;
	readonly lpm?: number;
	/** now, where it is absent */
	readonly atMs?: number;
}

/** How often it sends, ms. */
export const BEAT_MS = 400;
const TENTHS = 10;

/** What the simulated meter shows some time after it began: a steady flow, read to a tenth. */
export function readingAfter({ from, counts, litresPerUnit, lpm }: FlowSpec, elapsedMs: number): FlowReading {
	const units = (lpm * Math.max(0, elapsedMs)) / MINUTE_MS / litresPerUnit;
	const shows = counts === 'up' ? from + units : Math.max(0, from - units);
	return { shows: Math.floor(shows * TENTHS + 1e-6) / TENTHS, lpm };
}

const LIMITS = {
	from: [0, 1e9],
	litresPerUnit: [1e-3, 1e4],
	lpm: [0.1, 1000],
	elapsedMs: [0, DAY_MS]
} as const;

/** A spec as it stands in an address; the name of what is wrong where it is none. */
export function specOf(
	query: URLSearchParams
): { readonly spec: FlowSpec; readonly elapsedMs: number } | { readonly wrong: string } {
	const number = (name: keyof typeof LIMITS, otherwise?: number): number => {
		const given = query.get(name);
		const value = given === null || given.trim() === '' ? (otherwise ?? Number.NaN) : Number(given);
		const [low, high] = LIMITS[name];
		return value >= low && value <= high ? value : Number.NaN;
	};
	const counts = query.get('counts') ?? 'up';
	const read = {
		from: number('from'),
		litresPerUnit: number('litresPerUnit', 1),
		lpm: number('lpm'),
		elapsedMs: number('elapsedMs', 0)
	};
	const wrong = (Object.keys(read) as (keyof typeof read)[]).find((name) => Number.isNaN(read[name]));
	if (wrong) return { wrong: `${wrong} must be a number from ${LIMITS[wrong][0]} to ${LIMITS[wrong][1]}` };
	if (counts !== 'up' && counts !== 'down') return { wrong: 'counts must be up or down' };
	const { elapsedMs, ...spec } = read;
	return { spec: { ...spec, counts }, elapsedMs };
}
