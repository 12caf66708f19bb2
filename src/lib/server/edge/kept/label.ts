import Joi from 'joi';
import { DATE_KINDS } from '$core/label/content.ts';
import { CHECKLIST } from '$core/profile/checklist.ts';
import { US_FORMATS } from '$core/rules/us/format/index.ts';
import { figure, figureOrNull, moneyText, words, wordsByKey } from './parts.ts';

const size = Joi.object({
	width_mm: Joi.number().greater(0).required(),
	height_mm: Joi.number().greater(0).required()
});

/** What is decided of a label. What the first designs had not decided may be missing. */
export const design = Joi.object({
	name: words(),
	declared_g: figureOrNull(),
	wording: wordsByKey().required(),
	storage: words(),
	finishing: words(),
	maker: words(),
	address: words(),
	localSentence: words(),
	food: words().optional(),
	leavePanelOut: Joi.boolean(),
	face_mm: size.allow(null),
	packArea_cm2: figure().allow(null).optional(),
	barcode: words(40).optional(),
	bestBeforeDays: Joi.number().integer().min(0).max(10_000).allow(null).required(),
	dateKind: Joi.valid(...DATE_KINDS, null),
	defrosted: Joi.boolean().allow(null),
	shelfLifeTest: words(),
	price: words(),
	size: size.required(),
	format: Joi.valid(...US_FORMATS).required()
}).required();

/** What a kitchen noted of what its authority asks. */
export const profile = Joi.object({
	name: words(),
	sentence: words(),
	sentenceLeast_pt: figureOrNull(),
	permitAsked: Joi.boolean().required(),
	permit: words(),
	foods: Joi.array().items(words().optional()).required(),
	channels: Joi.array().items(words().optional()).required(),
	yearlyLimit: moneyText().allow(null).required(),
	panelExempt: Joi.boolean().required(),
	panelCondition: words(),
	answers: Joi.object(Object.fromEntries(CHECKLIST.map(({ key }) => [key, words().optional()]))).required()
}).required();
