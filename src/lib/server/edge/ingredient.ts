import Joi from 'joi';
import { readTag } from '$core/allergens/tags.ts';
import { KINDS, type Kind } from '$core/composition/kinds.ts';
import { COMPOSITION_KEYS, mostPer100g, type SomeValues } from '$core/composition/nutrients.ts';
import type { Part } from '$core/formula/types.ts';
import { roundTo } from '$core/measure/round.ts';
import { isPackSaid } from '$core/measure/pack.ts';
import { readParts } from '$core/formula/parts.ts';
import { readLabelDraft } from '../../shelf/pack-label.ts';
import type { IngredientDraft } from '../../shelf/ingredient-draft.ts';
import { SOURCES } from '../../shelf/composition.ts';
import type { Source } from '../../shelf/composition.ts';
import { Refused } from '../errors.ts';
import type { IngredientInput } from '../../shelf/ingredient.ts';
import { day, grams, id, money, number, optionalText, text, typed, version } from './fields.ts';

/** An ingredient form once read. */
export interface IngredientForm {
	id: string;
	version: number;
	name: string;
	kind: Kind;
	labelUs: string;
	labelEu: string;
	parts: Part[];
	allergens: string[];
	/** Which of the allergens come from a highly refined oil. */
	refined: string[];
	mayContain: string[];
	confirmed: boolean;
	evidence: string;
	per100g: SomeValues;
	source: Source;
	sourceNote: string;
	sourceOn: string | null;
	/** Of a laboratory's values. */
	uncertainty: number | null;
	label: IngredientDraft['label'];
	mix: { ingredient: string; grams: number }[] | null;
	portion: number | null;
}

const MOST_PARTS_TEXT = 8000;
const MOST_MIX_LINES = 100;

/** An allergen's tag, its kind named where it needs one. */
export const allergenTag = Joi.string().custom((value: string, helpers) =>
	readTag(value)
		? value
		: helpers.message({ custom: `"${value}" needs the name of the kind, such as treenut:almond` })
);

const mixLine = Joi.object({
	key: Joi.any().strip(),
	ingredient: id('choose an ingredient'),
	grams: grams({ positive: true })
});

export const ingredientForm = Joi.object<IngredientForm>({
	id: id('open the ingredient again'),
	version: version(),
	name: text(160),
	kind: Joi.valid(...KINDS)
		.required()
		.messages({ 'any.only': 'choose a kind' }),
	labelUs: optionalText(500),
	labelEu: optionalText(500),
	parts: typed(readParts, {}, (parts) =>
		JSON.stringify(parts).length > MOST_PARTS_TEXT ? 'is longer than a label could carry' : null
	),
	allergens: Joi.array().items(allergenTag).unique().required(),
	refined: Joi.array().items(allergenTag).unique().default([]),
	mayContain: Joi.array().items(allergenTag).unique().required(),
	confirmed: Joi.boolean().required(),
	evidence: Joi.when('confirmed', {
		is: true,
		then: text(200, 'say what confirmed them: the pack, a specification'),
		otherwise: optionalText(200)
	}),
	per100g: Joi.object(
		Object.fromEntries(COMPOSITION_KEYS.map((key) => [key, number(0, mostPer100g(key), { optional: true })]))
	).required(),
	source: Joi.valid(...SOURCES, 'mix')
		.required()
		.messages({ 'any.only': 'choose where the values come from' }),
	sourceNote: optionalText(200),
	sourceOn: day({ optional: true }),
	uncertainty: number(0, 100, { optional: true }).optional().default(null),
	label: Joi.object({
		kind: Joi.valid('', 'us', 'eu').required(),
		serving: Joi.string().allow('').max(40).required(),
		printed: Joi.object().pattern(Joi.string().max(20), Joi.string().allow('').max(40)).required()
	}).required(),
	mix: Joi.array()
		.items(mixLine)
		.min(1)
		.max(MOST_MIX_LINES)
		.allow(null)
		.required()
		.messages({ 'array.min': 'a mix needs at least one line' }),
	portion: grams({ optional: true, positive: true })
});

/**
 * What is stored; confirming dates the confirmation, and it stays dated while nothing is changed. A pack
 * label typed as printed gives its values here again, with what its rounding leaves open.
 */
export function ingredientInput(
	form: IngredientForm,
	confirmedBefore: string | null,
	today: string
): IngredientInput {
	const { id: _id, version: _version, confirmed, label, portion, mix, uncertainty, ...rest } = form;
	const isPack = rest.source === 'pack' && mix === null && label.kind !== '';
	const { reading, serving_g, errors } = isPack
		? readLabelDraft(label)
		: { reading: null, serving_g: null, errors: [] };
	if (errors.length > 0) throw new Refused(errors);
	return {
		...rest,
		source: mix ? 'mix' : rest.source === 'mix' ? 'estimate' : rest.source,
		// What the label does not print, water above all, is as typed per 100 g.
		per100g: reading ? { ...rest.per100g, ...kept(reading.per100g) } : rest.per100g,
		serving_g,
		printed: isPack
			? Object.fromEntries(Object.entries(label.printed).filter(([, value]) => value.trim() !== ''))
			: null,
		intervals: reading?.intervals ?? {},
		uncertainty_percent: rest.source === 'laboratory' && !mix ? uncertainty : null,
		confirmedOn: confirmed ? (confirmedBefore ?? today) : null,
		mix,
		portion_g: portion
	};
}

/** To the millionth, as the database keeps it. */
function kept(per100g: SomeValues): SomeValues {
	return Object.fromEntries(
		Object.entries(per100g).map(([key, value]) => [key, value == null ? null : roundTo(value, 1e-6)])
	);
}

/** A price pack form once read. */
export interface PriceForm {
	id: string;
	amount: string;
	/** For how much, as said: `bag of 25 kg`. */
	grams: string;
	usable: number;
	boughtOn: string;
	supplier: string;
}

/** Most characters of what a price was paid for. */
const MOST_SAID = 60;

/** A price but for the weight it was paid for. */
const priceFields = () => ({
	id: id('open the page again'),
	amount: money(),
	usable: number(1, 100),
	boughtOn: day(),
	supplier: optionalText(120)
});

export const priceForm = Joi.object<PriceForm>({
	...priceFields(),
	grams: typed(isPackSaid, {}, (said) => (said.length > MOST_SAID ? 'is too long' : null))
});

/** The price in a row of a file: its weight is grams, and so written. */
export interface PriceRow extends Omit<PriceForm, 'grams'> {
	grams: number;
}

export const priceRow = Joi.object<PriceRow>({ ...priceFields(), grams: grams({ positive: true }) });

/** A measure form once read: typed grams with their range, or the maker's own three weighings. */
export interface MeasureForm {
	measure: string;
	grams: number | null;
	low: number | null;
	high: number | null;
	readings: (number | null)[];
}

export const MEASURES = ['cup', 'tbsp', 'tsp', 'packet', 'each', 'clove', 'cake', 'stick', 'jar'] as const;

export const measureForm = Joi.object<MeasureForm>({
	measure: Joi.valid(...MEASURES)
		.required()
		.messages({ 'any.only': 'choose a measure' }),
	grams: grams({ optional: true, positive: true }),
	low: grams({ optional: true, positive: true }),
	high: grams({ optional: true, positive: true }),
	readings: Joi.array()
		.items(grams({ optional: true, positive: true }))
		.max(10)
		.required()
});

export const forgetForm = Joi.object<{ measure: string }>({ measure: Joi.valid(...MEASURES).required() });
