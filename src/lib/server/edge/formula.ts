import type { FormulaDraft } from '../../formula/draft.ts';
import Joi from 'joi';
import { CHOICES, STEP_KINDS, type Choices, type Step, type StepKind } from '$core/formula/process.ts';
import { CATEGORIES, USES, type Category, type MixGap, type Use } from '$core/formula/types.ts';
import { readHeat } from '$core/measure/heat.ts';
import { refuse } from '../errors.ts';
import type { FormulaInput } from '../../formula/types.ts';
import {
	count,
	grams,
	id,
	length,
	money,
	number,
	optionalText,
	text,
	typed,
	version,
	within
} from './fields.ts';

/** A formula form once read. */
export interface FormulaForm {
	id: string;
	version: number;
	name: string;
	mixGap: MixGap;
	family: string;
	choices: Choices;
	lines: LineForm[];
	steps: {
		kind: StepKind;
		text: string;
		low: number | null;
		high: number | null;
		temperature: number | null;
		cue: string;
	}[];
	productId: string | null;
	product: {
		pieceOne: string;
		pieceMany: string;
		category: Category;
		ballWeight: number;
		packPieces: number;
		servingPieces: number | null;
		price: string | null;
		materials: { name: string; cost: string }[];
		diameter: number | null;
		thickness: number | null;
		discs: { diameter: number; thickness: number; weight: number }[];
	};
}

interface LineForm {
	said: string;
	note: string;
	ingredient: string;
	use: Use;
	stage: string;
	/** Null where the batch weighs it. */
	grams: number | null;
	uptake: number | null;
	most: number | null;
	low_g: number | null;
	high_g: number | null;
	toWeigh: boolean;
}

const MOST_LINES = 200;
const MOST_STEPS = 60;

const line = Joi.object({
	key: Joi.any().strip(),
	said: optionalText(300),
	note: optionalText(300),
	ingredient: id('choose an ingredient'),
	use: Joi.valid(...USES)
		.required()
		.messages({ 'any.only': 'choose a use' }),
	stage: optionalText(60),
	toWeigh: Joi.boolean().default(false),
	grams: Joi.when('toWeigh', { is: true, then: grams({ optional: true }), otherwise: grams() }),
	uptake: Joi.when('use', {
		is: 'dough',
		then: Joi.any().empty(Joi.any()).default(null),
		otherwise: grams({ optional: true })
	}),
	most: grams({ optional: true }),
	low_g: Joi.number().min(0).allow(null).default(null),
	high_g: Joi.number().min(0).allow(null).default(null)
}).custom((value: LineForm, helpers) => {
	if (value.uptake !== null && value.uptake > (value.grams ?? 0))
		return helpers.message({ custom: 'what stays on the pieces is more than what is used up' });
	if (value.most !== null && value.most < (value.grams ?? 0))
		return helpers.message({
			custom:
				value.use === 'dough'
					? 'the most that may go in is less than what is planned'
					: 'less is set out than is used up'
		});
	return value;
});

const minutes = () => number(0, 7 * 24 * 60, { optional: true });
const step = Joi.object({
	key: Joi.any().strip(),
	kind: Joi.valid(...STEP_KINDS).required(),
	text: text(200, 'say what is done'),
	low: minutes(),
	high: minutes(),
	temperature: typed(readHeat, { optional: true }, within(-40, 400)),
	cue: optionalText(200)
}).custom((value: FormulaForm['steps'][number], helpers) =>
	value.low !== null && value.high !== null && value.high < value.low
		? helpers.message({ custom: 'the longest time is shorter than the shortest' })
		: value
);

export const choices = Joi.object(
	Object.fromEntries(Object.entries(CHOICES).map(([key, options]) => [key, Joi.valid(...options)]))
).required();

export const formulaForm = Joi.object<FormulaForm>({
	id: id('open the formula again'),
	version: version(),
	name: text(160, 'give the formula a name'),
	mixGap: Joi.valid('residue', 'evaporation').required(),
	family: optionalText(60),
	choices,
	lines: Joi.array()
		.items(line)
		.min(1)
		.max(MOST_LINES)
		.required()
		.messages({ 'array.min': 'add at least one line', 'array.max': `more than ${MOST_LINES} lines` }),
	steps: Joi.array().items(step).max(MOST_STEPS).required(),
	productId: id('open the formula again').allow(null),
	product: Joi.object({
		pieceOne: text(40, 'what is one piece called?'),
		pieceMany: text(40, 'what are several called?'),
		category: Joi.valid(...CATEGORIES)
			.required()
			.messages({ 'any.only': 'choose a kind of bread' }),
		ballWeight: grams({ positive: true }),
		packPieces: count(1, 1000),
		servingPieces: count(1, 2, { optional: true }),
		price: money({ optional: true }),
		materials: Joi.array()
			.items(Joi.object({ name: text(60, 'what is it?'), cost: money() }))
			.max(20)
			.required(),
		diameter: length('cm', 1, 200, { optional: true }),
		thickness: length('mm', 0.1, 100, { optional: true }),
		discs: Joi.array()
			.items(
				Joi.object({
					diameter: length('cm', 1, 200),
					thickness: length('mm', 0.1, 100),
					weight: grams({ positive: true })
				})
			)
			.max(30)
			.required()
	}).required()
});

/** What somebody types, however wrong it is yet: never so long that the page could not show it. */
const typing = (most = 2000) => Joi.string().allow('').max(most).required();
const key = () => Joi.string().max(80).required();
const rangeEnd = () => Joi.number().min(0).max(1e9).allow(null).required();

/** A draft as it is typed: of every field its kind, so that a page can show whatever was kept, and nothing typed is lost. */
export const draftForm = Joi.object<FormulaDraft>({
	id: id('open the formula again'),
	version: version(),
	name: typing(),
	mixGap: Joi.valid('residue', 'evaporation').required(),
	family: typing(120),
	choices,
	lines: Joi.array()
		.items(
			Joi.object({
				key: key(),
				said: typing(),
				ingredient: typing(60),
				use: Joi.valid(...USES).required(),
				stage: typing(),
				grams: typing(),
				uptake: typing(),
				most: typing(),
				note: typing(),
				low_g: rangeEnd(),
				high_g: rangeEnd(),
				toWeigh: Joi.boolean().required()
			})
		)
		.max(1000)
		.required(),
	steps: Joi.array()
		.items(
			Joi.object({
				key: key(),
				kind: Joi.valid(...STEP_KINDS).required(),
				text: typing(),
				low: typing(),
				high: typing(),
				temperature: typing(),
				cue: typing()
			})
		)
		.max(500)
		.required(),
	productId: id('open the formula again').allow(null),
	product: Joi.object({
		pieceOne: typing(),
		pieceMany: typing(),
		category: Joi.valid(...CATEGORIES).required(),
		ballWeight: typing(),
		packPieces: typing(),
		servingPieces: typing(),
		price: typing(),
		materials: Joi.array()
			.items(Joi.object({ name: typing(), cost: typing() }))
			.max(200)
			.required(),
		diameter: typing(),
		thickness: typing(),
		discs: Joi.array()
			.items(Joi.object({ diameter: typing(), thickness: typing(), weight: typing() }))
			.max(200)
			.required()
	}).required()
});

/** What is stored of a formula form. Refuses a formula without dough. */
export function formulaInput(form: FormulaForm): FormulaInput {
	const lines = form.lines.map((line) => {
		const { said, note, low_g, high_g, toWeigh } = line;
		return {
			ingredient: line.ingredient,
			use: line.use,
			stage: line.stage || null,
			used_g: line.grams ?? 0,
			uptake_g: line.use === 'dough' ? null : line.uptake,
			said,
			note,
			low_g,
			high_g,
			most_g: line.most,
			toWeigh: toWeigh && line.grams === null
		};
	});
	if (!lines.some((line) => line.use === 'dough' && line.used_g > 0))
		refuse('lines', 'a formula needs at least one line in the dough with some grams');
	const { ballWeight, diameter, thickness, discs, ...product } = form.product;
	return {
		name: form.name,
		mixGap: form.mixGap,
		family: form.family,
		choices: form.choices,
		steps: form.steps.map((each): Step => ({
			kind: each.kind,
			text: each.text,
			minutesLow: each.low,
			minutesHigh: each.high,
			temperature_c: each.temperature,
			cue: each.cue
		})),
		lines,
		productId: form.productId,
		product: {
			...product,
			ballWeight_g: ballWeight,
			diameter_cm: diameter,
			thickness_mm: thickness,
			discs: discs.map((disc) => ({
				diameter_cm: disc.diameter,
				thickness_mm: disc.thickness,
				weight_g: disc.weight
			}))
		}
	};
}

export const discardForm = Joi.object<{ version: number }>({
	version: Joi.number().integer().min(1).required()
});

export const rememberForm = Joi.object<{ said: string; ingredient: string }>({
	said: Joi.string().max(300).required(),
	/** Empty forgets what was said. */
	ingredient: id('choose an ingredient').allow('')
});

/** So many rows go on the shelf at once. */
const MOST_SHELVED = 60;
export const shelveForm = Joi.object<{ references: string[] }>({
	references: Joi.array().items(Joi.string().max(40)).min(1).max(MOST_SHELVED).required()
});
