import { sumOf } from '../numerics/index.js';
import type { Burst, Reading } from './bursts.js';
import { MISNAMED, matchExamples, type Example } from './examples.js';
import { accountsOf, LONGEST_PAUSE_MS, type Account, type Group, type Known } from './grouping.js';
import type { Run } from './runs.js';
import { chancesInTurn } from './turns.js';

/** Chances are no surer than what they rest on: a power that flattens them, where the device sees taps well, and where it hardly does. */
export const FLATTEN = { seen: 0.85, hardly: 0.65 };

/** Runs between which there was a pause that no use spans, apart from one another. */
export function stretchesOf(runs: readonly Run[]): readonly (readonly Run[])[] {
	const stretches: Run[][] = [];
	let endMs = -Infinity;
	for (const run of runs) {
		const fromMs = run.levels[0]?.fromMs ?? 0;
		if (fromMs - endMs > LONGEST_PAUSE_MS) stretches.push([]);
		stretches.at(-1)?.push(run);
		endMs = Math.max(endMs, run.levels.at(-1)?.toMs ?? 0);
	}
	return stretches;
}

/** Litres that two bursts have in common: those of the same run, as far as they ran at once. */
function commonL(a: Burst, b: Burst): number {
	if (a === b) return a.litres;
	if (a.run !== b.run) return 0;
	const both = Math.min(a.toMs, b.toMs) - Math.max(a.fromMs, b.fromMs);
	if (both <= 0) return 0;
	return Math.min((a.litres * both) / (a.toMs - a.fromMs), (b.litres * both) / (b.toMs - b.fromMs));
}

/** Shares of the manners in what a group may be, alone. */
const sharesOf = ({ each, evidence }: Group): Float64Array => each.map((one) => Math.exp(one - evidence));

/** What another account has for the litres of a group: its groups, each with its share of them; the group itself where it is there, too. */
function counterparts(
	group: Group,
	groups: readonly Group[]
): readonly { readonly other: Group; readonly share: number }[] {
	if (groups.includes(group)) return [{ other: group, share: 1 }];
	const common = groups.map((other) => ({
		other,
		litres: sumOf(group.bursts.flatMap((a) => other.bursts.map((b) => commonL(a, b))))
	}));
	// Taps over one another have the same moment in common with more than one.
	const all = Math.max(group.litres, sumOf(common.map(({ litres }) => litres)));
	return common.map(({ other, litres }) => ({ other, share: litres / all }));
}

/** What a group of the likeliest account may be, all accounts taken together. */
function marginal(group: Group, accounts: readonly Account[], manners: number): Float64Array {
	const sum = new Float64Array(manners);
	for (const { groups, chance } of accounts)
		for (const { other, share } of counterparts(group, groups)) {
			if (share === 0) continue;
			const shares = sharesOf(other);
			for (let i = 0; i < manners; i++) sum[i] = (sum[i] ?? 0) + chance * share * (shares[i] ?? 0);
		}
	return sum;
}

/** A group of the likeliest account with the chances of the manners that it may be of. */
export interface Named {
	readonly group: Group;
	readonly chances: Float64Array;
	/** the entry by which somebody said what it was */
	readonly told?: string;
}

const flattened = (chances: Float64Array, power: number): Float64Array => {
	const flat = chances.map((one) => Math.max(one, 1e-9) ** power);
	const all = flat.reduce((sum, one) => sum + one, 0);
	return flat.map((one) => one / all);
};

/** Names what was heard, by the manners as they are believed. */
export function named(
	stretches: readonly (readonly (readonly Reading[])[])[],
	habits: readonly string[],
	known: Known,
	{ examples, flatten }: { readonly examples: readonly Example[]; readonly flatten: number }
): readonly Named[] {
	const accounts = stretches.map((readings) => accountsOf(known, readings));
	const alone = accounts.flatMap((of) =>
		(of[0]?.groups ?? []).map((group) => ({
			group,
			chances: flattened(marginal(group, of, known.manners.length), flatten)
		}))
	);
	const inTime = alone.sort((a, b) => a.group.fromMs - b.group.fromMs);
	const inTurn = chancesInTurn(
		inTime.map(({ group, chances }) => ({ fromMs: group.fromMs, toMs: group.toMs, chances })),
		known.manners.map(({ perDay }) => perDay)
	);
	const byGroup = new Map(inTime.map(({ group }, i) => [group, inTurn[i] ?? new Float64Array()]));
	const matched = matchExamples(examples, [...byGroup.keys()], (group, habit) =>
		Math.log(byGroup.get(group)?.[habits.indexOf(habit)] ?? 0)
	);
	return [...byGroup].map(([group, chances]): Named => {
		const match = matched.get(group);
		if (!match) return { group, chances };
		const at = habits.indexOf(match.example.habit);
		const odds = 1 + (Math.exp(match.nearness) * (1 - MISNAMED)) / MISNAMED;
		const told = chances.map((one, i) => (i === at ? one * odds : one));
		const all = told.reduce((sum, one) => sum + one, 0);
		return { group, chances: told.map((one) => one / all), told: match.example.entry };
	});
}
