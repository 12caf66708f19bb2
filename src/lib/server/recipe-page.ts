import { Tokenizer, type TokenizerCallbacks } from 'htmlparser2';
import { MOST_LINES } from '$core/file/limits.ts';
import { cut } from '$core/measure/text.ts';
import type { Outcome } from '$core/problem.ts';

/** A recipe as schema.org's Recipe says it: what can become a formula. */
export interface SaidRecipe {
	name: string;
	/** Ingredient lines as they were written. */
	lines: string[];
	steps: string[];
	yield: string;
}

type Loose = Record<string, unknown>;
const isObject = (value: unknown): value is Loose =>
	typeof value === 'object' && value !== null && !Array.isArray(value);
/** What a formula's form takes: of steps, and of the words of a line and a step. */
const MOST_STEPS = 60;
const MOST_SAID = 300;
const MOST_STEP = 200;
/** Nobody writes a recipe deeper than this. */
const DEEPEST = 12;

/**
 * Finds the first Recipe in schema.org JSON-LD: one object, a list, a graph, or a page that carries it
 * in a script element. Every problem says what is missing.
 */
export function readRecipe(source: string): Outcome<SaidRecipe> {
	const refuse = (message: string): Outcome<SaidRecipe> => ({ ok: false, problems: [{ path: '', message }] });
	const documents = jsonBlocks(source).flatMap((block): unknown[] => {
		try {
			return [JSON.parse(block)];
		} catch {
			return [];
		}
	});
	if (documents.length === 0) return refuse('this is neither JSON nor a page that carries JSON-LD');
	const recipe = documents.map((each) => findRecipe(each)).find((found) => found !== null);
	if (!recipe) return refuse('no schema.org Recipe is in it');
	const lines = texts(recipe.recipeIngredient ?? recipe.ingredients);
	if (lines.length === 0) return refuse('the Recipe lists no "recipeIngredient"');
	if (lines.length > MOST_LINES)
		return refuse(`the Recipe lists ${lines.length} ingredients: a formula has ${MOST_LINES} lines at most`);
	const said = steps(recipe.recipeInstructions);
	if (said.length > MOST_STEPS)
		return refuse(`the Recipe has ${said.length} steps: a formula has ${MOST_STEPS} at most`);
	return {
		ok: true,
		value: {
			name: plain(recipe.name) || 'Imported recipe',
			lines: lines.map((line) => cut(line, MOST_SAID)),
			steps: said.map((step) => cut(step, MOST_STEP)),
			yield: texts(recipe.recipeYield)[0] ?? ''
		}
	};
}

const IGNORED = () => undefined;
const NOTHING: TokenizerCallbacks = {
	onattribdata: IGNORED,
	onattribentity: IGNORED,
	onattribend: IGNORED,
	onattribname: IGNORED,
	oncdata: IGNORED,
	onclosetag: IGNORED,
	oncomment: IGNORED,
	ondeclaration: IGNORED,
	onend: IGNORED,
	onopentagend: IGNORED,
	onopentagname: IGNORED,
	onprocessinginstruction: IGNORED,
	onselfclosingtag: IGNORED,
	ontext: IGNORED,
	ontextentity: IGNORED
};

/** Goes through a page's marks once; no tree is built of it, which a page of many open tags would make slow. */
function tokens(source: string, callbacks: Partial<TokenizerCallbacks>): void {
	const tokenizer = new Tokenizer({ decodeEntities: true }, { ...NOTHING, ...callbacks });
	tokenizer.write(source);
	tokenizer.end();
}

/** What stands in the page's script elements of JSON-LD; the source itself where it has none. */
function jsonBlocks(source: string): string[] {
	if (!source.includes('<')) return [source.replace(/^\uFEFF/, '')];
	const blocks: string[] = [];
	let tag = '';
	let [attribute, value] = ['', ''];
	let isJson = false;
	tokens(source, {
		onopentagname: (start, end) => {
			tag = source.slice(start, end).toLowerCase();
			isJson = false;
		},
		onattribname: (start, end) => {
			[attribute, value] = [source.slice(start, end).toLowerCase(), ''];
		},
		onattribdata: (start, end) => {
			value += source.slice(start, end);
		},
		onattribend: () => {
			if (attribute === 'type' && value.trim().toLowerCase() === 'application/ld+json') isJson = true;
		},
		onopentagend: () => {
			if (tag === 'script' && isJson) blocks.push('');
		},
		ontext: (start, end) => {
			if (tag === 'script' && isJson) blocks.push((blocks.pop() ?? '') + source.slice(start, end));
		},
		onclosetag: () => {
			tag = '';
		}
	});
	return blocks.length > 0 ? blocks : [source.replace(/^\uFEFF/, '')];
}

function findRecipe(value: unknown, depth = 0): Loose | null {
	if (depth > DEEPEST) return null;
	if (Array.isArray(value)) {
		for (const each of value as unknown[]) {
			const found = findRecipe(each, depth + 1);
			if (found) return found;
		}
		return null;
	}
	if (!isObject(value)) return null;
	const types = Array.isArray(value['@type']) ? value['@type'] : [value['@type']];
	if (types.some((type) => typeof type === 'string' && /(^|\/)Recipe$/.test(type))) return value;
	for (const inner of [value['@graph'], value.mainEntity, value.itemListElement]) {
		const found = inner === undefined ? null : findRecipe(inner, depth + 1);
		if (found) return found;
	}
	return null;
}

/** Text without markup and with its entities read. */
function plain(value: unknown, depth = 0): string {
	if (typeof value === 'number') return String(value);
	if (typeof value !== 'string')
		return isObject(value) && depth <= DEEPEST ? plain(value.text ?? value.name, depth + 1) : '';
	const words: string[] = [];
	tokens(value, {
		ontext: (start, end) => words.push(value.slice(start, end)),
		ontextentity: (codepoint) => words.push(String.fromCodePoint(codepoint)),
		onopentagname: () => words.push(' '),
		onclosetag: () => words.push(' ')
	});
	return words.join('').replace(/\s+/g, ' ').trim();
}

function texts(value: unknown): string[] {
	return (Array.isArray(value) ? value : [value]).map((each) => plain(each)).filter((each) => each !== '');
}

function steps(value: unknown, depth = 0): string[] {
	if (depth > DEEPEST) return [];
	if (typeof value === 'string')
		return value
			.split(/\r?\n+/)
			.map((each) => plain(each))
			.filter(Boolean);
	return (Array.isArray(value) ? value : [value]).flatMap((each: unknown) =>
		isObject(each) && each.itemListElement !== undefined
			? steps(each.itemListElement, depth + 1)
			: [plain(each)].filter(Boolean)
	);
}
