import type { Tags } from '../tags/openMapTags.js';

/** What the names of symbols and types that devices write say there is, as the open map's tags; the first that fits of each kind. */
const WATER: readonly (readonly [says: RegExp, tags: Tags])[] = [
	[
		/\bnon?[- ]?(drinking|potable)|\bnot (for )?(drinking|potable)/i,
		{ water_point: 'yes', drinking_water: 'no' }
	],
	[/\b(drinking|potable)[ _-]*(water|fountain|tap)\b|\bpotable\b/i, { amenity: 'drinking_water' }],
	[
		/\bwater[ _-]*(source|point|tap|fill(ing)?|refill|supply|station|hydrant)\b|\b(fresh|tap)[ _-]*water\b/i,
		{ water_point: 'yes' }
	]
];
const STATION = 'sanitary_dump_station';
const WASTE: readonly (readonly [says: RegExp, tags: Tags])[] = [
	[/\bgr[ae]y[ _-]*water\b/i, { [STATION]: 'yes', [`${STATION}:black_water`]: 'no' }],
	[
		/\b(chemical[ _-]*toilet|cassette|black[ _-]*water)\b/i,
		{ [STATION]: 'yes', [`${STATION}:grey_water`]: 'no' }
	],
	[
		/\bdump(ing)?([ _-]*(station|point|site))?\b|\bsani(tary)?[ _-]*(dump|station)\b|\bpump[ _-]*out\b/i,
		{ [STATION]: 'yes' }
	]
];

/** The tags that a symbol or a type stands for; none where it says nothing of water or waste. */
export function tagsOfSymbol(text: string): Tags {
	const first = (list: typeof WATER): Tags => list.find(([says]) => says.test(text))?.[1] ?? {};
	return { ...first(WASTE), ...first(WATER) };
}
