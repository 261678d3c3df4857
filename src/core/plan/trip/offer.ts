/** Kinds of service used at one visit, as bits: 1 << kind. */
export type Mask = number;

/** A chance to use services. */
export interface Offer {
	/** the kinds there are */
	readonly offers: Mask;
	/** by mask of the kinds used: what that costs; 0 for none */
	readonly cost: readonly number[];
}
