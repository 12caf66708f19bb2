import Joi from 'joi';
import { readAllergens } from '$core/allergens/list.ts';
import { id, money, optionalText, typed, version } from './fields.ts';

/** The rows of the sheet that were changed, once read. */
export interface ShelfSheetForm {
	rows: {
		id: string;
		version: number;
		allergens: string[];
		evidence: string;
		/** What was paid; null where no price was typed. */
		amount: string | null;
		/** For how much, as said: `bag of 25 kg`. */
		grams: string;
		key: string;
	}[];
}

/** So many rows are kept at once. */
const MOST_ROWS = 1000;

export const shelfSheetForm = Joi.object<ShelfSheetForm>({
	rows: Joi.array()
		.items(
			Joi.object({
				id: id('open the page again'),
				version: version(),
				allergens: typed(readAllergens),
				evidence: optionalText(200),
				amount: money({ optional: true }),
				grams: optionalText(60),
				key: id('open the page again')
			})
		)
		.min(1)
		.max(MOST_ROWS)
		.required()
		.messages({ 'array.min': 'nothing was changed' })
});
