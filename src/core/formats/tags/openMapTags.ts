import { isCalendarDay } from '../../time/index.js';
import type { Point, Service } from '../../logbook/index.js';
import { parseNumber } from '../../units/index.js';

/**
 * The tags of the open map that say what there is at a place, by the map's own documentation of its tags: both ways.
 * They are flat, so a fee or a note counts for every service of a place.
 */
export type Tags = Readonly<Record<string, string>>;

/** What tags say of a place, beside its name and position. */
export type Tagged = Omit<Point, 'id' | 'name' | 'position' | 'edited'>;

const YES = new Set(['yes', 'true', '1', 'designated', 'treated', 'customers', 'private', 'permissive']);
const NO = new Set(['no', 'false', '0', 'none']);
/** What a yes-or-no tag says; nothing where it says neither. */
const said = (value: string | undefined): boolean | undefined =>
	value === undefined ? undefined : YES.has(value) ? true : NO.has(value) ? false : undefined;

/** A fee as it is charged: the first number of `3 EUR` or `2,50/100 L`. */
const feeOf = (tags: Tags): number | undefined => {
	const figure = /\d+(?:[.,]\d+)?/.exec(tags.charge ?? '')?.[0];
	if (figure !== undefined) return parseNumber(figure);
	const inFee = /^\d+(?:[.,]\d+)?(?=\D|$)/.exec(tags.fee ?? '')?.[0];
	if (inFee !== undefined && !YES.has(tags.fee ?? '') && !NO.has(tags.fee ?? '')) return parseNumber(inFee);
	return said(tags.fee) === false ? 0 : undefined;
};

/** Whether there is water, and what is said of drinking it. */
function waterOf(tags: Tags): Service | undefined {
	const drinkable = said(tags.drinking_water);
	const there =
		tags.amenity === 'drinking_water' ||
		tags.amenity === 'water_point' ||
		tags.waterway === 'water_point' ||
		tags.man_made === 'water_tap' ||
		tags.natural === 'spring' ||
		said(tags.water_point) === true ||
		drinkable === true;
	if (!there) return undefined;
	// A place for drinking water is one by the meaning of its tag; a tap, a spring or a filling point is only if it says so.
	const potable = drinkable ?? (tags.amenity === 'drinking_water' ? true : undefined);
	return { kind: 'water', ...(potable === undefined ? {} : { potable }) };
}

const DUMP = 'sanitary_dump_station';
/** What a dump station takes: black and grey, where it does not say that it takes one of them only. */
function wasteOf(tags: Tags): readonly Service[] {
	if (tags.amenity !== DUMP && said(tags[DUMP]) !== true) return [];
	const takes = (kind: string): boolean => said(tags[`${DUMP}:${kind}`]) !== false;
	return [
		...(takes('grey_water') ? [{ kind: 'grey' as const }] : []),
		...(takes('black_water') ? [{ kind: 'black' as const }] : [])
	];
}

const optional = <K extends string>(key: K, value: string | undefined): { readonly [P in K]?: string } =>
	(value === undefined || value === '' ? {} : { [key]: value }) as { readonly [P in K]?: string };

/** What the tags of a place say; without services where they say of none. */
export function readTags(tags: Tags): Tagged {
	const fee = feeOf(tags);
	const water = waterOf(tags);
	const day = [tags.check_date, tags['survey:date']].find(
		(written) => written !== undefined && isCalendarDay(written)
	);
	const services = [...(water ? [water] : []), ...wasteOf(tags)].map((service) => ({
		...service,
		...(fee === undefined ? {} : { fee })
	}));
	const source = tags.natural === 'spring' ? 'spring' : tags.man_made === 'water_tap' ? 'tap' : undefined;
	const unknownFee = said(tags.fee) === true && fee === undefined ? 'Fee charged.' : undefined;
	const note = [tags.description, tags.note, unknownFee].filter((text) => text).join(' ');
	return {
		services,
		...optional('access', tags.access),
		...optional('hours', tags.opening_hours),
		...optional('season', tags.seasonal),
		...optional('source', source),
		...optional('verified', day),
		...optional('note', note)
	};
}

/** The tags that say what there is at a point, as far as tags can. */
export function tagsOf(point: Point): Tags {
	const has = (kind: Service['kind']): Service | undefined =>
		point.services.find((service) => service.kind === kind);
	const water = has('water');
	const waste = { grey: has('grey') !== undefined, black: has('black') !== undefined };
	const station = waste.grey || waste.black;
	const place: Tags = station
		? {
				amenity: DUMP,
				...(waste.grey ? {} : { [`${DUMP}:grey_water`]: 'no' }),
				...(waste.black ? {} : { [`${DUMP}:black_water`]: 'no' }),
				...(water ? { water_point: 'yes' } : {})
			}
		: !water
			? {}
			: point.source === 'spring'
				? { natural: 'spring' }
				: point.source === 'tap'
					? { man_made: 'water_tap' }
					: water.potable === true
						? { amenity: 'drinking_water' }
						: { amenity: 'water_point' };
	const drinkable: Tags =
		water?.potable === undefined ? {} : { drinking_water: water.potable ? 'yes' : 'no' };
	const fees = point.services.map(({ fee }) => fee);
	const [fee] = fees;
	const same = fee !== undefined && fees.every((one) => one === fee);
	const charge: Tags = same ? (fee === 0 ? { fee: 'no' } : { fee: 'yes', charge: String(fee) }) : {};
	const tags = {
		...place,
		...drinkable,
		...charge,
		...optional('access', point.access),
		...optional('opening_hours', point.hours),
		...optional('seasonal', point.season),
		...optional('check_date', point.verified),
		...optional('description', point.note)
	};
	return tags as Tags;
}

const NAMES: readonly (readonly [key: string, value: string, name: string])[] = [
	['amenity', 'drinking_water', 'Drinking water'],
	['amenity', 'water_point', 'Water point'],
	['waterway', 'water_point', 'Water point'],
	['amenity', DUMP, 'Dump station'],
	['man_made', 'water_tap', 'Water tap'],
	['natural', 'spring', 'Spring']
];

/** What a place without a name is called, by its tags. */
export const nameByTags = (tags: Tags): string | undefined =>
	NAMES.find(([key, value]) => tags[key] === value)?.[2];

/** The main tag of a place, `amenity=drinking_water`; empty where none is known. */
export const mainTag = (tags: Tags): string => {
	const found = NAMES.find(([key, value]) => tags[key] === value);
	return found ? `${found[0]}=${found[1]}` : '';
};

const TAG_KEYS = new Set(
	'amenity man_made natural waterway drinking_water water_point fee charge opening_hours access check_date seasonal description note name operator tourism leisure'.split(
		' '
	)
);
/** Whether a key is one of the tags that are understood. */
export const isTagKey = (key: string): boolean =>
	TAG_KEYS.has(key) || key.split(':')[0] === DUMP || key === 'survey:date';

/** Tags in a line of text: `amenity=water_point; fee=no`, one a line, or the bare value of a main tag. */
export function tagsInText(text: string): Tags {
	const found: Record<string, string> = {};
	for (const part of text.split(/[\n;]+|,\s*(?=[\w:]+=)/)) {
		const [, key, value] = /^\s*([\w:-]+)\s*=\s*(.+?)\s*$/.exec(part) ?? [];
		if (key !== undefined && value !== undefined && isTagKey(key)) found[key] = value;
		const bare = NAMES.find(([, name]) => name === part.trim());
		if (bare) found[bare[0]] = bare[1];
	}
	return found;
}
