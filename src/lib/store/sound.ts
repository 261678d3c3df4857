import { fnv1a } from '$core/numerics';

/**
 * What is known of records that were looked at one by one: by which rules, and a sum over all of them. As long as it comes out the
 * same, none has become another since, and none need be looked at again.
 */
export interface Sound {
	readonly by: string;
	readonly sum: number;
}

/** A record's part of the sum: the hash of its key and content. NaN where it is nothing that could be written down. */
export function markOf(key: string, value: unknown): number {
	try {
		return fnv1a(`${key}${JSON.stringify(value)}`);
	} catch (error) {
		// What goes in circles, or holds what JSON has not, is no record: the sum does not come out then.
		if (error instanceof TypeError) return Number.NaN;
		throw error;
	}
}

/** The sum over some records, in any order, beside what was there before. */
export const withMarks = (
	sum: number,
	records: readonly (readonly [key: string, value: unknown])[],
	sign: 1 | -1 = 1
): number =>
	records.reduce((all, [key, value]) => {
		const mark = value === undefined ? 0 : markOf(key, value);
		return Number.isNaN(mark) || Number.isNaN(all) ? Number.NaN : (all + sign * mark) >>> 0;
	}, sum);
