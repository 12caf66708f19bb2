import type { Problem } from '../problem.ts';

/** What a Square Batch file may hold at most: more is no formula of a kitchen, and reading it would hold others up. */
export const MOST_MIB = 4;
export const MOST_LINES = 200;
export const MOST_INGREDIENTS = 500;
export const DEEPEST_PARTS = 8;

const BYTES_IN_MIB = 1024 * 1024;

/** Says that the text of a file is too long, in UTF-8. */
export function sizeProblem(text: string): Problem | null {
	const most = MOST_MIB * BYTES_IN_MIB;
	if (text.length <= most / 3 || (text.length <= most && utf8Bytes(text) <= most)) return null;
	return { path: '', message: `the file is larger than ${MOST_MIB} MiB` };
}

function utf8Bytes(text: string): number {
	let bytes = 0;
	for (const character of text) {
		const code = character.codePointAt(0) ?? 0;
		bytes += code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
	}
	return bytes;
}

/** Lists that are too long, and parts nested too deep, of a document as it was parsed. */
export function limitProblems(given: unknown): Problem[] {
	const { ingredients, formula } = (given ?? {}) as { ingredients?: unknown; formula?: { lines?: unknown } };
	const problems: Problem[] = [];
	const tooMany = (path: string, list: unknown, most: number, what: string) => {
		if (Array.isArray(list) && list.length > most)
			problems.push({ path, message: `${list.length} ${what} are more than the ${most} a file may hold` });
	};
	tooMany('ingredients', ingredients, MOST_INGREDIENTS, 'ingredients');
	tooMany('formula.lines', formula?.lines, MOST_LINES, 'lines');
	if (problems.length > 0 || !Array.isArray(ingredients)) return problems;
	ingredients.forEach((ingredient: unknown, index) => {
		if (isTooDeep(ingredient))
			problems.push({
				path: `ingredients[${index}].parts`,
				message: `parts are nested more than ${DEEPEST_PARTS} deep`
			});
	});
	return problems;
}

/** Goes through the parts level by level: a file may nest them deeper than a function can call itself. */
function isTooDeep(ingredient: unknown): boolean {
	let level: unknown[] = [ingredient];
	for (let depth = 0; depth <= DEEPEST_PARTS; depth++) {
		level = level.flatMap((each) => {
			const parts = (each as { parts?: unknown } | null | undefined)?.parts;
			return Array.isArray(parts) ? (parts as unknown[]) : [];
		});
		if (level.length === 0) return false;
	}
	return true;
}
