/** What can go wrong unseen in a practice batch (computation, section 19). */
export const SLIPS = [
	'none',
	'line missed',
	'line not in',
	'line twice',
	'bowl not tared',
	'scale drifts',
	'spoon heaped',
	'dough dry',
	'ball miscounted',
	'uneven balls',
	'flour not returned',
	'hot piece weighed',
	'pack short',
	'allergen unsaid',
	'not cleaned',
	'clean not recorded',
	'wrong lot',
	'holds the lot'
] as const;
export type SlipKind = (typeof SLIPS)[number];

/** What a slip is about: a line, a tool, a batch; nothing where the kind says it all. */
export type SubjectKind = 'line' | 'container' | 'equipment' | 'batch';

/** Each slip in words, as somebody says it afterwards. */
export const SLIP_WORDS: Readonly<Record<SlipKind, { words: string; of: SubjectKind | null }>> = {
	none: { words: 'Nothing was wrong', of: null },
	'line missed': { words: 'Went in and was not written down', of: 'line' },
	'line not in': { words: 'Was written down and never went in', of: 'line' },
	'line twice': { words: 'Went in twice and was written down once', of: 'line' },
	'bowl not tared': { words: 'Was weighed with what it stood in', of: 'container' },
	'scale drifts': { words: 'The scale wanders', of: null },
	'spoon heaped': { words: 'The spoon was not level', of: 'line' },
	'dough dry': { words: 'The dough lacked water', of: null },
	'ball miscounted': { words: 'The balls were miscounted', of: null },
	'uneven balls': { words: 'Some balls were far from their weight', of: null },
	'flour not returned': { words: 'What was left of the dusting flour was not weighed back', of: null },
	'hot piece weighed': { words: 'Pieces were weighed hot', of: null },
	'pack short': { words: 'A pack holds too few', of: null },
	'allergen unsaid': { words: 'Holds an allergen that the shelf does not say', of: 'line' },
	'not cleaned': { words: 'Was not cleaned before this batch', of: 'equipment' },
	'clean not recorded': { words: 'Was cleaned, and nobody wrote it down', of: 'equipment' },
	'wrong lot': { words: 'Came from another lot than is written down', of: 'batch' },
	'holds the lot': { words: 'Holds the recalled lot, as is written down', of: 'batch' }
};

/** What somebody says was wrong; the subject by name, null where the kind has none. */
export interface Claim {
	slip: SlipKind;
	subject: string | null;
}

export const sameClaim = (a: Claim, b: Claim): boolean => a.slip === b.slip && a.subject === b.subject;

/** A claim in a sentence: “Salt: went in and was not written down”. */
export function claimText({ slip, subject }: Claim): string {
	const { words } = SLIP_WORDS[slip];
	return subject === null ? words : `${subject}: ${words.charAt(0).toLowerCase()}${words.slice(1)}`;
}
