import Joi from 'joi';
import { KINDS, type Kind } from '$core/composition/kinds.ts';
import type { Window, Windows } from '$core/formula/families.ts';
import { SHARE_KEYS, type ShareKey } from '$core/formula/shares.ts';
import { RULES_NAMES, type RulesName } from '$core/formula/types.ts';
import { MEASURE_SETS, type MeasureSet } from '$core/measure/units.ts';
import { LOCALES, WEEK_STARTS, type Locale, type WeekStart } from '../../kitchen/locale.ts';
import { refuse } from '../errors.ts';
import { day, grams, id, money, number, optionalText, text, version } from './fields.ts';
import { allergenTag } from './ingredient.ts';

const MOST_GRAMS = 1_000_000;

export const tareForm = Joi.object<{ id: string; tare_g: number }>({
	id: id('choose a container'),
	tare_g: Joi.number().greater(0).max(MOST_GRAMS).precision(3).required()
});

/** How days are written and what is sold, as the page's choices send it. */
const ways = {
	sellsShort: Joi.boolean().required(),
	locale: Joi.valid(...LOCALES).required(),
	weekStarts: Joi.number()
		.valid(...WEEK_STARTS)
		.required()
};

export const settingsForm = Joi.object<{
	version: number;
	name: string;
	town: string;
	address: string;
	rules: RulesName;
	measureSet: MeasureSet;
	scaleDivision: number;
	locale: Locale;
	weekStarts: WeekStart;
	sellsShort: boolean;
}>({
	version: version(),
	name: text(120, 'what is the kitchen called?'),
	town: optionalText(120),
	address: optionalText(200),
	rules: Joi.valid(...RULES_NAMES).required(),
	measureSet: Joi.valid(...MEASURE_SETS).required(),
	scaleDivision: grams({ positive: true }),
	...ways
});

interface WindowForm {
	key: ShareKey;
	low: number | null;
	high: number | null;
	below: string;
	above: string;
}

export const familyForm = Joi.object<{ name: string; windows: WindowForm[] }>({
	name: text(60, 'what is the family called?'),
	windows: Joi.array()
		.items(
			Joi.object({
				key: Joi.valid(...SHARE_KEYS).required(),
				low: number(0, 300, { optional: true }),
				high: number(0, 300, { optional: true }),
				below: optionalText(120),
				above: optionalText(120)
			})
		)
		.required()
});

/** Windows with both ends; refuses one that ends before it begins, or with only one end. */
export function windowsOf(forms: readonly WindowForm[]): Windows {
	const windows: Windows = {};
	forms.forEach(({ key, low, high, below, above }, index) => {
		if (low === null && high === null) return;
		if (low === null || high === null) return refuse(`windows[${index}].high`, 'give both ends, or neither');
		if (high < low) return refuse(`windows[${index}].high`, `less than the ${low} it begins at`);
		windows[key] = { low, high, below, above } satisfies Window;
	});
	if (Object.keys(windows).length === 0) refuse('windows[0].low', 'give at least one window');
	return windows;
}

/** A measure of the maker's own once read: what it holds, or what it weighs with a kind. */
export interface OwnMeasureForm {
	name: string;
	kind: Kind | '';
	/** Millilitres, or grams where a kind is named. */
	amount: number;
}

export const ownMeasureForm = Joi.object<OwnMeasureForm>({
	name: text(40, 'say which, such as spoon'),
	kind: Joi.valid('', ...KINDS).required(),
	amount: number(0.01, 20_000)
});

export const ownMeasureNameForm = Joi.object<Pick<OwnMeasureForm, 'name' | 'kind'>>({
	name: Joi.string().max(40).required(),
	kind: Joi.valid('', ...KINDS).required()
});

export const nameForm = Joi.object<{ name: string }>({ name: Joi.string().max(160).required() });

export const idForm = (what: string) => Joi.object<{ id: string }>({ id: id(`choose ${what}`) });

export const equipmentForm = Joi.object<{ id: string; name: string; tare: number | null }>({
	id: id('open the page again'),
	name: text(80, 'what is it called?'),
	tare: grams({ optional: true, positive: true })
});

export const riskForm = Joi.object<{ id: string; allergen: string; why: string }>({
	id: id('open the page again'),
	allergen: allergenTag.required(),
	why: text(200, 'say why it is always about')
});

export const letGoForm = Joi.object<{ table: string; column: string; id: string }>({
	table: Joi.string().max(64).required(),
	column: Joi.string().max(64).required(),
	id: id('open the page again')
});

export const archiveForm = Joi.object<{ id: string; withCustomers: boolean }>({
	id: id('send the form again'),
	withCustomers: Joi.boolean().required()
});

/** A kitchen is deleted by who types its name. */
export const leaveForm = Joi.object<{ id: string; name: string }>({
	id: id('send the form again'),
	name: text(120, 'type the kitchen’s name')
});

export const openForm = Joi.object<{ id: string }>({ id: id('choose a kitchen') });

export const newForm = Joi.object<{
	id: string;
	name: string;
	town: string;
	address: string;
	timeZone: string;
	currency: string;
	rules: RulesName;
	measureSet: MeasureSet;
	scaleDivision: number;
	locale: Locale;
	weekStarts: WeekStart;
	sellsShort: boolean;
}>({
	id: id('open the page again'),
	name: text(120, 'what is the kitchen called?'),
	town: optionalText(120),
	address: optionalText(200),
	timeZone: Joi.valid(...Intl.supportedValuesOf('timeZone'), 'UTC')
		.required()
		.messages({ 'any.only': 'choose a time zone' }),
	currency: Joi.valid(...Intl.supportedValuesOf('currency'))
		.required()
		.messages({ 'any.only': 'choose a currency' }),
	rules: Joi.valid(...RULES_NAMES).required(),
	measureSet: Joi.valid(...MEASURE_SETS).required(),
	scaleDivision: grams({ positive: true }),
	...ways
});

export const ratesForm = Joi.object<{
	id: string;
	validFrom: string;
	tariff: string | null;
	labour: string | null;
}>({
	id: id('open the page again'),
	validFrom: day(),
	tariff: money({ optional: true }),
	labour: money({ optional: true })
});

const MOST_KW = 100;

export const powerForm = Joi.object<{ power: { id: string; kw: number | null }[] }>({
	power: Joi.array()
		.items(Joi.object({ id: id('open the page again'), kw: number(0.01, MOST_KW, { optional: true }) }))
		.required()
});

export const feeForm = Joi.object<{
	id: string;
	channel: string;
	validFrom: string;
	perDay: string | null;
	share: number | null;
}>({
	id: id('open the page again'),
	channel: text(60, 'say where'),
	validFrom: day(),
	perDay: money({ optional: true }),
	share: number(0, 99, { optional: true })
});
