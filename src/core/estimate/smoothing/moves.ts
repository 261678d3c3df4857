import { instantMs, type Entry } from '../../logbook/index.js';
import type { Estimate } from '../filter/index.js';
import { applyEntry, predictTo, step } from '../gating/index.js';
import { stateBefore } from './stateBefore.js';

/** What an entry that moves water did: the level of each pool before and after it, litres, as believed then. */
export interface Move {
	readonly entry: Entry;
	readonly ms: number;
	readonly before: readonly number[];
	readonly after: readonly number[];
}

const MOVING: ReadonlySet<Entry['kind']> = new Set(['fill', 'transfer', 'dump', 'mark', 'hookup']);

/** Every entry from a moment on that moves water between tanks, or in or out, or says that one is full or empty. */
export function movesOf(estimate: Estimate, fromMs: number): readonly Move[] {
	const { model, failing } = estimate;
	const { state, later } = stateBefore(estimate, fromMs);
	const levels = (): readonly number[] =>
		model.pools.map(({ index, usableL }) =>
			Math.min(Math.max(state.belief.mean[index] ?? 0, 0), Math.max(usableL, 0))
		);
	const moves: Move[] = [];
	for (const entry of later) {
		const ms = instantMs(entry.at);
		if (!MOVING.has(entry.kind)) {
			step(model, state, entry, failing);
			continue;
		}
		// The time up to it is no part of what it did.
		predictTo(model, state, ms);
		const before = levels();
		applyEntry(model, state, entry, failing);
		moves.push({ entry, ms, before, after: levels() });
	}
	return moves;
}
