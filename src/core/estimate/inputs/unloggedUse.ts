import { cholesky, inverseOf, Matrix } from '../../numerics/index.js';
import { countAtNodes, NODES, type CountAtNode, type HabitCount } from './paceGrid.js';

/** What the log so far says of how much is not written down, by habit: means and covariance, row by row. */
export interface Unlogged {
	readonly mean: readonly number[];
	readonly cov: readonly number[];
}

/** How often a habit will be written down, times per exposure, given how much of it is not. */
export interface Logged {
	readonly mean: number;
	/** times more or less for each litre unlogged above its mean: who writes less down leaves more unwritten */
	readonly perUnloggedL: number;
	/** times more or less for each deviation of what the doubts of all habits have in common: the household's pace */
	readonly perPace: number;
	/** the doubt that is left */
	readonly sd: number;
}

/** What the counts in a log say of how use divides into what is written down and what is not. */
export interface UseInLog {
	readonly unlogged: Unlogged;
	readonly logged: readonly Logged[];
}

/** What readings say of what goes unlogged, beside the counts: a normal likelihood of the rates, by its information. */
export interface RateEvidence {
	readonly information: Matrix;
	/** information · rates */
	readonly weighted: Float64Array;
}

/** Less likely than this is not reckoned with. */
const UNLIKELY = 1e-9;

/** A node of the grid with all that is known: how likely it is, what then goes unlogged (means, covariance), what is written. */
interface Node {
	readonly weight: number;
	readonly missing: Float64Array;
	readonly cov: Matrix;
	readonly written: readonly number[];
	readonly counts: readonly CountAtNode[];
}

/** Rates by their means and covariance, and how well what was believed before foresaw the evidence (log, less constants). */
interface Informed {
	readonly mean: Float64Array;
	readonly cov: Matrix;
	readonly log: number;
}

/** Rates with independent normal priors, and evidence. */
function informed(counts: readonly CountAtNode[], { information, weighted }: RateEvidence): Informed {
	const posterior = information.copy();
	const eta = weighted.slice();
	let log = 0;
	counts.forEach(({ missing, missingVariance }, a) => {
		posterior.add(a, a, 1 / missingVariance);
		eta[a] = (eta[a] as number) + missing / missingVariance;
		log -= Math.log(missingVariance) + missing ** 2 / missingVariance;
	});
	const cov = inverseOf(posterior);
	const root = cholesky(posterior);
	const mean = cov.times(eta);
	counts.forEach((_, a) => {
		log += (eta[a] as number) * (mean[a] as number) - 2 * Math.log(Math.max(root.at(a, a), 1e-12));
	});
	return { mean, cov, log: log / 2 };
}

/** The nodes that are likely, each with what the counts and the evidence say there. */
function likelyNodes(habits: readonly HabitCount[], evidence: RateEvidence | undefined): readonly Node[] {
	const given = habits.map(countAtNodes);
	const weights = NODES.map(({ chance }, j) =>
		given.reduce((product, own) => product * (own[j] as CountAtNode).chance, chance)
	);
	const total = weights.reduce((sum, weight) => sum + weight, 0);
	const counted = NODES.flatMap(({ chance }, j): readonly (Informed & Pick<Node, 'weight' | 'counts'>)[] => {
		const weight = total > 0 ? (weights[j] as number) / total : chance;
		if (!(weight > UNLIKELY)) return [];
		const counts = given.map((own) => own[j] as CountAtNode);
		if (evidence) return [{ weight, counts, ...informed(counts, evidence) }];
		const cov = new Matrix(habits.length);
		counts.forEach(({ missingVariance }, a) => cov.set(a, a, missingVariance));
		return [{ weight, counts, mean: Float64Array.from(counts, ({ missing }) => missing), cov, log: 0 }];
	});
	const most = Math.max(...counted.map(({ log }) => log));
	const sum = counted.reduce((all, { weight, log }) => all + weight * Math.exp(log - most), 0);
	return counted.flatMap(({ weight, log, mean, cov, counts }): readonly Node[] => {
		const now = (weight * Math.exp(log - most)) / sum;
		if (!(now > UNLIKELY)) return [];
		const written = counts.map((one, a) => one.written + one.slope * ((mean[a] as number) - one.missing));
		return [{ weight: now, missing: mean, cov, written, counts }];
	});
}

/**
 * Unlogged litres per exposure of each habit, and how often it is written down, from how often it was logged, how often it
 * usually happens, and what readings say. The household's pace and the chance that a use is written down are common to all
 * habits and unknown; on a grid of both, each habit is weighed by its count and all together by the evidence. The moments of
 * that mixture are what the belief is given.
 */
export function useInLog(habits: readonly HabitCount[], evidence?: RateEvidence): UseInLog {
	const n = habits.length;
	const nodes = likelyNodes(habits, evidence);
	const over = (of: (node: Node) => number): number =>
		nodes.reduce((sum, node) => sum + node.weight * of(node), 0);
	const mean = habits.map((_, a) => over(({ missing }) => missing[a] as number));
	const written = habits.map((_, a) => over((node) => node.written[a] as number));
	const cov = new Array<number>(n * n).fill(0);
	for (let a = 0; a < n; a++)
		for (let b = 0; b <= a; b++) {
			const [one, other] = [mean[a] as number, mean[b] as number];
			cov[a * n + b] = cov[b * n + a] = over(
				({ missing, cov: own }) =>
					own.at(a, b) + ((missing[a] as number) - one) * ((missing[b] as number) - other)
			);
		}
	const perUnloggedL = habits.map((_, a) => {
		const spread = cov[a * n + a] as number;
		const both = over(
			({ counts, cov: own, missing, written: times }) =>
				(counts[a] as CountAtNode).slope * own.at(a, a) +
				((missing[a] as number) - (mean[a] as number)) * ((times[a] as number) - (written[a] as number))
		);
		return spread > 1e-12 ? both / spread : 0;
	});
	/** what is written of a habit at a node, above what its unlogged litres explain */
	const beyond = (node: Node, a: number): number =>
		(node.written[a] as number) -
		(written[a] as number) -
		(perUnloggedL[a] as number) * ((node.missing[a] as number) - (mean[a] as number));
	// All that habits have in common is gathered in the litres of all of them.
	const common = new Map(
		nodes.map((node) => [node, habits.reduce((sum, { litres }, a) => sum + litres * beyond(node, a), 0)])
	);
	const commonSd = Math.sqrt(over((node) => (common.get(node) ?? 0) ** 2));
	return {
		unlogged: { mean, cov },
		logged: habits.map((_, a): Logged => {
			const slope = perUnloggedL[a] as number;
			const variance = over(({ counts, cov: own, written: times }) => {
				const one = counts[a] as CountAtNode;
				const within = one.writtenVariance - one.slope ** 2 * (one.missingVariance - own.at(a, a));
				return within + ((times[a] as number) - (written[a] as number)) ** 2;
			});
			const perPace =
				commonSd > 1e-12 ? over((node) => (common.get(node) ?? 0) * beyond(node, a)) / commonSd : 0;
			const left = variance - slope ** 2 * (cov[a * n + a] as number) - perPace ** 2;
			return { mean: written[a] as number, perUnloggedL: slope, perPace, sd: Math.sqrt(Math.max(0, left)) };
		})
	};
}
