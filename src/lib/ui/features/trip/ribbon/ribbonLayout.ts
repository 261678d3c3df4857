/** Where the lanes stand, px. */
export const RIBBON = { head: 74, lane: 72, gap: 14, foot: 8, right: 12 } as const;
export const ribbonHeight = (lanes: number): number =>
	RIBBON.head + lanes * (RIBBON.lane + RIBBON.gap) + RIBBON.foot;
