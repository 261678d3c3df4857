import { cholesky, inverseBy, Matrix, solveBackward, solveForward } from '../../numerics/index.js';
import { countAtNodes, NODES, type CountAtNodes, type HabitCount } from './paceGrid.js';

/** What the log so far says of how much is not written down, by habit: means and covariance, row by row. */
export interface Unlogged {
	readonly mean: Float64Array;
	readonly cov: Float64Array;
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

/** Less likely than this is not reckoned with: by the counts alone, whose odds readings may yet turn; and in all. */
const UNLIKELY_BY_COUNTS = 1e-6;
const UNLIKELY = 1e-4;

/** Rates by their means, and how well what was believed before foresaw the evidence (log, less constants). */
interface Informed {
	readonly mean: Float64Array;
	readonly log: number;
	/** the covariance of the rates, worked out where it is asked for */
	readonly cov: () => Matrix;
}

/** A node of the grid with all that is known of the rates there, and how likely it is. */
interface Node {
	readonly weight: number;
	/** which of the grid */
	readonly j: number;
	readonly mean: Float64Array;
	readonly cov: Matrix;
}

/** Rates with independent normal priors at a node, and what readings say of them. */
function informed(
	given: readonly CountAtNodes[],
	j: number,
	{ information, weighted }: RateEvidence
): Informed {
	const posterior = information.copy();
	const eta = weighted.slice();
	let log = 0;
	given.forEach(({ missing, missingVariance }, a) => {
		const mean = missing[j] as number;
		const variance = missingVariance[j] as number;
		posterior.add(a, a, 1 / variance);
		eta[a] = (eta[a] as number) + mean / variance;
		log -= Math.log(variance) + mean ** 2 / variance;
	});
	const root = cholesky(posterior);
	// The rates are A⁻¹·eta, A = L·Lᵀ, and what they fit eta by, etaᵀ·A⁻¹·eta, is |L⁻¹·eta|².
	solveForward(root, eta);
	given.forEach((_, a) => {
		log += (eta[a] as number) ** 2 - 2 * Math.log(root.at(a, a));
	});
	solveBackward(root, eta);
	return { mean: eta, log: log / 2, cov: () => inverseBy(root) };
}

/** What the counts alone say at a node. */
const uninformed = (given: readonly CountAtNodes[], j: number): Informed => ({
	mean: Float64Array.from(given, ({ missing }) => missing[j] as number),
	log: 0,
	cov: () => {
		const cov = new Matrix(given.length);
		given.forEach(({ missingVariance }, a) => cov.set(a, a, missingVariance[j] as number));
		return cov;
	}
});

/** The nodes that are likely, each with what counts and readings say there. */
function likelyNodes(given: readonly CountAtNodes[], evidence: RateEvidence | undefined): readonly Node[] {
	const weights = NODES.map(({ chance }, j) =>
		given.reduce((product, own) => product * (own.chance[j] as number), chance)
	);
	const total = weights.reduce((sum, weight) => sum + weight, 0);
	const counted = NODES.flatMap(({ chance }, j) => {
		const weight = total > 0 ? (weights[j] as number) / total : chance;
		if (!(weight > UNLIKELY_BY_COUNTS)) return [];
		return [{ weight, j, said: evidence ? informed(given, j, evidence) : uninformed(given, j) }];
	});
	const most = Math.max(...counted.map(({ said }) => said.log));
	const sum = counted.reduce((all, { weight, said }) => all + weight * Math.exp(said.log - most), 0);
	return counted.flatMap(({ weight: byCounts, j, said }): readonly Node[] => {
		const weight = (byCounts * Math.exp(said.log - most)) / sum;
		return weight > UNLIKELY ? [{ weight, j, mean: said.mean, cov: said.cov() }] : [];
	});
}

/** The means of as many numbers as there are habits, over weighed nodes. */
function meansOver(
	nodes: readonly Node[],
	whole: number,
	n: number,
	of: (node: Node, a: number) => number
): Float64Array {
	const means = new Float64Array(n);
	for (const node of nodes)
		for (let a = 0; a < n; a++) means[a] = (means[a] as number) + node.weight * of(node, a);
	return means.map((sum) => sum / whole);
}

/** Over the likely nodes: what goes unlogged in all, and how the nodes differ about it. */
interface Mixture {
	readonly given: readonly CountAtNodes[];
	readonly nodes: readonly Node[];
	/** the sum of their weights */
	readonly whole: number;
	readonly unlogged: Unlogged;
}

function mixtureOf(habits: readonly HabitCount[], evidence: RateEvidence | undefined): Mixture {
	const n = habits.length;
	const given = habits.map(countAtNodes);
	const nodes = likelyNodes(given, evidence);
	const whole = nodes.reduce((sum, { weight }) => sum + weight, 0);
	const mean = meansOver(nodes, whole, n, (node, a) => node.mean[a] as number);
	const cov = new Float64Array(n * n);
	for (const node of nodes) {
		const { values } = node.cov;
		const beside = node.mean.map((rate, a) => rate - (mean[a] as number));
		for (let a = 0; a < n; a++)
			for (let b = 0; b <= a; b++) {
				const at = a * n + b;
				const both = (values[at] as number) + (beside[a] as number) * (beside[b] as number);
				cov[at] = (cov[at] as number) + node.weight * both;
			}
	}
	for (let a = 0; a < n; a++)
		for (let b = 0; b <= a; b++) cov[a * n + b] = cov[b * n + a] = (cov[a * n + b] as number) / whole;
	return { given, nodes, whole, unlogged: { mean, cov } };
}

/**
 * What goes unlogged of each habit, litres per exposure: see `useInLog`, of which it is the half that a filter asks for with
 * every day that is counted.
 */
export const unloggedInLog = (habits: readonly HabitCount[], evidence?: RateEvidence): Unlogged =>
	mixtureOf(habits, evidence).unlogged;

/**
 * Unlogged litres per exposure of each habit, and how often it is written down, from how often it was logged, how often it
 * usually happens, and what readings say. The household's pace and the chance that a use is written down are common to all
 * habits and unknown; on a grid of both, each habit is weighed by its count and all together by the evidence. The moments of
 * that mixture are what the belief is given.
 */
export function useInLog(habits: readonly HabitCount[], evidence?: RateEvidence): UseInLog {
	const { given, nodes, whole, unlogged } = mixtureOf(habits, evidence);
	const { mean, cov } = unlogged;
	const n = habits.length;
	const over = (of: (node: Node) => number): number =>
		nodes.reduce((sum, node) => sum + node.weight * of(node), 0) / whole;
	const writtenAt = ({ j, mean: rates }: Node, a: number): number => {
		const own = given[a] as CountAtNodes;
		return (
			(own.written[j] as number) +
			(own.slope[j] as number) * ((rates[a] as number) - (own.missing[j] as number))
		);
	};
	const written = meansOver(nodes, whole, n, writtenAt);
	const moreMissing = (node: Node, a: number): number => (node.mean[a] as number) - (mean[a] as number);
	const moreWritten = (node: Node, a: number): number => writtenAt(node, a) - (written[a] as number);
	const perUnloggedL = given.map(({ slope }, a) => {
		const spread = cov[a * n + a] as number;
		const both = over(
			(node) => (slope[node.j] as number) * node.cov.at(a, a) + moreMissing(node, a) * moreWritten(node, a)
		);
		return spread > 1e-12 ? both / spread : 0;
	});
	/** what is written of a habit at a node, above what its unlogged litres explain */
	const beyond = (node: Node, a: number): number =>
		moreWritten(node, a) - (perUnloggedL[a] as number) * moreMissing(node, a);
	// All that habits have in common is gathered in the litres of all of them.
	const common = new Map(
		nodes.map((node) => [node, habits.reduce((sum, { litres }, a) => sum + litres * beyond(node, a), 0)])
	);
	const commonSd = Math.sqrt(over((node) => (common.get(node) ?? 0) ** 2));
	return {
		unlogged,
		logged: given.map(({ slope, missingVariance, writtenVariance }, a): Logged => {
			const variance = over(
				(node) =>
					(writtenVariance[node.j] as number) -
					(slope[node.j] as number) ** 2 * ((missingVariance[node.j] as number) - node.cov.at(a, a)) +
					moreWritten(node, a) ** 2
			);
			const perPace =
				commonSd > 1e-12 ? over((node) => (common.get(node) ?? 0) * beyond(node, a)) / commonSd : 0;
			const perLitre = perUnloggedL[a] as number;
			const left = variance - perLitre ** 2 * (cov[a * n + a] as number) - perPace ** 2;
			return {
				mean: written[a] as number,
				perUnloggedL: perLitre,
				perPace,
				sd: Math.sqrt(Math.max(0, left))
			};
		})
	};
}
