import js from '@eslint/js';
import { createTypeScriptImportResolver } from 'eslint-import-resolver-typescript';
import importX from 'eslint-plugin-import-x';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './web/svelte.config.js';

/** Inside the core a folder may use those before it, never those after it. */
const CORE_ORDER = [
	'units',
	'numeric',
	'temperament',
	'strings',
	'intervals',
	'curve',
	'listening',
	'sounding',
	'setting'
];
const coreZones = CORE_ORDER.flatMap((folder, i) =>
	CORE_ORDER.slice(i + 1).map((later) => ({
		target: `./core/src/${folder}`,
		from: `./core/src/${later}`,
		message: `core/${folder} comes before core/${later}.`
	}))
);

/** A feature of the web part uses the shared folders, never another feature's inside. */
const FEATURES = ['account', 'instruments', 'visit'];
const SHARED = ['ui', 'charts', 'audio', 'workers'];
const featureZones = [
	...SHARED.flatMap((shared) =>
		FEATURES.map((feature) => ({ target: `./web/src/lib/${shared}`, from: `./web/src/lib/${feature}` }))
	),
	...[...FEATURES, ...SHARED].map((folder) => ({
		target: `./web/src/lib/${folder}`,
		from: './web/src/lib/server',
		message: 'Only server files may import lib/server.'
	})),
	...FEATURES.flatMap((feature) =>
		FEATURES.filter((other) => other !== feature).map((other) => ({
			target: `./web/src/lib/${feature}`,
			from: `./web/src/lib/${other}`
		}))
	),
	{ target: './core', from: './web', message: 'The core knows nothing of the web part.' }
];

export default ts.config(
	{ ignores: ['**/build/', '**/.svelte-kit/', '**/node_modules/', '.data/', 'test-results/'] },
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	{
		plugins: { 'import-x': importX },
		settings: {
			'import-x/resolver-next': [
				createTypeScriptImportResolver({
					project: ['core/tsconfig.json', 'web/tsconfig.json'],
					noWarnOnMultipleProjects: true
				})
			],
			'import-x/extensions': ['.ts', '.svelte', '.mjs', '.js'],
			'import-x/parsers': { '@typescript-eslint/parser': ['.ts'], 'svelte-eslint-parser': ['.svelte'] }
		},
		languageOptions: { globals: { ...globals.browser, ...globals.node } },
		rules: {
			'no-undef': 'off',
			'import-x/no-cycle': 'error',
			'@typescript-eslint/no-explicit-any': 'error',
			'@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }]
		}
	},
	{
		files: ['**/*.ts', '**/*.svelte'],
		// A test may go against the order: what listens is tested on what sounds.
		ignores: ['**/*.test.ts'],
		rules: { 'import-x/no-restricted-paths': ['error', { zones: [...coreZones, ...featureZones] }] }
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: { parserOptions: { parser: ts.parser, svelteConfig, extraFileExtensions: ['.svelte'] } },
		// Every address is a path of its own, served at the root; sets and dates here are values, made once.
		rules: { 'svelte/no-navigation-without-resolve': 'off', 'svelte/prefer-svelte-reactivity': 'off' }
	},
	{
		files: ['core/src/**/*.ts'],
		ignores: ['core/src/**/*.test.ts'],
		rules: {
			'no-restricted-imports': [
				'error',
				{
					patterns: [
						{ group: ['node:*', 'fs', 'path', 'os', 'crypto'], message: 'The core runs anywhere: no Node built-ins.' },
						{ group: ['$lib/*', '@fendrel/web*', 'svelte*'], message: 'The core knows nothing of the web part.' }
					]
				}
			],
			'no-restricted-globals': [
				'error',
				'window',
				'document',
				'navigator',
				'process',
				'performance',
				'Date',
				'setTimeout',
				'fetch'
			],
			'no-restricted-properties': [
				'error',
				{ object: 'Math', property: 'random', message: 'Random numbers come from a seeded source that is passed in.' }
			],
			'no-restricted-syntax': [
				'error',
				{ selector: 'ExportDefaultDeclaration', message: 'No default exports in the core.' }
			]
		}
	}
);
