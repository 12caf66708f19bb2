import Joi from 'joi';
import type { LabelDesign } from '$core/label/content.ts';
import { US_FORMATS } from '$core/rules/us/format/index.ts';
import { gtinProblem } from '$core/label/barcode.ts';
import type { Read } from '$core/measure/reading.ts';
import { count, grams, number, optionalText, text, typed } from './fields.ts';

/** A label form once read. */
export type LabelForm = Omit<LabelDesign, 'declared_g' | 'size' | 'packArea_cm2'> & {
	id: string;
	version: number;
	declared: number | null;
	packArea: number | null;
	width: number;
	height: number;
};

const MOST_DAYS = 730;

/** A trade item number, spaces aside; empty for none. */
function readBarcode(text: string): Read<string> {
	const digits = text.replace(/[\s-]/g, '');
	const problem = digits === '' ? null : gtinProblem(digits);
	return problem === null ? { ok: true, value: digits } : { ok: false, message: problem };
}

export const labelForm = Joi.object<LabelForm>({
	id: Joi.string().max(40).required(),
	version: Joi.number().integer().min(0).required(),
	name: text(160, 'what does the label call it?'),
	declared: grams({ optional: true, positive: true }),
	wording: Joi.object()
		.pattern(/^[0-9A-Z]{26}$/, optionalText(300))
		.required(),
	storage: optionalText(300),
	finishing: optionalText(400),
	maker: optionalText(160),
	address: optionalText(200),
	localSentence: optionalText(400),
	food: optionalText(80),
	leavePanelOut: Joi.boolean().required(),
	packArea: number(1, 10_000, { optional: true }),
	barcode: typed(readBarcode, {}),
	bestBeforeDays: count(1, MOST_DAYS, { optional: true }),
	shelfLifeTest: optionalText(400),
	price: optionalText(20),
	width: number(20, 300),
	height: number(20, 420),
	format: Joi.valid(...US_FORMATS).required()
});

/** The design a form stands for; a declared weight is in whole grams. */
export function labelDesign(form: LabelForm): LabelDesign {
	const { id: _id, version: _version, declared, packArea, width, height, wording, ...words } = form;
	return {
		...words,
		wording: Object.fromEntries(Object.entries(wording).filter(([, said]) => said.trim() !== '')),
		packArea_cm2: packArea,
		declared_g: declared === null ? null : Math.floor(declared),
		size: { width_mm: width, height_mm: height }
	};
}
