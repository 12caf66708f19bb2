import { isDough, type Ingredient, type Line } from '$core/formula/types.ts';
import { readCount, readGrams, readMoney, type Read } from '$core/measure/reading.ts';
import { isBlank, type FormulaDraft, type LineDraft } from './draft.ts';
import type { RecipeParts } from './recipe.ts';

/** A draft read for the live figures: what it says, or what is wrong at each field. */
export type DraftReading = {
	/** The line that each line of the draft says; null where it is blank or cannot be read. */
	lines: (Line | null)[];
	/** Everything the figures need; null while something is missing. */
	parts: Omit<RecipeParts, 'rules' | 'currency'> | null;
	errors: Record<string, string>;
};

/** The same object whenever nothing is wrong: what shows errors has then nothing to do at a keystroke. */
const NO_ERRORS: Record<string, string> = {};

/**
 * Reads a draft as it is typed. Fields still empty are waited for without a word; what is typed wrong
 * is named at its place.
 */
export function readFormulaDraft(draft: FormulaDraft, ingredients: readonly Ingredient[]): DraftReading {
	const errors: Record<string, string> = {};
	let complete = true;
	const take: Take = (path, text, read) => {
		if (text.trim() === '') {
			complete = false;
			return null;
		}
		const result = read(text);
		if (result.ok) return result.value;
		errors[path] = result.message;
		complete = false;
		return null;
	};
	const known = new Set(ingredients.map((ingredient) => ingredient.id));
	const lines = draft.lines.map((line, index): Line | null => {
		if (isBlank(line)) return null;
		const read = readLineDraft(line, `lines[${index}]`, known, take, errors);
		if (!read) complete = false;
		return read;
	});
	const sound = lines.filter((line) => line !== null);
	const { product } = draft;
	const ballWeight_g = take('product.ballWeight', product.ballWeight, readGrams);
	const packPieces = take('product.packPieces', product.packPieces, readCount);
	if (ballWeight_g === 0) errors['product.ballWeight'] = 'must be more than 0 g';
	if (packPieces === 0) errors['product.packPieces'] = 'must be at least 1';
	const materials = product.materials.flatMap((material, index) => {
		const cost = take(`product.materials[${index}].cost`, material.cost, readMoney);
		return cost === null ? [] : [{ name: material.name, cost }];
	});
	const isSound = Object.keys(errors).length === 0;
	if (!isSound) complete = false;
	const found = isSound ? NO_ERRORS : errors;
	if (!complete || !ballWeight_g || !packPieces || !sound.some(isDough))
		return { lines, parts: null, errors: found };
	return {
		lines,
		errors: found,
		parts: {
			name: draft.name,
			lines: sound,
			ingredients,
			mixGap: draft.mixGap,
			product: {
				one: product.pieceOne || 'piece',
				many: product.pieceMany || 'pieces',
				category: product.category,
				ballWeight_g,
				balls: null,
				packPieces,
				materials,
				servingPieces: product.servingPieces ? Number(product.servingPieces) : null
			}
		}
	};
}

type Take = <T>(path: string, text: string, read: (text: string) => Read<T>) => T | null;

/** One line; null while it is not whole. A line the batch weighs counts as none yet. */
function readLineDraft(
	line: LineDraft,
	path: string,
	known: ReadonlySet<string>,
	take: Take,
	errors: Record<string, string>
): Line | null {
	const grams = line.toWeigh && line.grams.trim() === '' ? 0 : take(`${path}.grams`, line.grams, readGrams);
	const most = line.most.trim() === '' ? null : take(`${path}.most`, line.most, readGrams);
	if (most !== null && grams !== null && most < grams)
		errors[`${path}.most`] =
			`less than the ${line.grams.trim()} ${line.use === 'dough' ? 'planned' : 'used up'}`;
	if (!known.has(line.ingredient) || grams === null) return null;
	const { ingredient, use } = line;
	const stage = line.stage.trim() || null;
	if (use === 'dough') return { ingredient, use, stage, used_g: grams, uptake_g: null };
	const uptake_g = line.uptake.trim() === '' ? null : take(`${path}.uptake`, line.uptake, readGrams);
	if (uptake_g !== null && uptake_g > grams)
		errors[`${path}.uptake`] = `more than the ${line.grams.trim()} used up`;
	return { ingredient, use, stage, used_g: grams, uptake_g };
}
