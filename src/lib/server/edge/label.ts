import { AT_ONCE_COPIES, MOST_COPIES } from '../../label/print-job.ts';
import Joi from 'joi';
import { DATE_KINDS, type LabelDesign } from '$core/label/content.ts';
import { US_FORMATS } from '$core/rules/us/format/index.ts';
import { gtinProblem } from '$core/label/barcode.ts';
import type { Read } from '$core/measure/reading.ts';
import { RULES_NAMES, type RulesName } from '$core/formula/types.ts';
import { ROLL, SHEETS } from '$core/label/sheets.ts';
import type { PrintJobInput } from '../labels/print-jobs.ts';
import type { NotedDay } from '../labels/shelf-tests.ts';
import { TESTED, type Tested } from '$core/label/shelf-life.ts';
import { ID, count, day, grams, gramsList, id, number, optionalText, text, typed } from './fields.ts';

/** A label form once read. */
export type LabelForm = Omit<LabelDesign, 'declared_g' | 'size' | 'packArea_cm2' | 'face_mm'> & {
	id: string;
	version: number;
	declared: number | null;
	packArea: number | null;
	faceWidth: number | null;
	faceHeight: number | null;
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
	wording: Joi.object().pattern(ID, optionalText(300)).required(),
	storage: optionalText(300),
	finishing: optionalText(400),
	maker: optionalText(160),
	address: optionalText(200),
	localSentence: optionalText(400),
	food: optionalText(80),
	leavePanelOut: Joi.boolean().required(),
	packArea: number(1, 10_000, { optional: true }),
	faceWidth: number(10, 1000, { optional: true }),
	faceHeight: number(10, 1000, { optional: true }),
	barcode: typed(readBarcode, {}),
	bestBeforeDays: count(1, MOST_DAYS, { optional: true }),
	dateKind: Joi.valid(...DATE_KINDS, null).required(),
	defrosted: Joi.boolean().allow(null).required(),
	shelfLifeTest: optionalText(400),
	price: optionalText(20),
	width: number(20, 300),
	height: number(20, 420),
	format: Joi.valid(...US_FORMATS).required()
});

/** The design a form stands for; a declared weight is in whole grams. */
export function labelDesign(form: LabelForm): LabelDesign {
	const {
		id: _id,
		version: _version,
		declared,
		packArea,
		faceWidth,
		faceHeight,
		width,
		height,
		wording,
		...words
	} = form;
	return {
		...words,
		wording: Object.fromEntries(Object.entries(wording).filter(([, said]) => said.trim() !== '')),
		packArea_cm2: packArea,
		face_mm:
			faceWidth === null || faceHeight === null ? null : { width_mm: faceWidth, height_mm: faceHeight },
		declared_g: declared === null ? null : Math.floor(declared),
		size: { width_mm: width, height_mm: height }
	};
}

export const approveForm = Joi.object<{ version: number }>({
	version: Joi.number().integer().min(0).required()
});

export const shelfTestForm = Joi.object<{ id: string; of: Tested; madeOn: string; keptHow: string }>({
	id: id('open the label again'),
	of: Joi.valid(...TESTED).required(),
	madeOn: day(),
	keptHow: text(200, 'say how it is kept')
});

/** A picture as a page sends it: made small there, so that many are kept; 600 kB of text are some 450 kB of it. */
const MOST_PICTURE = 600_000;
/** A JPEG begins with the bytes FF D8 FF: so does its text. */
const JPEG = /^\/9j\//;

export const shelfDayForm = Joi.object<NotedDay>({
	id: id('open the label again'),
	test: id('choose the test'),
	day: count(0, MOST_DAYS),
	isGood: Joi.boolean().required(),
	found: optionalText(400),
	picture: Joi.string()
		.allow('')
		.default('')
		.max(MOST_PICTURE)
		.base64()
		.pattern(JPEG)
		.messages({ 'string.max': 'this picture is too large', '*': 'this is not a picture: choose another' })
});

export const checkForm = Joi.object<{ id: string; declared: number; lot: number; packs: number[] }>({
	id: id('open the label again'),
	declared: grams({ positive: true }),
	lot: count(1, 100_000),
	packs: gramsList()
});

/** So many at most go to the label printer at once: a roll has no more. */
const MOST_ON_ROLL = 1000;

export const printForm = Joi.object<PrintJobInput>({
	id: id('open the label again'),
	revision: Joi.number().integer().min(1).required(),
	batch: Joi.string().pattern(ID).allow('').required(),
	copies: count(1, MOST_ON_ROLL)
});

/** What a form asks to be drawn as a file, many of it. */
export interface ManyInput extends PrintJobInput {
	on: string;
	start: number;
}

const on = Joi.valid(ROLL, ...SHEETS.map((sheet) => sheet.id)).default(ROLL);

export const manyForm = Joi.object<ManyInput>({
	id: id('open the label again'),
	revision: Joi.number().integer().min(1).required(),
	batch: Joi.string().pattern(ID).allow('').required(),
	copies: count(1, MOST_COPIES),
	on,
	start: count(1, 1000)
});

export const rollForm = Joi.object<{ width: number; height: number; labels: number }>({
	width: number(20, 300),
	height: number(20, 420),
	labels: count(0, 10_000)
});

export interface PrintQuery {
	rules?: RulesName;
	revision: number;
	as: 'pdf' | 'svg';
	on: string;
	start: number;
	copies: number;
	batch: string;
}

export const printQuery = Joi.object<PrintQuery>({
	revision: Joi.number().integer().min(1).required(),
	as: Joi.valid('pdf', 'svg').default('pdf'),
	on,
	start: Joi.number().integer().min(1).default(1),
	copies: Joi.number().integer().min(1).max(AT_ONCE_COPIES).default(1),
	batch: Joi.string().pattern(ID).allow('').default(''),
	rules: Joi.valid(...RULES_NAMES)
});
