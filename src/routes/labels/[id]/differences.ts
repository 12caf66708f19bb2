import type { LabelDraft } from '$lib/label/draft.ts';

const WORDS: Record<Exclude<keyof LabelDraft, 'id' | 'version' | 'wording'>, string> = {
	name: 'name on the label',
	declared: 'net quantity',
	storage: 'how to keep it',
	finishing: 'how to finish it',
	maker: 'maker',
	address: 'address',
	localSentence: 'what else the authority asks',
	food: 'food of the local profile',
	leavePanelOut: 'panel left out',
	packArea: 'surface of the pack',
	faceWidth: 'front of the pack, width',
	faceHeight: 'front of the pack, height',
	barcode: 'barcode',
	bestBeforeDays: 'date, days',
	dateKind: 'what the day is called',
	defrosted: 'sold defrosted',
	shelfLifeTest: 'shelf-life test',
	price: 'price',
	width: 'width',
	height: 'height',
	format: 'panel format'
};

const shown = (value: string | boolean | null): string =>
	value === null ? 'nobody said' : typeof value === 'string' ? value : value ? 'yes' : 'no';

/** What differs between two drafts of a label, in words. */
export function labelDifferences(
	mine: LabelDraft,
	theirs: LabelDraft,
	nameOf: (ingredient: string) => string
): { what: string; yours: string; theirs: string }[] {
	const fields = (Object.keys(WORDS) as (keyof typeof WORDS)[]).map((key) => ({
		what: WORDS[key],
		yours: shown(mine[key]),
		theirs: shown(theirs[key])
	}));
	const ids = [...new Set([...Object.keys(mine.wording), ...Object.keys(theirs.wording)])];
	const wordings = ids.map((id) => ({
		what: `${nameOf(id)}, in your own words`,
		yours: mine.wording[id] ?? '',
		theirs: theirs.wording[id] ?? ''
	}));
	return [...fields, ...wordings].filter((each) => each.yours !== each.theirs);
}
