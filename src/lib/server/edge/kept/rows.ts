import Joi from 'joi';
import { KINDS } from '$core/composition/kinds.ts';
import { LOCALES, WEEK_STARTS } from '../../../kitchen/locale.ts';
import type { Cells } from '../../rows.ts';
import { ID } from '../fields.ts';
import { isDay } from '../query.ts';
import { documentColumns, documentProblem } from './documents.ts';
import { day } from './parts.ts';

/** A column as the database describes it: `varchar(160)`, `decimal(12,3)`, `enum('us','eu')`. */
export interface Column {
	name: string;
	type: string;
	isNullable: boolean;
}

const TIME = /^([01]\d|2[0-3]):[0-5]\d:[0-5]\d(\.\d{1,3})?$/;
const moment = Joi.string().custom((text: string, helpers) => {
	const [on = '', at = '', ...more] = text.split(' ');
	return isDay(on) && TIME.test(at) && more.length === 0
		? text
		: helpers.message({ custom: '{{#label}} is no moment there is' });
});
/** Also by a name that another machine's list has and this one's has not: the same zone has several. */
const timeZone = Joi.string().custom((text: string, helpers) => {
	try {
		new Intl.DateTimeFormat('en', { timeZone: text });
		return text;
	} catch {
		return helpers.message({ custom: '{{#label}} is no time zone this machine knows' });
	}
});

/** Kinds of a type's name, each with what a value of it is like in an archive. */
const TYPES: [type: RegExp, schema: (...parts: string[]) => Joi.Schema][] = [
	[/^char\(26\)$/, () => Joi.string().pattern(ID)],
	[/^(?:var)?char\((\d+)\)$/, (most) => Joi.string().allow('').max(Number(most))],
	[/^enum\((.*)\)$/, (list = '') => Joi.valid(...list.split(',').map((each) => each.replace(/^'|'$/g, '')))],
	[
		/^decimal\((\d+),(\d+)\)$/,
		(digits, places) =>
			Joi.string().pattern(new RegExp(`^-?\\d{1,${Number(digits) - Number(places)}}(\\.\\d{1,${places}})?$`))
	],
	[/^tinyint\(1\)/, () => Joi.valid(0, 1)],
	[
		/^(?:int|bigint)\(\d+\) unsigned/,
		() =>
			Joi.number()
				.integer()
				.min(0)
				.max(2 ** 32 - 1)
	],
	[
		/^(?:int|bigint)\(\d+\)/,
		() =>
			Joi.number()
				.integer()
				.min(-(2 ** 31))
				.max(2 ** 31 - 1)
	],
	[/^date$/, day],
	[/^time$/, () => Joi.string().pattern(TIME)],
	[/^datetime/, () => moment],
	[/^(?:long|medium)?text$/, () => Joi.string().allow('')]
];

/** What a type cannot say: names this machine has to know. */
const KNOWN: Record<string, Joi.Schema> = {
	'kitchens.time_zone': timeZone,
	'kitchens.currency': Joi.valid(...Intl.supportedValuesOf('currency')).messages({
		'any.only': '{{#label}} is no currency this machine knows'
	}),
	'kitchens.locale': Joi.valid(...LOCALES),
	'kitchens.week_starts': Joi.valid(...WEEK_STARTS),
	'ingredients.kind': Joi.valid(...KINDS)
};

function columnSchema(table: string, { name, type, isNullable }: Column): Joi.Schema {
	const known = KNOWN[`${table}.${name}`];
	for (const [pattern, schemaOf] of TYPES) {
		const found = known ? [] : pattern.exec(type);
		if (!found) continue;
		const schema = known ?? schemaOf(...found.slice(1));
		return isNullable ? schema.allow(null) : schema.required();
	}
	throw new Error(`no schema for ${table}.${name}, which is ${type}`);
}

/**
 * Says what is wrong with rows of a table, held to what the database says of its columns and to the documents in
 * them; null where nothing is. What a row may not refer to is for the database.
 */
export function rowsChecked(table: string, columns: readonly Column[]): (row: Cells) => string | null {
	const schema = Joi.object(
		Object.fromEntries(columns.map((column) => [column.name, columnSchema(table, column)]))
	).prefs({ convert: false, abortEarly: true });
	const documents = documentColumns(table);
	return (row) => {
		const { error } = schema.validate(row);
		if (error) return error.message;
		for (const column of documents) {
			const problem = documentProblem(table, column, row);
			if (problem !== null) return `its "${column}": ${problem}`;
		}
		return null;
	};
}
