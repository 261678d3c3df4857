/** A use in the order of time, with the chances of the manners that it may be of. */
interface Turn {
	readonly fromMs: number;
	readonly toMs: number;
	readonly chances: Float64Array;
}

/** What is done just after something else is so within so long, ms. */
const JUST_AFTER_MS = 150_000;
/** Before anything is seen, what follows what is as it is alone: counts that weigh as so many. */
const PRIOR = 4;
const ROUNDS = 2;

const normalised = (values: Float64Array): Float64Array => {
	const all = values.reduce((sum, one) => sum + one, 0);
	return all > 0 ? values.map((one) => one / all) : values;
};

/** How much likelier each manner is just after each other than alone: by how often it is taken to have been so. */
function ratiosOf(turns: readonly Turn[], shares: Float64Array): readonly Float64Array[] {
	const counts = Array.from(shares, () => shares.map((one) => PRIOR * one));
	for (const [i, turn] of turns.entries()) {
		const before = turns[i - 1];
		if (!before || turn.fromMs - before.toMs > JUST_AFTER_MS) continue;
		for (const [a, row] of counts.entries())
			for (let b = 0; b < row.length; b++)
				row[b] = (row[b] ?? 0) + (before.chances[a] ?? 0) * (turn.chances[b] ?? 0);
	}
	return counts.map((row) => normalised(row).map((one, b) => one / Math.max(shares[b] ?? 0, 1e-6)));
}

const weighted = (values: Float64Array, by: (b: number) => number): Float64Array =>
	normalised(values.map((one, b) => one * by(b)));

/** Chances of each turn, what was just before and what came just after weighed (forward and backward: Rabiner 1989). */
function smoothed(turns: readonly Turn[], ratios: readonly Float64Array[]): readonly Float64Array[] {
	const follows = turns.map(
		(turn, i) => i > 0 && turn.fromMs - (turns[i - 1]?.toMs ?? -Infinity) <= JUST_AFTER_MS
	);
	const forward: Float64Array[] = [];
	for (const [i, { chances }] of turns.entries()) {
		const before = follows[i] ? forward[i - 1] : undefined;
		forward.push(
			before
				? weighted(chances, (b) => before.reduce((sum, one, a) => sum + one * (ratios[a]?.[b] ?? 1), 0))
				: chances
		);
	}
	const answers = [...forward];
	let after: Float64Array | undefined;
	for (let i = turns.length - 1; i >= 0; i--) {
		const own = turns[i]?.chances ?? new Float64Array();
		const to = after;
		if (follows[i + 1] && to) {
			const back = Float64Array.from(own, (_, a) =>
				to.reduce((sum, one, b) => sum + one * (ratios[a]?.[b] ?? 1), 0)
			);
			answers[i] = weighted(forward[i] ?? own, (a) => back[a] ?? 1);
			after = weighted(own, (a) => back[a] ?? 1);
		} else after = own;
	}
	return answers;
}

/**
 * Chances of uses in the order of time, where what is done just after what is learned from them: hands after a flush.
 *
 * @param perDay how often each manner is, times a day
 */
export function chancesInTurn(turns: readonly Turn[], perDay: readonly number[]): readonly Float64Array[] {
	const shares = normalised(Float64Array.from(perDay));
	let chances: readonly Float64Array[] = turns.map((turn) => turn.chances);
	for (let round = 0; round < ROUNDS; round++) {
		const believed = turns.map((turn, i) => ({ ...turn, chances: chances[i] ?? turn.chances }));
		chances = smoothed(turns, ratiosOf(believed, shares));
	}
	return chances;
}
