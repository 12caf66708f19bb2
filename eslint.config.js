import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** Where the linter asks the types too. */
const TYPED = {
	files: ['core/**/*.ts', 'src/**/*.ts'],
	// Tests read what is wrong on purpose; the Svelte compiler has its own say of its files.
	ignores: ['**/*.test.ts', '**/*.svelte.ts', 'src/service-worker.ts']
};

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
	...ts.configs.strictTypeCheckedOnly.map((config) => ({ ...config, ...TYPED })),
	{
		...TYPED,
		languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
		rules: {
			'@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
			'@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
			// A rule set's functions have no `this`; they are written as methods for their readers.
			'@typescript-eslint/unbound-method': 'off'
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
