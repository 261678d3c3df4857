/** The lists of which a rig is made. */
export type LogbookPart =
	'tanks' | 'outlets' | 'instruments' | 'habits' | 'measures' | 'sources' | 'containers' | 'care';
/** What any of those lists holds. */
export type Item = { readonly id: string; readonly name: string; readonly retired?: true | undefined };

/** The lists of a rig whose items can be retired. */
export const PARTS: readonly LogbookPart[] = Object.freeze([
	'tanks',
	'outlets',
	'instruments',
	'habits',
	'measures',
	'sources',
	'containers',
	'care'
]);

/** What a list of a rig holds; nothing where the rig has none. */
export const itemsOf = (rig: { readonly [P in LogbookPart]?: unknown }, part: LogbookPart): readonly Item[] =>
	(rig[part] as readonly Item[] | undefined) ?? [];

/** All that a record is made of and names: the parts of a rig, the stops of a trip; nothing of others. */
export const itemsIn = (record: object): readonly Item[] =>
	'stops' in record
		? (record.stops as readonly Item[])
		: 'tanks' in record
			? PARTS.flatMap((part) => itemsOf(record, part))
			: [];

/** Ways to fill and dump other than at the least cost. */
export const SCHOOLS = ['top-up', 'when-due', 'light', 'fewest-stops', 'free-water'] as const;
