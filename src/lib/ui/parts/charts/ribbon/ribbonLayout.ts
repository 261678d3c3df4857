/** Where the lanes stand, px. */
export const RIBBON = { head: 74, lane: 72, gap: 14, foot: 8, right: 12 } as const;
/** A figure narrower than this has its lanes' names within them. */
export const NARROW_PX = 640;
/** Room for the names of the lanes, px. */
export const leftOf = (widthPx: number): number => (widthPx < NARROW_PX ? 8 : 104);
export const ribbonHeight = (lanes: number): number =>
	RIBBON.head + lanes * (RIBBON.lane + RIBBON.gap) + RIBBON.foot;
