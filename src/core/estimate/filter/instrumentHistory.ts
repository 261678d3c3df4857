/** What is remembered of one instrument between its readings. Never changed in place. */
export interface InstrumentHistory {
	/** of a meter: the displayed value from which it counts since its reset; it goes down by a round when the meter rolls over */
	readonly countsFrom?: number;
	/** of a countdown that has come to 0: so much was drawn, or more, litres by the meter */
	readonly leastL?: number | undefined;
	/** of a meter whose last figure was on the wrong side of that one: what it counted from before, and what had passed by then, litres */
	readonly odd?:
		| {
				readonly entry: string;
				readonly shows: number;
				readonly countsFrom: number;
				readonly passed: { readonly mean: number; readonly variance: number };
		  }
		| undefined;
	/**
	 * how it fared of late, reading by reading, the last few: 0 taken in, 1 doubted, ½ doubted where a missed fill or dump
	 * would explain it as well
	 */
	readonly misfits: readonly number[];
	/** what a gauge said when it was last taken in, litres */
	readonly acceptedL?: number | undefined;
	/** a gauge whose doubted readings another look into the tank spoke against: by how much they were off, litres */
	readonly refutedL?: number | undefined;
	/** how strained its readings are: cumulative sums of −ln chance, nats; see `cusum` */
	readonly strain?: { readonly strainNats: number; readonly suspicionNats: number } | undefined;
	/** how far its readings have run below the account, little by little: a cumulative sum of deviations, and its litres */
	readonly loss?: { readonly sumSds: number; readonly litres: number; readonly sinceMs: number };
	/** a gauge that deserves a look at what everything else says without it: since when, and when it last gave reason for it */
	readonly suspicion?: { readonly sinceMs: number; readonly lastMs: number };
}

/** Of which nothing is remembered yet. */
const NO_HISTORY: InstrumentHistory = { misfits: [] };

/** What is remembered by instrument; see `InstrumentHistory`. */
type Histories = Map<string, InstrumentHistory>;

/** What is remembered of an instrument, by its id. */
export const historyOf = (
	{ instruments }: { readonly instruments: ReadonlyMap<string, InstrumentHistory> },
	id: string
): InstrumentHistory => instruments.get(id) ?? NO_HISTORY;

/** Remembers something more, or something else, of an instrument. */
export const remember = (
	state: { readonly instruments: Histories },
	id: string,
	news: Partial<InstrumentHistory>
): void => void state.instruments.set(id, { ...historyOf(state, id), ...news });
