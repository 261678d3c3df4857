// What the first view loads, in few files. A bundler parts the modules by who else needs them, and everything needs something of
// the first view: that makes some eighty files, each with its own way from the server, to the compiler and into the pack.
import { build, type Plugin, type Rolldown } from 'vite';

/** What is loaded with modules whose names end like these is one file, but for what is in a file before it. */
interface Together {
	readonly name: string;
	readonly with: readonly string[];
}
type Part = 'page' | 'engine';
const FILES: Readonly<Record<Part, readonly Together[]>> = {
	page: [
		{ name: 'shell', with: ['/client/entry.js', '/client-optimized/app.js', '/routes/+layout.svelte'] },
		{ name: 'now', with: ['/routes/+page.svelte'] }
	],
	engine: [{ name: 'engine', with: ['/engine/engine.worker.ts'] }]
};

/** Which file each module belongs in, by its id. */
type FileOf = ReadonlyMap<string, string>;

/** Which of these a build makes, by where it runs and what it begins with; nothing when it is another one. */
function partOf(environment: string, input: Rolldown.InputOptions['input']): Part | undefined {
	if (typeof input === 'object' && 'entry/start' in input)
		return environment === 'client' ? 'page' : undefined;
	return String(input).endsWith('/engine/engine.worker.ts') ? 'engine' : undefined;
}

/** The modules that are loaded with those of some names, but for what a build begins with. */
function loadedWith(chunks: readonly Rolldown.OutputChunk[], names: readonly string[]): readonly string[] {
	const byFile = new Map(chunks.map((chunk) => [chunk.fileName, chunk]));
	const isNamed = (id: string): boolean => names.some((name) => id.endsWith(name));
	const loaded = new Set(chunks.filter(({ moduleIds }) => moduleIds.some(isNamed)));
	for (const { imports } of loaded)
		for (const file of imports) {
			const chunk = byFile.get(file);
			if (chunk) loaded.add(chunk);
		}
	return [...loaded].flatMap(({ moduleIds, isEntry, facadeModuleId }) =>
		moduleIds.filter((id) => !isEntry || id !== facadeModuleId)
	);
}

function fileOfEach(chunks: readonly Rolldown.OutputChunk[], part: Part): FileOf {
	const files = new Map<string, string>();
	for (const { name, with: names } of FILES[part])
		for (const id of loadedWith(chunks, names)) if (!files.has(id)) files.set(id, name);
	return files;
}

/**
 * The framework's modules do nothing until they are called, but for two that set something for all; its package does not say so. Without
 * that, each that any view needs would come with the first.
 */
const WITHOUT_EFFECT = /\/node_modules\/svelte\/src\/(?!internal\/(disclose-version|flags))/;

/** What a trial finds out, kept among the options of its build. */
interface Trial {
	readonly tried?: Partial<Record<Part, FileOf>>;
}

/** Builds once for nothing but what is loaded with what: only then is it known what is left of each module. */
async function tryOut(configFile: string | undefined): Promise<Required<Trial>['tried']> {
	const tried = {};
	const trial = { configFile, logLevel: 'error', build: { write: false, minify: false }, tried } as const;
	await build(trial);
	return tried;
}

/**
 * Makes a plugin that puts what the first view loads into few files: one for the page, and one for its workers, which are built
 * on its way.
 */
export function firstView(): () => Plugin {
	let files: Partial<Record<Part, FileOf>> = {};
	let isTrial = false;
	let configFile: string | undefined;

	return () => {
		let part: Part | undefined;
		return {
			name: 'first-view',
			apply: 'build',
			config(config) {
				const { tried } = config as Trial;
				if (tried) [files, isTrial] = [tried, true];
			},
			configResolved(config) {
				configFile ??= config.configFile;
			},
			async options(options) {
				part = partOf(this.environment.name, options.input);
				if (part === 'page' && !isTrial) files = await tryOut(configFile);
				return part ? { ...options, preserveEntrySignatures: 'allow-extension' } : null;
			},
			transform(code, id) {
				return part && WITHOUT_EFFECT.test(id) ? { code, map: null, moduleSideEffects: false } : null;
			},
			outputOptions(options) {
				const fileOf = part && files[part];
				if (isTrial || !fileOf) return null;
				const groups = [{ name: (id: string) => fileOf.get(id) ?? null }];
				return { ...options, codeSplitting: { includeDependenciesRecursively: false, groups } };
			},
			generateBundle(_, bundle) {
				if (!isTrial || !part) return;
				const chunks = Object.values(bundle).filter((file) => file.type === 'chunk');
				files[part] = fileOfEach(chunks, part);
			}
		};
	};
}
