import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './web/svelte.config.js';

export default ts.config(
	{ ignores: ['**/build/', '**/.svelte-kit/', '**/node_modules/', '.data/', 'test-results/'] },
	js.configs.recommended,
	...ts.configs.recommended,
	...svelte.configs.recommended,
	{
		languageOptions: { globals: { ...globals.browser, ...globals.node } },
		rules: {
			'no-undef': 'off',
			'@typescript-eslint/no-explicit-any': 'error',
			'@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }]
		}
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
