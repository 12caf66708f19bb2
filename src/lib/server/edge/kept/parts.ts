import Joi from 'joi';
import { ID } from '../fields.ts';
import { isDay } from '../query.ts';

// Documents are checked as they are kept: nothing is turned into something else, and nothing may be missing.

/**
 * Words of a document: longer than any form takes, and than any list of ingredients comes to, so that whatever was kept
 * comes back.
 */
export const words = (most = 200_000) => Joi.string().allow('').max(most).required();
export const id = () => Joi.string().pattern(ID).required();
/** A finite figure. */
export const figure = () => Joi.number().required();
export const figureOrNull = () => Joi.number().allow(null).required();
export const wholeOrNull = () => Joi.number().integer().min(0).allow(null).required();
/** Words under keys that the kitchen gives: ids, nutrients. */
export const wordsByKey = () => Joi.object().pattern(Joi.string().max(60), words());
/** An amount of money as text, so that it passes through no float. */
export const moneyText = () => Joi.string().pattern(/^\d{1,14}(\.\d{1,12})?$/);
/** A day there is. */
export const day = () =>
	Joi.string()
		.custom((text: string, helpers) =>
			isDay(text) ? text : helpers.message({ custom: '{{#label}} is no day there is' })
		)
		.required();
export const timeOrNull = () =>
	Joi.string()
		.pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
		.allow(null);
