import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

export default ts.config(
	{ ignores: ['build/', '.svelte-kit/', 'data/', 'test-results/'] },
	js.configs.recommended,
	...ts.configs.strict,
	...svelte.configs.recommended,
	{ languageOptions: { globals: { ...globals.browser, ...globals.node } } },
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: { parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig } }
	},
	{
		rules: {
			// TypeScript reports undefined names itself, and knows types.
			'no-undef': 'off',
			'@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
			// The application is served from the root; links are plain paths.
			'svelte/no-navigation-without-resolve': 'off'
		}
	},
	{
		// The computation knows nothing of screens, servers or Node (its tests may use the test runner).
		files: ['core/**/*.ts'],
		ignores: ['core/**/*.test.ts'],
		rules: {
			'no-restricted-imports': [
				'error',
				{ patterns: ['$lib/*', '$app/*', 'svelte*', 'node:*', '**/src/**', 'knex', 'mysql2*'] }
			],
			'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage']
		}
	}
);
