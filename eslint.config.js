import { readdirSync } from 'node:fs';
import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** The one direction in which core folders may look: each sees only those to its left. */
const order = [
	'numerics',
	'time',
	'units',
	'logbook',
	'places',
	'rig',
	'estimate',
	'habits',
	'forecast',
	'plan',
	'listen',
	'runs',
	'care',
	'review',
	'findings',
	'words',
	'formats',
	'quickline',
	'now'
];
const oneWay = order.map((folder, i) => ({
	files: [`src/core/${folder}/**/*.ts`],
	rules: {
		'no-restricted-imports': [
			'error',
			{
				patterns: [
					...(i + 1 < order.length
						? [
								{
									regex: `^(\\.\\./)+(${order.slice(i + 1).join('|')})/`,
									message: 'Arrows in the core run one way.'
								}
							]
						: []),
					{ group: ['$lib/**', '$app/**', 'svelte', 'svelte/**', 'node:*'], message: 'The core is pure.' },
					{
						regex: `^(\\.\\./)+(${order.join('|')})/(?!index)`,
						message: 'Use the folder’s index.'
					}
				]
			}
		]
	}
}));

/** The floors of the interface: each sees only those below it, and no feature sees another. */
const ui = (path) => `src/lib/ui/${path}/**/*.{ts,svelte}`;
const above = (rooms, message) => ({ regex: `(^|/)(${rooms.join('|')})/`, message });
const STORES = {
	regex: '^\\$lib/(state|store|engine)',
	message: 'Data in, events out: the view that composes this holds the stores.'
};
const forbidden = (files, patterns, ignores = []) => ({
	files,
	ignores: ['**/*.test.ts', ...ignores],
	rules: { 'no-restricted-imports': ['error', { patterns }] }
});
const features = readdirSync('src/lib/ui/features');
const floors = [
	forbidden([ui('kit')], [above(['parts', 'features', 'shell'], 'The kit is the ground floor.'), STORES]),
	forbidden(
		[ui('parts')],
		[above(['features', 'shell'], 'Parts know no feature.'), STORES],
		['src/lib/ui/parts/acts/**']
	),
	forbidden([ui('parts/acts')], [above(['features', 'shell'], 'Parts know no feature.')]),
	...features.map((own) =>
		forbidden(
			[ui(`features/${own}`)],
			[
				above(['shell'], 'The shell stands above the features.'),
				{
					regex: `(^\\$lib/ui/features/(?!${own}/)|^(\\.\\./)+(${features.filter((one) => one !== own).join('|')})/)`,
					message: 'No feature imports another: what two need is a part, or goes through the view.'
				}
			]
		)
	),
	forbidden(
		['src/lib/{state,store,engine,exchange,server,standins}/**/*.ts'],
		[{ regex: '^\\$lib/ui/', message: 'The interface stands above all else of the application.' }]
	)
];

export default ts.config(
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	{ languageOptions: { globals: { ...globals.browser, ...globals.node } } },
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: { parserOptions: { extraFileExtensions: ['.svelte'], parser: ts.parser, svelteConfig } }
	},
	{
		rules: {
			'@typescript-eslint/no-explicit-any': 'error',
			'@typescript-eslint/no-non-null-assertion': 'error',
			'@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', ignoreRestSiblings: true }],
			// Local dates and maps that are never shown need no signals.
			'svelte/prefer-svelte-reactivity': 'off',
			'no-undef': 'off',
			'svelte/no-navigation-without-resolve': 'off'
		}
	},
	...oneWay,
	...floors,
	{
		files: ['src/core/**/*.test.ts'],
		rules: { 'no-restricted-imports': 'off', '@typescript-eslint/no-non-null-assertion': 'off' }
	},
	{
		files: ['**/*.test.ts', 'tests/**', 'bench/**'],
		rules: { '@typescript-eslint/no-non-null-assertion': 'off' }
	},
	{ ignores: ['build/', 'build-next/', '.svelte-kit/', 'test-results/', 'playwright-report/', 'demo/out/'] }
);
