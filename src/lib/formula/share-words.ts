import type { ShareKey } from '$core/formula/shares.ts';

/** Shares of the flour in words. */
export const SHARE_WORDS: Record<ShareKey, string> = {
	hydration: 'Hydration',
	effectiveHydration: 'All its water',
	fat: 'Fat in the dough',
	layeringFat: 'Fat between layers',
	salt: 'Salt',
	sugar: 'Sugar',
	leavening: 'Leavening',
	yeast: 'Yeast',
	prefermented: 'Flour fermented ahead'
};

/** The same within a sentence. */
export const shareWord = (key: ShareKey): string =>
	SHARE_WORDS[key].charAt(0).toLowerCase() + SHARE_WORDS[key].slice(1);
