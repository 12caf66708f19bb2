// What may import what: see docs/decisions/0032-floors.md. A floor looks only down, or beside itself.
const FLOORS = [
	['problem.ts', 'measure', 'drawing', 'profile'],
	['composition', 'allergens'],
	['formula', 'scale'],
	['massflow', 'nutrition', 'cost', 'stock'],
	['rules'],
	['facts.ts', 'statement', 'label', 'squaring', 'netquantity'],
	['derive.ts'],
	['plan.ts', 'bench', 'ribbon', 'why', 'history', 'selling', 'sure', 'planning'],
	['reformulate'],
	['practice'],
	['file'],
	['testing']
];
const pathOf = (names) => `^core/(${names.map((name) => name.replace('.', '[.]')).join('|')})(/|$)`;
const TESTS = '[.]test[.]ts$';

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
	forbidden: [
		{
			name: 'no-circle',
			comment: 'two modules that need each other are one, or lack a third',
			severity: 'error',
			from: {},
			to: { circular: true }
		},
		{
			name: 'no-circle-of-folders',
			comment: 'folders of the core are in an order',
			severity: 'error',
			scope: 'folder',
			from: { path: '^core/' },
			to: { circular: true }
		},
		...FLOORS.slice(0, -1).map((names, index) => ({
			name: `floor-${index}-looks-down`,
			comment: `${names.join(', ')} stand below what they import`,
			severity: 'error',
			from: { path: pathOf(names), pathNot: TESTS },
			to: { path: pathOf(FLOORS.slice(index + 1).flat()) }
		})),
		{
			name: 'every-folder-has-a-floor',
			comment: 'a new folder of the core is put into FLOORS',
			severity: 'error',
			from: { path: '^core/', pathNot: [pathOf(FLOORS.flat()), '^core/[^/]+[.]test[.]ts$'] },
			to: {}
		},
		{
			name: 'core-knows-nothing-else',
			severity: 'error',
			from: { path: '^core/', pathNot: TESTS },
			to: { path: '^(src|scripts|stand-ins|tests)/' }
		},
		{
			name: 'lib-knows-no-server',
			comment: 'types of a noun belong to lib/<noun>; the server imports them, never the other way',
			severity: 'error',
			from: { path: '^src/lib/', pathNot: ['^src/lib/server/', TESTS] },
			to: { path: '^src/lib/server/' }
		},
		{
			name: 'no-database-in-routes',
			comment: 'a route asks the module of a noun',
			severity: 'error',
			from: { path: '^src/routes/' },
			to: { path: ['^src/lib/server/db/(connection|transaction|once)[.]ts$', 'node_modules/knex'] }
		},
		{
			name: 'schemas-at-the-edge',
			severity: 'error',
			from: { path: '^src/', pathNot: '^src/lib/server/edge/' },
			to: { path: 'node_modules/joi' }
		}
	],
	options: {
		doNotFollow: { path: ['node_modules', '[.]svelte$'] },
		tsConfig: { fileName: 'tsconfig.json' },
		tsPreCompilationDeps: true,
		enhancedResolveOptions: { extensions: ['.ts', '.js'] },
		exclude: { path: ['[.]svelte-kit', TESTS, '^core/testing/'] }
	}
};
