import type { Service } from '$core/logbook';

/** What a sign on the map says by its shape: whether there is water and of which kind, and what can be emptied. */
export interface SignFacts {
	readonly services: readonly Pick<Service, 'kind' | 'potable'>[];
	/** nothing may go overboard there */
	readonly noDischarge?: boolean | undefined;
}

/** One stroke or area of a glyph. */
export interface GlyphMark {
	readonly d: string;
	readonly className: string;
}
interface Shape {
	readonly marks: readonly GlyphMark[];
}

const DROP = 'M7 1 C7 1 2 7.2 2 11 A5 5 0 0 0 12 11 C12 7.2 7 1 7 1 Z';
const SQUARE = 'M2 4 H12 V14 H2 Z';
const HEIGHT = 16;
const STEP = 15;

/** A drop: full where it is called drinking water, struck through where it is not, hollow where nobody says. */
const waterShape = (potable: boolean | undefined): Shape => ({
	marks: [
		{ d: DROP, className: potable === true ? 'water' : 'water hollow' },
		...(potable === false ? [{ d: 'M1 14 L13 2', className: 'strike' }] : [])
	]
});
/** A square for what is emptied: half full for grey, full for black. */
const WASTE: Readonly<Record<'grey' | 'black', Shape>> = {
	grey: {
		marks: [
			{ d: SQUARE, className: 'grey hollow' },
			{ d: 'M2 9 H12 V14 H2 Z', className: 'grey' }
		]
	},
	black: { marks: [{ d: SQUARE, className: 'black' }] }
};
/** A plug for a hook-up. */
const HOOK: Shape = { marks: [{ d: 'M7 2 V6 M4 6 H10 V10 A3 3 0 0 1 4 10 Z M7 13 V15', className: 'hook' }] };
/** A wave struck through, where nothing may go overboard. */
const NO_DISCHARGE: Shape = {
	marks: [
		{ d: 'M1 9 Q3 5 5 9 T9 9 T13 9', className: 'wave' },
		{ d: 'M2 15 L12 2', className: 'strike' }
	]
};
const BARE: Shape = { marks: [{ d: 'M4 8 A3 3 0 1 0 10 8 A3 3 0 1 0 4 8 Z', className: 'bare' }] };

/** What is drawn of a place in a row, each shape a step to the right of the one before. */
export interface DrawnGlyph {
	readonly shapes: readonly (Shape & { readonly x: number })[];
	readonly width: number;
	readonly height: number;
}

/** The shapes of a place in a row. */
export function glyphsOf(services: SignFacts['services'], noDischarge = false): DrawnGlyph {
	const water = services.filter(({ kind }) => kind === 'water');
	const best =
		water.find(({ potable }) => potable === true) ??
		water.find(({ potable }) => potable === undefined) ??
		water[0];
	const has = (kind: Service['kind']): boolean => services.some((service) => service.kind === kind);
	const found = [
		...(best ? [waterShape(best.potable)] : []),
		...(has('grey') ? [WASTE.grey] : []),
		...(has('black') ? [WASTE.black] : []),
		...(has('mains') || has('sewer') ? [HOOK] : []),
		...(noDischarge ? [NO_DISCHARGE] : [])
	];
	const shown = found.length > 0 ? found : [BARE];
	return {
		shapes: shown.map((shape, i) => ({ ...shape, x: i * STEP })),
		width: shown.length * STEP,
		height: HEIGHT
	};
}

/** The shapes as markup for the map, whose library takes nothing else. */
export function markupOf({ shapes, width, height }: DrawnGlyph): string {
	const inside = shapes.map(({ marks, x }) => {
		const paths = marks.map(({ d, className }) => `<path d="${d}" class="${className}"/>`);
		return `<g transform="translate(${x} 0)">${paths.join('')}</g>`;
	});
	return `<svg class="glyphs" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" aria-hidden="true">${inside.join('')}</svg>`;
}
