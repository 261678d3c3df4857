import { readdirSync, readFileSync } from 'node:fs';
import { parse, type AST } from 'svelte/compiler';
import ts from 'typescript';

/** A text that a person may see or hear, with where it is written. */
export interface VisibleText {
	readonly file: string;
	readonly line: number;
	/** figures and names that are put in stand as `…` */
	readonly text: string;
}

/** Attributes that a browser reads and no person does. */
const TECHNICAL =
	/^(class|style|id|href|src|d|viewBox|transform|points|type|role|name|for|data-.*|aria-(live|current|haspopup|controls))$/;
/** Words that a person types, not reads, and test aids. */
const NOT_SHOWN =
	/\.(test|fixture|bench)\.ts$|\/testing\/|\/store\/contract\.ts$|\/lexing\/(spelling|concepts|tokens|names|things|accounted|stance|numbered)\.ts$/;

/** A sentence or a label, not a key: it has a space between words, a capital, or a percent sign. */
const isSaid = (text: string): boolean =>
	/\p{L}.*\s|\s.*\p{L}/u.test(text.trim()) || /^\p{Lu}\p{Ll}/u.test(text.trim()) || /%/.test(text);

interface Found {
	readonly at: number;
	readonly text: string;
}

/** The texts of a script: its strings and templates, but for imports and types. */
function inScript(code: string): readonly Found[] {
	const source = ts.createSourceFile('script.ts', code, ts.ScriptTarget.Latest, true);
	const found: Found[] = [];
	const visit = (node: ts.Node): void => {
		if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isLiteralTypeNode(node)) return;
		if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node))
			found.push({ at: node.getStart(), text: node.text });
		else if (ts.isTemplateExpression(node))
			found.push({
				at: node.getStart(),
				text: [node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join('…')
			});
		ts.forEachChild(node, visit);
	};
	visit(source);
	return found;
}

interface Span {
	readonly start: number;
	readonly end: number;
}
/** What the parts of a component have in common, as far as it is asked for here. */
interface Node extends Span {
	readonly type?: string;
	readonly name?: string;
	/** of a text between tags */
	readonly data?: string;
	/** of a literal in an expression */
	readonly value?: unknown;
	/** of a template in an expression */
	readonly quasis?: readonly { readonly value: { readonly cooked: string } }[];
}

/** The texts of a component: its script, the text between tags, and the attributes that are said. */
function inComponent(code: string): readonly Found[] {
	const root = parse(code, { modern: true });
	const found: Found[] = [];
	for (const part of [root.module, root.instance]) {
		if (!part) continue;
		const { start, end } = part.content as AST.Script['content'] & Span;
		found.push(...inScript(code.slice(start, end)).map(({ at, text }) => ({ at: at + start, text })));
	}
	const visit = (value: unknown): void => {
		if (Array.isArray(value)) return value.forEach(visit);
		if (typeof value !== 'object' || value === null) return;
		const node = value as Node;
		if (node.type === 'Text') found.push({ at: node.start, text: node.data ?? '' });
		else if (node.type === 'Literal' && typeof node.value === 'string')
			found.push({ at: node.start, text: node.value });
		else if (node.type === 'TemplateLiteral')
			found.push({ at: node.start, text: (node.quasis ?? []).map(({ value }) => value.cooked).join('…') });
		if (node.type !== 'Attribute' || !TECHNICAL.test(node.name ?? ''))
			for (const [key, child] of Object.entries(node)) if (key !== 'parent') visit(child);
	};
	visit(root.fragment.nodes);
	return found;
}

/** All texts below a directory that may be seen, in the order of their files. */
export function visibleTexts(directory: string): readonly VisibleText[] {
	return readdirSync(directory, { recursive: true, encoding: 'utf8' })
		.filter((file) => /\.(ts|svelte)$/.test(file) && !NOT_SHOWN.test(`/${file}`))
		.sort()
		.flatMap((file) => {
			const code = readFileSync(`${directory}/${file}`, 'utf8');
			return (file.endsWith('.svelte') ? inComponent(code) : inScript(code))
				.filter(({ text }) => isSaid(text))
				.map(({ at, text }) => ({
					file,
					line: code.slice(0, at).split('\n').length,
					text: text.replace(/\s+/g, ' ')
				}));
		});
}
