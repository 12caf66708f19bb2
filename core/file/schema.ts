import Joi from 'joi';
import type { FileDocument } from './document.ts';
import { STRICT } from './read-document.ts';
import { readTag } from '../allergens/tags.ts';
import { KINDS } from '../composition/kinds.ts';
import { COMPOSITION_KEYS, mostPer100g, NUTRIENTS } from '../composition/nutrients.ts';
import { CATEGORIES, USES } from '../formula/types.ts';

/** More than a home kitchen could weigh or count; above it a figure is a slip of the pen. */
const MOST_GRAMS = 10_000_000;
const MOST_PIECES = 1_000_000;

const text = Joi.string().pattern(/\S/).messages({ 'string.pattern.base': '{{#label}} is empty' });
const grams = Joi.number().min(0).max(MOST_GRAMS);
const weight = Joi.number().greater(0).max(MOST_GRAMS);
const count = Joi.number().integer().max(MOST_PIECES);
const money = Joi.string()
	.pattern(/^\d{1,12}(\.\d{1,12})?$/)
	.messages({ 'string.pattern.base': '{{#label}} must be a decimal number in quotes, such as "24.50"' });

const part = Joi.object({ name: text.required(), parts: Joi.array().items(Joi.link('#part')) }).id('part');

const allergen = Joi.string().custom((value: string, helpers) =>
	readTag(value) ? value : helpers.message({ custom: `"${value}" is not an allergen tag` })
);

const composition = Joi.object(
	Object.fromEntries(
		COMPOSITION_KEYS.map((key) => [key, Joi.number().min(0).max(mostPer100g(key)).allow(null)])
	)
);

const ingredient = Joi.object({
	id: text.required(),
	name: text.required(),
	kind: Joi.valid(...KINDS).required(),
	label: Joi.object({ us: text, eu: text }),
	parts: Joi.array().items(part),
	per100g: composition.default({}),
	allergens: Joi.array().items(allergen).allow(null),
	refined: Joi.array().items(allergen),
	added: Joi.array().items(Joi.valid(...NUTRIENTS)),
	price: Joi.object({
		amount: money.required(),
		grams: weight.required(),
		usable: Joi.number().greater(0).max(1)
	})
});

const surfaceUses = Joi.valid(...USES.filter((use) => use !== 'dough'));
const onlyFor = (is: Joi.SchemaLike, schema: Joi.Schema, otherwise: Joi.SchemaLike) =>
	Joi.when('use', {
		switch: [
			{ is, then: schema },
			{ is: otherwise, then: Joi.forbidden() }
		]
	});

const line = Joi.object({
	ingredient: text.required(),
	use: Joi.valid(...USES).required(),
	stage: Joi.string().allow('', null),
	grams: onlyFor('dough', grams.required(), surfaceUses),
	consumed_g: onlyFor(surfaceUses, grams.required(), 'dough'),
	uptake_g: onlyFor(surfaceUses, grams, 'dough')
});

/** The shape of a Square Batch file, version 1; what crosses from one place to another is in `read.ts`. */
export const recipeSchema = Joi.object<FileDocument>({
	squareBatch: Joi.valid(1).required(),
	rules: Joi.valid('us', 'eu').required(),
	currency: Joi.string()
		.pattern(/^[A-Z]{3}$/)
		.messages({ 'string.pattern.base': '{{#label}} must be three capital letters, such as "USD"' })
		.required(),
	ingredients: Joi.array().items(ingredient).required(),
	formula: Joi.object({ name: text.required(), lines: Joi.array().items(line).required() }).required(),
	piece: Joi.object({
		one: text.required(),
		many: text.required(),
		category: Joi.valid(...CATEGORIES).required(),
		ballWeight_g: weight,
		count: count.min(1)
	}).required(),
	batch: Joi.object({
		doughWeight_g: weight,
		mixGap: Joi.valid('residue', 'evaporation'),
		ballWeights_g: Joi.array().items(weight),
		finishedWeights_g: Joi.array().items(weight),
		rejects: count.min(0),
		servingPieces: count.min(1)
	}),
	pack: Joi.object({
		pieces: count.min(1).required(),
		materials: Joi.array().items(Joi.object({ name: text.required(), cost: money.required() }))
	})
})
	.required()
	.prefs(STRICT);
