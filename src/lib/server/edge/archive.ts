import Joi from 'joi';
import { ID } from './fields.ts';
import type { Manifest } from '../archive/format.ts';

/** What an archive says of itself. */
export const manifestSchema = Joi.object<Manifest>({
	squareBatchArchive: Joi.number().integer().required(),
	kitchen: Joi.object({
		id: Joi.string().pattern(ID).required(),
		name: Joi.string().allow('').max(200).required()
	}).required(),
	writtenAt: Joi.string().isoDate().required(),
	migration: Joi.string().max(200).required(),
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
		.unique('name')
		.required()
});
