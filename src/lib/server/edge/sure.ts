import { NUTRIENTS, type Nutrient, mostPer100g } from '$core/composition/nutrients.ts';
import Joi from 'joi';
import { SPREAD_INPUTS } from '../../sure/spreads.ts';
import type { AssumedSpread } from '../sure/spreads.ts';
import { day, id, number, optionalText, text } from './fields.ts';

/** The spreads page once read. */
interface SpreadsForm {
	/** Percent, by input; null where the usual one holds. */
	spreads: Record<string, number | null>;
	notes: Record<string, string>;
}

const MOST_PERCENT = 100;

export const spreadsForm = Joi.object<SpreadsForm>({
	spreads: Joi.object(
		Object.fromEntries(SPREAD_INPUTS.map((input) => [input, number(0, MOST_PERCENT, { optional: true })]))
	).required(),
	notes: Joi.object(Object.fromEntries(SPREAD_INPUTS.map((input) => [input, optionalText(300)]))).required()
});

/** What is assumed otherwise than is usual. */
export function spreadsOf({ spreads, notes }: SpreadsForm): AssumedSpread[] {
	return SPREAD_INPUTS.flatMap((input): AssumedSpread[] => {
		const percent = spreads[input] ?? null;
		return percent === null ? [] : [{ input, spread: percent / 100, note: notes[input] ?? '' }];
	});
}

/** A laboratory's report once read. */
export interface ReportForm {
	id: string;
	laboratory: string;
	reportedOn: string;
	/** Per 100 g; null where it says nothing. */
	found: Record<Nutrient, number | null>;
	/** Expanded, in the same unit. */
	uncertainty: Record<Nutrient, number | null>;
	note: string;
}

const ofNutrients = () =>
	Joi.object(
		Object.fromEntries(
			NUTRIENTS.map((nutrient) => [nutrient, number(0, mostPer100g(nutrient), { optional: true })])
		)
	).required();

export const reportForm = Joi.object<ReportForm>({
	id: id('open the page again'),
	laboratory: text(120, 'which laboratory?'),
	reportedOn: day(),
	found: ofNutrients(),
	uncertainty: ofNutrients(),
	note: optionalText(300)
});

export const withdrawForm = Joi.object<{ id: string }>({ id: id('open the page again') });
