import Joi from 'joi';
import { COMPOSITION_KEYS } from '$core/composition/nutrients.ts';
import { DEEPEST_PARTS } from '$core/file/limits.ts';
import { allergenTag } from '../ingredient.ts';
import { figure, words, wordsByKey } from './parts.ts';

/** Parts of a compound, some deeper than a file may nest them: older forms took more. */
const DEEPEST = 2 * DEEPEST_PARTS;
const partsTo = (depth: number): Joi.Schema =>
	depth === 0
		? Joi.array().max(0)
		: Joi.array().items(Joi.object({ name: words(), parts: partsTo(depth - 1) }));

export const parts = partsTo(DEEPEST).required();
export const tags = Joi.array().items(allergenTag).required();
export const printed = wordsByKey().required();
export const intervals = Joi.object()
	.pattern(Joi.valid(...COMPOSITION_KEYS), Joi.array().ordered(figure(), figure()))
	.required();
export const found = Joi.object()
	.pattern(Joi.valid(...COMPOSITION_KEYS), Joi.object({ value: figure(), uncertainty: figure().allow(null) }))
	.required();
export const readings = Joi.array().items(Joi.number().min(0).allow(null)).max(100).required();
