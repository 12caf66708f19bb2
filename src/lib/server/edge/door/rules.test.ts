import { describe, expect, it } from 'vitest';
import { RIGHTS, RIGHTS_OF, rightsOf } from '../../../people/roles.ts';
import { RULES, ruleFor } from './rules.ts';

const PAGES = import.meta.glob('../../../../routes/**/+page.svelte');
const SERVERS = import.meta.glob<string>('../../../../routes/**/+{page.server,server}.ts', {
	query: '?raw',
	import: 'default',
	eager: true
});

const routeOf = (path: string): string => path.replace(/^.*\/routes/, '').replace(/\/\+[^/]*$/, '') || '/';
const routes = [...new Set([...Object.keys(PAGES), ...Object.keys(SERVERS)].map(routeOf))].sort();

const METHOD = /^export const (GET|POST|PUT|PATCH|DELETE)\b/gm;

/** The actions of a page, by the text of its server module: keys one tab deep in `actions`. */
function actionsOf(text: string): string[] {
	const [, actions = ''] = /export const actions[^]*?\n(\t[^]*?)\n\};/.exec(text) ?? [];
	return [...actions.matchAll(/^\t(\w+): /gm)].map(([, name = '']) => name);
}

describe('the table of who may what', () => {
	it('knows every route there is, and none that is not', () => {
		expect(routes.length).toBeGreaterThan(60);
		expect(Object.keys(RULES).sort()).toEqual(routes);
	});

	it('knows every action and every method of each, and no other', () => {
		for (const [path, text] of Object.entries(SERVERS)) {
			const route = routeOf(path);
			const rule = RULES[route];
			const acts = path.endsWith('+server.ts')
				? [...text.matchAll(METHOD)].map(([, method = '']) => method).filter((method) => method !== 'GET')
				: actionsOf(text);
			expect(Object.keys(rule?.acts ?? {}).sort(), route).toEqual(acts.sort());
		}
	});

	it('lets nobody do what it does not name', () => {
		expect(ruleFor('/nowhere', 'GET', null)).toBeNull();
		expect(ruleFor('/shelf', 'POST', 'steal')).toBeNull();
		expect(ruleFor('/shelf', 'DELETE', null)).toBeNull();
		expect(ruleFor('/shelf/[id]', 'POST', 'constructor')).toBeNull();
		expect(ruleFor('/batches/new', 'POST', 'steal')).toBeNull();
		expect(ruleFor('/batches/new', 'POST', 'default')).toEqual({ ask: 'make', what: 'planned a batch' });
		// An endpoint that only takes something shows nothing.
		expect(ruleFor('/sales/entries.json', 'GET', null)).toBeNull();
	});

	it('says what each thing is called that is done', () => {
		for (const rule of Object.values(RULES))
			for (const [, what] of Object.values(rule?.acts ?? {}))
				if (what !== null) expect(what).toMatch(/^[a-z][a-z’' ]{4,79}$/);
		const untold = Object.entries(RULES).filter(([, rule]) =>
			Object.values(rule?.acts ?? {}).some(([, what]) => what === null)
		);
		expect(untold.map(([route]) => route)).toEqual([
			'/door/who.json',
			'/formulas/[id]/draft',
			'/practice',
			'/practice/finish',
			'/practice/hands.json'
		]);
	});
});

describe('what each may', () => {
	it('is everything for an owner, and little for an inspector', () => {
		expect(RIGHTS_OF.owner).toEqual(RIGHTS);
		expect(RIGHTS_OF.inspector).toEqual(['inspect']);
		for (const right of ['ledger', 'costs', 'customers'] as const) {
			expect(RIGHTS_OF.seller).not.toContain(right);
			expect(RIGHTS_OF.maker).not.toContain(right);
		}
		expect(RIGHTS_OF.seller).not.toContain('formula');
		// What is not seen would be lost when a formula is kept.
		for (const rights of Object.values(RIGHTS_OF))
			if (rights.includes('formulate')) expect(rights).toEqual(expect.arrayContaining(['formula', 'costs']));
		expect(RIGHTS_OF.maker).not.toContain('formulate');
	});

	it('is less by a short code', () => {
		expect(rightsOf('owner', true)).toEqual(
			RIGHTS.filter(
				(right) =>
					!['ledger', 'costs', 'customers', 'formulate', 'settings', 'people', 'data', 'approve'].includes(
						right
					)
			)
		);
		expect(rightsOf('maker', true)).toEqual(RIGHTS_OF.maker);
	});
});
