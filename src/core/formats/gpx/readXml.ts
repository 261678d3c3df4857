import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { Findings } from '../imported.js';
import { lineFinder } from '../lines.js';

/** An element: `@name` are its attributes, `#text` its text; a child that holds only text is that text. */
export type Element = Readonly<Record<string, unknown>>;

/** An XML document as far as it could be read. */
export interface Document {
	readonly root: Element;
	/** where an element begins: `line 12` */
	readonly placeOf: (element: Element) => string;
}

/** Elements that may come more than once where they stand. */
const LISTS = new Set(['wpt', 'rte', 'rtept', 'trk', 'trkseg', 'trkpt', 'link', 'tag']);
const META = XMLParser.getMetaDataSymbol() as unknown as string;

/** A document type and the entities that it declares; they are never looked at. */
const DOCTYPE = /<!DOCTYPE[^[>]*(?:\[[^\]]*\]\s*)?>?/gi;
/** The same length of nothing, so that lines stay where they are. */
const blank = (text: string): string => text.replaceAll(/[^\n]/g, ' ');

/** Reading takes about so much of the whole work; the rest is looking at what was read. */
const READING_SHARE = 0.9;
const STEP = 5000;

/**
 * Reads XML. Nothing it names is fetched or resolved: no entity beside XML's own, no file. A text that breaks off, or is not
 * well formed, is a problem with its line, and what stands before it still comes.
 */
export function readXml(
	text: string,
	findings: Findings,
	onprogress?: (done: number) => void
): Document | undefined {
	const lineAt = lineFinder(text);
	const plain = text.replace(/^\ufeff/, ' ').replaceAll(DOCTYPE, (found, at: number) => {
		findings.wrong(
			`line ${lineAt(at)}`,
			'no document type and no entities',
			'a <!DOCTYPE: what it declares was ignored'
		);
		return blank(found);
	});
	const valid = XMLValidator.validate(plain);
	const broken = valid === true ? undefined : valid.err;
	if (broken) findings.wrong(`line ${broken.line}`, 'XML that is well formed to its end', broken.msg);
	let seen = 0;
	const elements = plain.split('</').length + plain.split('/>').length;
	const parser = new XMLParser({
		ignoreAttributes: false,
		attributeNamePrefix: '@',
		parseTagValue: false,
		removeNSPrefix: true,
		captureMetaData: true,
		// Numeric character references, and no entity that a document declares: there is no declaration left.
		htmlEntities: true,
		isArray: (name) => LISTS.has(name),
		updateTag: (name) => {
			if (++seen % STEP === 0) onprogress?.((READING_SHARE * seen) / elements);
			return name;
		}
	});
	const parsed =
		attempt(parser, plain) ?? (broken ? attempt(parser, plain.slice(0, plain.lastIndexOf('<'))) : undefined);
	if (!parsed) return undefined;
	return {
		root: parsed,
		placeOf: (element) => {
			const at = (element as Readonly<Record<string, { readonly startIndex?: number } | undefined>>)[META]
				?.startIndex;
			return at === undefined ? 'line 1' : `line ${lineAt(at)}`;
		}
	};
}

/** What the parser makes of a text; nothing where it gives up. */
function attempt(parser: XMLParser, text: string): Element | undefined {
	try {
		const parsed: unknown = parser.parse(text);
		return typeof parsed === 'object' && parsed !== null ? (parsed as Element) : undefined;
	} catch {
		// Why it gave up is told by the validator, with its line.
		return undefined;
	}
}

/** The text of a child. */
export function textOf(element: Element | undefined, name: string): string | undefined {
	const child = element?.[name];
	const text = typeof child === 'object' && child !== null ? (child as Element)['#text'] : child;
	return typeof text === 'string' && text.trim() !== '' ? text.trim() : undefined;
}

/** The children of a name. */
export const childrenOf = (element: Element | undefined, name: string): readonly Element[] => {
	const found = element?.[name];
	return (Array.isArray(found) ? found : found === undefined ? [] : [found]).map((child: unknown) =>
		typeof child === 'object' && child !== null ? (child as Element) : { '#text': child }
	);
};
