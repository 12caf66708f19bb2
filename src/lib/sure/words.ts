import { nutrientWord, type CompositionKey } from '$core/composition/nutrients.ts';
import type { Act } from '$core/sure/acts.ts';
import type { NamedLine } from './types.ts';

/** What the words of an act and of an input are made of. */
export interface Names {
	lines: readonly NamedLine[];
	nameOf: (ingredient: string) => string;
}

const lineWords = ({ lines }: Names, at: number): string => {
	const line = lines[at];
	if (!line) return `line ${at + 1}`;
	return line.use === 'dough' ? line.name : `${line.name} for ${line.use}`;
};

/** What to do, as one would say it. */
export function actWords(act: Act, names: Names): string {
	switch (act.kind) {
		case 'weigh line':
			return `Weigh the ${lineWords(names, act.line)}, not the spoon`;
		case 'weigh uptake':
			return `Weigh the ${lineWords(names, act.line)} before and after`;
		case 'pack figures':
			return `Take the pack’s own figures for ${names.nameOf(act.ingredient)}`;
		case 'analyse':
			return `Have ${names.nameOf(act.ingredient)} analysed, or ask its supplier’s laboratory`;
		case 'weigh balls':
			return 'Weigh as many balls again';
		case 'weigh pieces':
			return 'Weigh as many finished pieces again';
		case 'weigh water':
			return 'Weigh the water and keep to it, rather than by feel';
		case 'close batches':
			return 'Close batches until three of this formula square';
	}
}

/** Where a doubt comes from, in a few words. */
export function inputWords(input: string, names: Names): string {
	if (input.startsWith('value ')) {
		const at = input.lastIndexOf(' ');
		const nutrient = nutrientWord(input.slice(at + 1) as CompositionKey);
		return `${names.nameOf(input.slice('value '.length, at))}’s ${nutrient}`;
	}
	const [what = '', of = ''] = input.split(' ');
	if (what === 'line') return `grams of ${lineWords(names, Number(of))}`;
	if (what === 'uptake') return `how much ${lineWords(names, Number(of))} stays on`;
	if (what === 'laboratory') return 'the laboratory itself';
	return INPUT_WORDS[input] ?? input;
}

const INPUT_WORDS: Partial<Record<string, string>> = {
	scale: 'the scale’s own error',
	'ball weight': 'the mean ball',
	'finished weight': 'the mean finished piece',
	'cook loss': 'cook loss from batch to batch',
	'water by feel': 'water by feel'
};
