import type { Recipe } from '$core/formula/types.ts';
import type { Problem } from '$core/problem.ts';

/** The least and the most that is kept of a weight: a thousandth of a gram, and what its column holds. */
const LEAST_G = 0.0005;
const MOST_G = 999_999_999;
const MOST_PACK = 1000;
const PRICE = /^\d{1,10}(\.\d{1,4}0*)?$/;
/** The longest that is kept of each text. */
const LONGEST = { name: 150, label: 500, stage: 60, tag: 60, piece: 40, material: 60, parts: 8000 };

/**
 * What of a Square Batch file cannot be kept here as it says it, each at its place in the file: a figure too small or
 * too long for where it goes, a name longer than any form takes. Nothing is cut or rounded away without a word.
 */
export function unkeepable(recipe: Recipe): Problem[] {
	const problems: Problem[] = [];
	const say = (path: string, message: string) => problems.push({ path, message });
	const long = (path: string, text: string, most: number) => {
		if (text.length > most) say(path, `is longer than the ${most} characters that are kept`);
	};
	const weight = (path: string, grams: number | null, mayBeNone = false) => {
		if (grams === null || (mayBeNone && grams === 0)) return;
		if (grams < LEAST_G) say(path, `${grams} g is less than the thousandth of a gram that is kept`);
		else if (grams > MOST_G) say(path, `${grams} g is more than can be kept`);
	};
	const money = (path: string, amount: string) => {
		if (!PRICE.test(amount))
			say(path, `${amount} has more digits than are kept of money: four after the point`);
	};
	recipe.ingredients.forEach((ingredient, index) => {
		const at = `ingredients[${index}]`;
		long(`${at}.name`, ingredient.name, LONGEST.name);
		for (const [rules, name] of Object.entries(ingredient.label))
			long(`${at}.label.${rules}`, name ?? '', LONGEST.label);
		long(`${at}.parts`, JSON.stringify(ingredient.parts), LONGEST.parts);
		ingredient.allergens?.forEach((tag, nth) => long(`${at}.allergens[${nth}]`, tag, LONGEST.tag));
		if (!ingredient.price) return;
		money(`${at}.price.amount`, ingredient.price.amount);
		weight(`${at}.price.grams`, ingredient.price.grams);
		if (ingredient.price.usable < 0.000_005)
			say(`${at}.price.usable`, 'is less than the hundred-thousandth that is kept');
	});
	const { formula, product, measured } = recipe;
	long('formula.name', formula.name, LONGEST.name);
	formula.lines.forEach((line, index) => {
		const at = `formula.lines[${index}]`;
		long(`${at}.stage`, line.stage ?? '', LONGEST.stage);
		weight(`${at}.${line.use === 'dough' ? 'grams' : 'consumed_g'}`, line.used_g, true);
		weight(`${at}.uptake_g`, line.uptake_g, true);
	});
	long('piece.one', product.one, LONGEST.piece);
	long('piece.many', product.many, LONGEST.piece);
	weight('piece.ballWeight_g', product.ballWeight_g);
	if ((product.packPieces ?? 1) > MOST_PACK)
		say('pack.pieces', `more than the ${MOST_PACK} pieces a pack may hold`);
	product.materials.forEach((material, index) => {
		long(`pack.materials[${index}].name`, material.name, LONGEST.material);
		money(`pack.materials[${index}].cost`, material.cost);
	});
	weight('batch.doughWeight_g', measured.doughWeight_g);
	for (const key of ['ballWeights_g', 'finishedWeights_g'] as const)
		measured[key].forEach((grams, index) => weight(`batch.${key}[${index}]`, grams));
	return problems;
}
