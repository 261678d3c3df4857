import { instantMs, type Entry } from '../../logbook/index.js';
import {
	augment,
	blockOf,
	difference,
	Gaussian,
	marginal,
	product,
	productWithTransposed,
	solveRight,
	sumOfMatrices
} from '../../numerics/index.js';
import { DAY_MS } from '../../time/index.js';
import { bandOf, levelWithin, posterior, predict, quietAhead, type Estimate } from '../filter/index.js';
import { applyEntry } from '../gating/index.js';
import { litresRead, type Model } from '../model/index.js';
import { stateBefore } from './stateBefore.js';

/** A tank's level at one moment of the past, with what came later taken into account. */
export interface PastLevel {
	readonly ms: number;
	readonly litres: number;
	/** 5 % and 95 % points */
	readonly low: number;
	readonly high: number;
}

/** What was read of a tank, in litres. */
export interface PastReading {
	readonly entry: string;
	readonly instrument: string;
	readonly ms: number;
	readonly litres: number;
	readonly doubted: boolean;
}

/** The past of one tank: its levels, and what was read of it. */
export interface PastTank {
	readonly id: string;
	readonly levels: readonly PastLevel[];
	readonly readings: readonly PastReading[];
}

const GRID_MS = DAY_MS / 8;

/** One step of the way: the state after it and the state before it, as one joint belief given all up to the step. */
interface Link {
	readonly ms: number;
	/** 2n numbers: after the step, then before it */
	readonly joint: Gaussian;
}

/** Puts the present state into the second half, so that the coming step is known together with what was before it. */
function remember({ mean, cov }: Gaussian, n: number): void {
	for (let i = 0; i < n; i++) mean[n + i] = mean[i] as number;
	for (let i = 0; i < n; i++)
		for (let k = 0; k < n; k++) {
			const value = cov.at(i, k);
			cov.set(n + i, k, value);
			cov.set(i, n + k, value);
			cov.set(n + i, n + k, value);
		}
}

/** What a covariance knows exactly carries no further news: below this share of a variance it counts as known. */
const KNOWN = (variance: number): number => 1e-9 * Math.max(1, variance);

/**
 * One step back (Rauch, Tung and Striebel 1965): the state before a step, given everything, from the state after it,
 * given everything. G = cov(before, after)·cov(after)⁻¹.
 */
function stepBack({ joint }: Link, after: Gaussian): Gaussian {
	const n = after.size;
	const gain = solveRight(blockOf(joint.cov, n, 0, n), blockOf(joint.cov, 0, 0, n), KNOWN);
	const mean = new Float64Array(n);
	for (let i = 0; i < n; i++) {
		let sum = joint.mean[n + i] as number;
		for (let k = 0; k < n; k++)
			sum += gain.at(i, k) * ((after.mean[k] as number) - (joint.mean[k] as number));
		mean[i] = sum;
	}
	const change = productWithTransposed(
		product(gain, difference(after.cov, blockOf(joint.cov, 0, 0, n))),
		gain
	);
	return new Gaussian(n, mean, sumOfMatrices(blockOf(joint.cov, n, n, n), change));
}

/** The way from a moment on: each entry in two links, the time up to it and what happened; and a grid between. */
function linksOf(
	estimate: Estimate,
	fromMs: number
): { readonly links: readonly Link[]; readonly end: Gaussian } {
	const { model, failing, atMs } = estimate;
	const n = model.size;
	const { state, later } = stateBefore(estimate, fromMs);
	const startMs = state.atMs === undefined ? instantMs(later[0]?.at ?? new Date(atMs).toISOString()) : fromMs;
	predict(model, state, startMs);
	state.belief = augment(state.belief, 2 * n);
	const links: Link[] = [];
	const link = (ms: number, happen: () => void): void => {
		remember(state.belief, n);
		happen();
		links.push({ ms, joint: state.belief.copy() });
	};
	link(startMs, () => undefined);
	const passTo = (ms: number, entry?: Entry): void => {
		// A silence is lived as it goes, by what is known of it at its end.
		const by = entry?.kind === 'use' ? 'use' : entry ? 'presence' : 'asked';
		const use = entry?.kind === 'use' ? entry : undefined;
		const quiet = entry?.kind === 'note' ? undefined : quietAhead(model, state, ms, by, use);
		const pass = (to: number): void => {
			predict(model, state, to);
			quiet?.takeUntil(state, to);
		};
		for (let next = (state.atMs ?? ms) + GRID_MS; next < ms; next += GRID_MS) link(next, () => pass(next));
		link(ms, () => pass(ms));
	};
	for (const entry of later) {
		const ms = instantMs(entry.at);
		passTo(ms, entry);
		link(ms, () => applyEntry(model, state, entry, failing));
	}
	passTo(atMs);
	return { links, end: marginal(posterior(state), n) };
}

function levelIn(model: Model, belief: Gaussian, tankId: string, ms: number): PastLevel | undefined {
	const place = model.places.get(tankId);
	if (!place) return undefined;
	const level = levelWithin(place, belief);
	return { ms, litres: level.mean, ...bandOf(level, place, belief) };
}

/**
 * The best account of the past from a moment to the estimate's own: forward through the entries, then backward, so
 * that each level knows what was read after it too. Fills and dumps show as two levels at one moment.
 */
export function smoothedPast(estimate: Estimate, fromMs: number): readonly PastTank[] {
	const { model, state } = estimate;
	if (estimate.entries.length === 0) return [];
	const { links, end } = linksOf(estimate, fromMs);
	const states: { ms: number; belief: Gaussian }[] = [];
	let after = end;
	for (let i = links.length - 1; i >= 0; i--) {
		const link = links[i] as Link;
		states.push({ ms: link.ms, belief: after });
		after = stepBack(link, after);
	}
	states.reverse();
	const doubted = new Set(state.doubts.map(({ entry }) => entry));
	return model.rig.tanks.map(({ id }) => ({
		id,
		levels: states.flatMap(({ ms, belief }) => levelIn(model, belief, id, ms) ?? []),
		readings: estimate.entries.flatMap((entry): readonly PastReading[] => {
			if (entry.kind !== 'reading' || instantMs(entry.at) < fromMs) return [];
			const instrument = model.instruments.get(entry.instrument);
			const litres = instrument?.tank === id ? litresRead(model, entry) : undefined;
			return litres === undefined
				? []
				: [
						{
							entry: entry.id,
							instrument: entry.instrument,
							ms: instantMs(entry.at),
							litres,
							doubted: doubted.has(entry.id)
						}
					];
		})
	}));
}
