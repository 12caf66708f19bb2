import Joi from 'joi';
import type { Manifest } from '../archive/format.ts';

/** What an archive says of itself. */
export const manifestSchema = Joi.object<Manifest>({
	squareBatchArchive: Joi.number().integer().required(),
	kitchen: Joi.object({
		id: Joi.string()
			.pattern(/^[0-9A-Z]{26}$/)
			.required(),
		name: Joi.string().allow('').required()
	}).required(),
	writtenAt: Joi.string().isoDate().required(),
	migration: Joi.string().required(),
	tables: Joi.array()
		.items(
			Joi.object({
				name: Joi.string()
					.pattern(/^[a-z_]+$/)
					.required(),
				rows: Joi.number().integer().min(0).required(),
				sha256: Joi.string().hex().length(64).required()
			})
		)
		.required()
});
