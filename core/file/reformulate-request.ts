import Joi from 'joi';
import { FAMILIES, type Windows } from '../formula/families.ts';
import { SHARE_KEYS } from '../formula/shares.ts';
import { isDough, type Recipe } from '../formula/types.ts';
import { NUTRIENTS } from '../composition/nutrients.ts';
import type { Outcome, Problem } from '../problem.ts';
import { MOST_BALLS } from '../reformulate/reformulate.ts';
import { PERS, type Per, type TargetFigure, type Wish } from '../reformulate/wish.ts';
import { schemaProblem } from './messages.ts';
import { checkRecipe } from './read.ts';
import { readJson, STRICT } from './read-document.ts';

/** A wish as its document has it, once its shape is sound. */
interface WishDocument {
	free: { line: number; low_g?: number; high_g?: number }[];
	together?: number[][];
	targets: {
		figure: TargetFigure;
		per?: Per;
		atMost?: number | string;
		atLeast?: number | string;
		as?: 'printed' | 'exact';
	}[];
	ballWeight_g?: { low: number; high: number };
	step_g?: number;
	windows?: string | null;
}

/** A recipe and what it shall become. */
export interface ReformulateRequest {
	recipe: Recipe;
	wish: Wish;
}

const MOST_LINES = 200;
const MOST_TARGETS = 40;
const grams = Joi.number().min(0).max(1_000_000);
const place = Joi.number().integer().min(0).required();
const decimal = Joi.string()
	.pattern(/^\d{1,9}(\.\d{1,9})?$/)
	.messages({ 'string.pattern.base': 'must be an amount of money such as "0.09"' });

const ofMoney = Joi.alternatives(decimal, Joi.number().min(0));
const target = Joi.object({
	figure: Joi.valid(...NUTRIENTS, ...SHARE_KEYS, 'cost').required(),
	per: Joi.valid(...PERS),
	atMost: Joi.when('figure', { is: 'cost', then: ofMoney, otherwise: Joi.number().min(0) }),
	atLeast: Joi.when('figure', { is: 'cost', then: ofMoney, otherwise: Joi.number().min(0) }),
	as: Joi.valid('printed', 'exact')
}).or('atMost', 'atLeast');

const requestSchema = Joi.object<WishDocument>({
	free: Joi.array()
		.items(Joi.object({ line: place, low_g: grams, high_g: grams }))
		.unique('line')
		.max(MOST_LINES)
		.required(),
	together: Joi.array()
		.items(Joi.array().items(Joi.number().integer().min(0)).min(1).unique())
		.max(MOST_LINES),
	targets: Joi.array().items(target).max(MOST_TARGETS).required(),
	ballWeight_g: Joi.object({
		low: Joi.number().greater(0).max(100_000).required(),
		high: Joi.number().greater(0).max(100_000).required()
	}),
	step_g: Joi.number().greater(0).max(1000),
	windows: Joi.string().allow(null)
})
	.required()
	.prefs(STRICT);

const USUAL_STEP_G = 1;

/** A recipe and a wish of it in a document's text, or every problem found in it. */
export function readReformulate(text: string): Outcome<ReformulateRequest> {
	const json = readJson(text);
	if (!json.ok) return json;
	const given = json.value;
	if (typeof given !== 'object' || given === null || Array.isArray(given))
		return { ok: false, problems: [{ path: '', message: 'the request must be an object' }] };
	const { file, ...rest } = given as Record<string, unknown>;
	const recipe = checkRecipe(file ?? null);
	const { error, value } = requestSchema.validate(rest) as {
		error?: Joi.ValidationError;
		value?: WishDocument;
	};
	const problems = [
		...(recipe.ok ? [] : recipe.problems.map((each) => ({ ...each, path: under('file', each.path) }))),
		...(error?.details.map(schemaProblem) ?? [])
	];
	if (!recipe.ok || !value || problems.length > 0) return { ok: false, problems };
	const more = crossProblems(value, recipe.value);
	if (more.length > 0) return { ok: false, problems: more };
	return { ok: true, value: { recipe: recipe.value, wish: wishOf(value) } };
}

const under = (whole: string, path: string): string => (path ? `${whole}.${path}` : whole);

/** Lines that are not there, bounds that cross, and a family nobody knows. */
function crossProblems(
	{ free, together = [], targets, ballWeight_g, windows }: WishDocument,
	recipe: Recipe
): Problem[] {
	const problems: Problem[] = [];
	const { lines } = recipe.formula;
	const there = (line: number, path: string) => {
		if (line >= lines.length)
			problems.push({ path, message: `the formula has ${lines.length} lines, from 0` });
	};
	for (const [at, { line, low_g = 0, high_g = Infinity }] of free.entries()) {
		there(line, `free[${at}].line`);
		if (high_g < low_g)
			problems.push({ path: `free[${at}].high_g`, message: `is less than the ${low_g} g it has at least` });
	}
	for (const [at, group] of together.entries())
		for (const [nth, line] of group.entries()) {
			there(line, `together[${at}][${nth}]`);
			const of = lines[line];
			if (of && !isDough(of))
				problems.push({
					path: `together[${at}][${nth}]`,
					message: 'only lines of the dough keep their ratio'
				});
		}
	for (const [at, { atMost, atLeast }] of targets.entries())
		if (atMost !== undefined && atLeast !== undefined && Number(atMost) < Number(atLeast))
			problems.push({ path: `targets[${at}].atMost`, message: `is less than the ${atLeast} it is at least` });
	if (ballWeight_g) {
		const count = Math.floor(ballWeight_g.high) - Math.ceil(ballWeight_g.low) + 1;
		if (count < 1) problems.push({ path: 'ballWeight_g', message: 'no whole gram is between the two' });
		if (count > MOST_BALLS)
			problems.push({ path: 'ballWeight_g', message: `is more than ${MOST_BALLS} whole grams wide` });
	}
	if (typeof windows === 'string' && !windowsNamed(windows))
		problems.push({
			path: 'windows',
			message: `"${windows}" is no family: ${FAMILIES.map(({ id }) => id).join(', ')}`
		});
	return problems;
}

/** Families by another word for them: a tortilla alone is one with its fat cut in. */
const ALIASES: Record<string, string> = {
	tortilla: 'tortilla-cut-in',
	chapati: 'roti',
	'stack-rolled-thin-sheets': 'stack-rolled'
};

/** The windows of a family by its id, its name, or a usual word for it; null where nobody knows it. */
function windowsNamed(name: string): Windows | null {
	const asked = name.trim().toLowerCase().replaceAll(' ', '-');
	const id = ALIASES[asked] ?? asked;
	const family = FAMILIES.find(
		(each) => each.id === id || each.name.toLowerCase() === name.trim().toLowerCase()
	);
	return family?.windows ?? null;
}

function wishOf({ free, together, targets, ballWeight_g, step_g, windows }: WishDocument): Wish {
	const bound = (value: number | string | undefined) => (value === undefined ? null : Number(value));
	return {
		free: free.map(({ line, low_g = 0, high_g = null }) => ({ line, low_g, high_g })),
		together: together ?? [],
		targets: targets.map(({ figure, per = 'piece', atMost, atLeast, as = 'exact' }) => ({
			figure,
			per,
			atMost: bound(atMost),
			atLeast: bound(atLeast),
			as
		})),
		ballWeight_g: ballWeight_g ?? null,
		step_g: step_g ?? USUAL_STEP_G,
		windows: windows ? windowsNamed(windows) : null
	};
}
