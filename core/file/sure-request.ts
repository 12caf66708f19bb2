import Joi from 'joi';
import { NUTRIENTS, type Nutrient } from '../composition/nutrients.ts';
import type { Recipe } from '../formula/types.ts';
import type { Outcome, Problem } from '../problem.ts';
import {
	NO_BATCH_FIGURES,
	QUESTIONS,
	USUAL_ASSUMPTIONS,
	USUAL_DRAWS,
	type Assumptions,
	type BatchFigures,
	type LineReading,
	type Question
} from '../sure/assumptions.ts';
import { SOURCES, type Source } from '../sure/values.ts';
import { schemaProblem } from './messages.ts';
import { checkRecipe } from './read.ts';
import { readJson, STRICT } from './read-document.ts';

/** More would not fit in memory, and say nothing more. */
const MOST_DRAWS = 5_000_000;

/** What `sure` is asked, as its document has it once its shape is sound. */
interface SureDocument {
	question?: Question;
	draws?: number;
	seed?: number;
	laboratory?: boolean;
	scale?: { division_g?: number; calibration?: number };
	lines?: { line: number; tared?: boolean; low_g?: number; high_g?: number }[];
	sources?: Record<string, Source>;
	values?: { ingredient: string; nutrient: Nutrient; cv?: number; low?: number; high?: number }[];
	added?: { ingredient: string; nutrient: Nutrient }[];
	batches?: Partial<BatchFigures>[];
	pooled?: Partial<BatchFigures>;
}

/** A question about how sure a recipe's figures are. */
export interface SureRequest {
	recipe: Recipe;
	given: Assumptions;
	draws: number;
	seed: number;
}

const positive = Joi.number().min(0);
const ingredient = Joi.string().required();
const nutrient = Joi.valid(...NUTRIENTS).required();
const figures = (cookLoss: Joi.NumberSchema) =>
	Joi.object({
		cookLoss: cookLoss.allow(null),
		ballWeight_g: positive.allow(null),
		water_g: positive.allow(null)
	});

const requestSchema = Joi.object<SureDocument>({
	question: Joi.valid(...QUESTIONS),
	draws: Joi.number().integer().min(1).max(MOST_DRAWS),
	seed: Joi.number().integer().min(Number.MIN_SAFE_INTEGER).max(Number.MAX_SAFE_INTEGER),
	laboratory: Joi.boolean(),
	scale: Joi.object({ division_g: positive, calibration: positive.max(1) }),
	lines: Joi.array().items(
		Joi.object({
			line: Joi.number().integer().min(0).required(),
			tared: Joi.boolean(),
			low_g: positive,
			high_g: positive.min(Joi.ref('low_g'))
		}).and('low_g', 'high_g')
	),
	sources: Joi.object().pattern(Joi.string(), Joi.valid(...SOURCES)),
	values: Joi.array().items(
		Joi.object({
			ingredient,
			nutrient,
			cv: positive,
			low: positive,
			high: positive.min(Joi.ref('low'))
		}).and('low', 'high')
	),
	added: Joi.array().items(Joi.object({ ingredient, nutrient })),
	batches: Joi.array().items(figures(Joi.number().max(1))),
	pooled: figures(positive.max(1))
})
	.required()
	.prefs(STRICT);

/** What `sure` is asked in a document's text, or every problem found in it. */
export function readSureRequest(text: string): Outcome<SureRequest> {
	const json = readJson(text);
	if (!json.ok) return json;
	const given = json.value;
	if (typeof given !== 'object' || given === null || Array.isArray(given))
		return { ok: false, problems: [{ path: '', message: 'the file must be an object' }] };
	const { file, ...rest } = given as Record<string, unknown>;
	const recipe = checkRecipe(file ?? null);
	const { error, value } = requestSchema.validate(rest) as {
		error?: Joi.ValidationError;
		value?: SureDocument;
	};
	const problems = [
		...(recipe.ok ? [] : recipe.problems.map((each) => ({ ...each, path: under('file', each.path) }))),
		...(error?.details.map(schemaProblem) ?? [])
	];
	if (!recipe.ok || !value || problems.length > 0) return { ok: false, problems };
	const strangers = strangerProblems(value, recipe.value);
	if (strangers.length > 0) return { ok: false, problems: strangers };
	return {
		ok: true,
		value: {
			recipe: recipe.value,
			given: assumptionsOf(value),
			draws: value.draws ?? USUAL_DRAWS,
			seed: value.seed ?? 1
		}
	};
}

const under = (whole: string, path: string): string => (path ? `${whole}.${path}` : whole);

/** Lines and ingredients that are named and are not in the file. */
function strangerProblems(document: SureDocument, recipe: Recipe): Problem[] {
	const known = new Set(recipe.ingredients.map(({ id }) => id));
	const count = recipe.formula.lines.length;
	const problems: Problem[] = [];
	for (const [index, { line }] of (document.lines ?? []).entries())
		if (line >= count)
			problems.push({ path: `lines[${index}].line`, message: `the formula has ${count} lines, from 0` });
	const named = [
		...Object.keys(document.sources ?? {}).map((id) => [`sources.${id}`, id] as const),
		...(document.values ?? []).map(
			(each, index) => [`values[${index}].ingredient`, each.ingredient] as const
		),
		...(document.added ?? []).map((each, index) => [`added[${index}].ingredient`, each.ingredient] as const)
	];
	for (const [path, id] of named)
		if (!known.has(id)) problems.push({ path, message: `ingredient "${id}" is not defined in the file` });
	return problems;
}

function assumptionsOf(document: SureDocument): Assumptions {
	const usual = USUAL_ASSUMPTIONS;
	return {
		question: document.question ?? usual.question,
		laboratory: document.laboratory ?? usual.laboratory,
		scale: { ...usual.scale, ...document.scale },
		lines: new Map((document.lines ?? []).map((line) => [line.line, readingOf(line)])),
		sources: new Map(Object.entries(document.sources ?? {})),
		values: (document.values ?? []).map(({ ingredient: id, nutrient: of, cv, low, high }) => ({
			ingredient: id,
			nutrient: of,
			cv: cv ?? null,
			range: low === undefined || high === undefined ? null : { low, high }
		})),
		added: document.added ?? [],
		batches: (document.batches ?? []).map((batch) => ({ ...NO_BATCH_FIGURES, ...batch })),
		pooled: { ...NO_BATCH_FIGURES, ...document.pooled },
		cvs: {}
	};
}

function readingOf({ tared, low_g, high_g }: NonNullable<SureDocument['lines']>[number]): LineReading {
	if (low_g === undefined || high_g === undefined) return { kind: 'weighed', tared: tared ?? false };
	return { kind: 'said', low_g, high_g, typical_g: null };
}
