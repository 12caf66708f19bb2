import { single } from './amount.ts';
import { gramsOf, type Measures } from './convert.ts';
import { isMeasured, quantityAtStart, timesQuantity, type Quantity } from './quantity.ts';
import { readNumber, type Read } from './reading.ts';
import { settled } from './round.ts';
import { CONTAINERS, unitNamed, type MeasureSet } from './units.ts';

const fail = (message: string): { ok: false; message: string } => ({ ok: false, message });

/**
 * Grams of what a price was paid for, as people say it: `22.68 kg`, `bag of 25 kg`, `6 bottles of 1 l`, `2 x 5 lb`, `a
 * pound`, `per litre`. A volume goes by the ingredient's own measures (computation, section 2). A bare number is grams.
 */
export function readPack(text: string, measures: Measures, set: MeasureSet): Read<number> {
	const said = text
		.trim()
		.replace(/^(?:per|each|for|a|an|one|the)\s+(?=\p{L})/iu, '')
		.replace(/\s+/g, ' ');
	if (said === '') return fail('empty: say how much, such as 25 kg');
	if (/^[\d.,½⅓⅔¼¾⅛/\s]+$/u.test(said)) return readNumber(said);
	const quantity = quantityOf(said);
	if (!quantity) return fail(`"${text.trim()}" is not understood: say it as 25 kg, 1 l, or bag of 25 kg`);
	if (!isMeasured(quantity.unit) && !measures[quantity.unit.name])
		return fail(`say what the ${quantity.unit.name} holds, such as ${quantity.unit.name} of 1 kg`);
	const weight = gramsOf(quantity.amount, quantity.unit, measures, set);
	if (!weight)
		return fail(`nobody has said what a ${quantity.unit.name} of it weighs: give the weight, or weigh one`);
	return { ok: true, value: settled(weight.grams) };
}

/** Whether a text says a quantity at all, whatever the ingredient; what it weighs may need its measures. */
export function isPackSaid(text: string): Read<string> {
	const read = readPack(text, {}, 'us');
	const needsMeasures = !read.ok && /^nobody has said|^say what/.test(read.message);
	if (!read.ok && !needsMeasures) return read;
	return read.ok && read.value <= 0 ? fail('must be more than 0 g') : { ok: true, value: text.trim() };
}

/** The quantity a pack is said to hold, however often it was bought. */
function quantityOf(said: string): Quantity | null {
	const alone = unitNamed(said);
	if (alone) return { amount: single(1), unit: alone };
	const first = quantityAtStart(said, { words: true, bare: true });
	if (!first) {
		const holder = /^(\p{L}+)\s+(?:of|with|à|de)?\s*(.+)$/iu.exec(said);
		return holder && CONTAINERS.includes(unitNamed(holder[1] ?? '')?.name ?? '')
			? quantityOf(holder[2] ?? '')
			: null;
	}
	const rest = said
		.slice(first.length)
		.replace(/^\s*(?:[x×*,(]|of|à|with)?\s*/iu, '')
		.replace(/\)$/, '');
	const isHolder = first.bare || CONTAINERS.includes(first.quantity.unit.name);
	const each = isHolder && rest !== '' ? quantityOf(rest) : null;
	if (each) return timesQuantity(each, first.quantity.amount);
	// `25 kg bag`: what it came in only holds it.
	return rest === '' || CONTAINERS.includes(unitNamed(rest)?.name ?? '') ? first.quantity : null;
}
