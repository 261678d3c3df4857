import type { Service } from '$core/logbook';

/** What a sign on the map says by its shape: whether there is water and of which kind, and what can be emptied. */
export interface SignFacts {
	readonly services: readonly Pick<Service, 'kind' | 'potable'>[];
	/** nobody has said for long that it is still so */
	readonly stale?: boolean;
}

const DROP = 'M7 1 C7 1 2 7.2 2 11 A5 5 0 0 0 12 11 C12 7.2 7 1 7 1 Z';
const SIZE = 16;
const STEP = 15;

/** A drop: full where it is called drinking water, struck through where it is not, hollow where nobody says. */
const waterGlyph = (potable: boolean | undefined): string =>
	`<path d="${DROP}" class="water" ${potable === true ? '' : 'data-hollow'}/>` +
	(potable === false ? '<path d="M1 14 L13 2" class="strike"/>' : '');
/** A square for what is emptied: half full for grey, full for black. */
const wasteGlyph = (kind: 'grey' | 'black'): string =>
	`<rect x="2" y="4" width="10" height="10" class="${kind}" data-hollow/>` +
	`<rect x="2" y="${kind === 'grey' ? 9 : 4}" width="10" height="${kind === 'grey' ? 5 : 10}" class="${kind}"/>`;
/** A plug for a hook-up. */
const hookGlyph = '<path d="M7 2 V6 M4 6 H10 V10 A3 3 0 0 1 4 10 Z M7 13 V15" class="hook"/>';

/** The glyphs of a place in a row, as the inside of an SVG, and how wide they are. */
export function glyphsOf(services: SignFacts['services']): {
	readonly inside: string;
	readonly width: number;
} {
	const water = services.filter(({ kind }) => kind === 'water');
	const best =
		water.find(({ potable }) => potable === true) ??
		water.find(({ potable }) => potable === undefined) ??
		water[0];
	const has = (kind: Service['kind']): boolean => services.some((service) => service.kind === kind);
	const glyphs = [
		...(best ? [waterGlyph(best.potable)] : []),
		...(has('grey') ? [wasteGlyph('grey')] : []),
		...(has('black') ? [wasteGlyph('black')] : []),
		...(has('mains') || has('sewer') ? [hookGlyph] : [])
	];
	const shown = glyphs.length > 0 ? glyphs : ['<circle cx="7" cy="8" r="3" class="bare"/>'];
	return {
		inside: shown.map((glyph, i) => `<g transform="translate(${i * STEP} 0)">${glyph}</g>`).join(''),
		width: shown.length * STEP
	};
}

/** A sign for the map: the glyphs on a small plate, its edge dashed where nobody has said for long that it is so. */
export function signOf({ services }: SignFacts): {
	readonly svg: string;
	readonly width: number;
	readonly height: number;
} {
	const { inside, width } = glyphsOf(services);
	return {
		svg: `<svg class="glyphs" viewBox="0 0 ${width} ${SIZE}" width="${width}" height="${SIZE}" aria-hidden="true">${inside}</svg>`,
		width: width + 10,
		height: SIZE + 10
	};
}
