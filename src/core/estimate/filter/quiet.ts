/**
 * A stretch of which no use was written down, and what is believed of it. Who writes is *writing*, *silent* (lives on and
 * writes no use, or only what is done at a tap), or *away*: nobody is there. How much a quiet stretch tells follows from what
 * this log would have brought in it.
 */
export interface Silence {
	/** the last use before it, ms */
	readonly sinceMs: number;
	/** up to then the belief has taken it in, ms */
	readonly settledMs: number;
	/** the chance that nobody wrote any more by then, and, of that, that one lived on */
	readonly silent: number;
	readonly lived: number;
	/** litres drawn beside what flows in any case, had nobody been there, and had one lived on */
	readonly awayL: number;
	readonly livedL: number;
	/** when a use was written again, ms */
	readonly endMs?: number;
}
