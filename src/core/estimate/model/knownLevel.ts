import type { Sparse } from '../../numerics/index.js';
import type { Pool } from './pools.js';

/** A level that a movement ends at: what serves of a pool, or a figure; and the doubt of it, litres. */
export interface KnownLevel {
	readonly pool: Pool;
	/** what of the state it depends on */
	readonly from: Sparse;
	readonly constant: number;
	readonly sdL: number;
}

/** To the brim: what really serves, where that is still being learned. */
export const fullOf = (pool: Pool): KnownLevel => ({
	pool,
	from: pool.usableRow === undefined ? [] : [[pool.usableRow, 1]],
	constant: pool.usableRow === undefined ? pool.usableL : 0,
	sdL: pool.fullSdL
});
/** To what stays when it is emptied: what a dump leaves, or the drops in a jug poured out. */
export const emptyOfPool = (pool: Pool): KnownLevel => ({
	pool,
	from: [],
	constant: pool.emptyL,
	sdL: pool.emptySdL
});
