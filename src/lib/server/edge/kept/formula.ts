import Joi from 'joi';
import { SHARE_KEYS } from '$core/formula/shares.ts';
import { STEP_KINDS } from '$core/formula/process.ts';
import type { FormulaDraft } from '../../../formula/draft.ts';
import { choices, draftForm } from '../formula.ts';
import { figure, figureOrNull, moneyText, words } from './parts.ts';

export { choices };

/** What a sheet kept while somebody typed. */
export const draft: Joi.ObjectSchema<FormulaDraft> = draftForm;

export const steps = Joi.array()
	.items(
		Joi.object({
			kind: Joi.valid(...STEP_KINDS).required(),
			text: words(),
			minutesLow: figureOrNull(),
			minutesHigh: figureOrNull(),
			temperature_c: figureOrNull(),
			cue: words()
		})
	)
	.required();

export const windows = Joi.object()
	.pattern(
		Joi.valid(...SHARE_KEYS),
		Joi.object({ low: figure(), high: figure(), below: words(), above: words() })
	)
	.required();

export const materials = Joi.array()
	.items(Joi.object({ name: words(), cost: moneyText().required() }))
	.required();

export const discs = Joi.array()
	.items(Joi.object({ diameter_cm: figure(), thickness_mm: figure(), weight_g: figure() }))
	.required();
