import Joi from 'joi';
import { recipeSchema } from '$core/file/schema.ts';
import { HAPPENINGS } from '../entries.ts';
import { day, figureOrNull, id, timeOrNull, wholeOrNull, words } from './parts.ts';

const weights = () => Joi.array().items(Joi.number().min(0)).required();

/** What was measured of a batch when it was closed. What the first closings had not counted may be missing. */
export const input = Joi.object({
	doughWeight_g: figureOrNull(),
	leftover_g: figureOrNull(),
	ballWeights_g: weights(),
	finishedWeights_g: weights(),
	ballCount: wholeOrNull(),
	rejects: Joi.number().integer().min(0).required(),
	sellable: wholeOrNull().optional(),
	packs: wholeOrNull().optional(),
	loose: wholeOrNull().optional(),
	madeOn: day(),
	beganAt: timeOrNull(),
	usedUntil: timeOrNull(),
	equipment: Joi.array().items(id().optional()),
	ballWeight_g: Joi.number().greater(0).required(),
	servingPieces: wholeOrNull(),
	note: words(),
	lines: Joi.array()
		.items(Joi.object({ id: id(), grams: figureOrNull(), uptake_g: figureOrNull() }))
		.required()
}).required();

/** The recipe a batch was closed with, as a Square Batch file has it. */
export const recipe = recipeSchema;

/** What happened, by its name in another column. */
export const happening = (name: string): Joi.Schema =>
	Object.hasOwn(HAPPENINGS, name)
		? Joi.object(HAPPENINGS[name as keyof typeof HAPPENINGS]).required()
		: Joi.forbidden().messages({ '*': `"${name}" is nothing that happens at the bench` });

export const packs = weights();
