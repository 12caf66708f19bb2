import type { PanelKey } from './panel.ts';

const FAT = 'below 0.5 g prints 0 g; below 5 g the nearest half gram; from 5 g the nearest gram';
const GRAMS = 'below 0.5 g prints 0 g; below 1 g prints “less than 1g”; from 1 g the nearest gram';

/** How each line is rounded, in words, and where that is prescribed. */
const WORDS: Record<PanelKey | 'calories', { rule: string; source: string }> = {
	calories: {
		rule: 'below 5 prints 0; to 50 the nearest 5; above 50 the nearest 10',
		source: '21 CFR 101.9(c)(1)'
	},
	totalFat: { rule: FAT, source: '21 CFR 101.9(c)(2)' },
	saturatedFat: { rule: FAT, source: '21 CFR 101.9(c)(2)(i)' },
	transFat: { rule: FAT, source: '21 CFR 101.9(c)(2)(ii)' },
	cholesterol: {
		rule: 'below 2 mg prints 0 mg; 2 to 5 mg prints “less than 5mg”; above 5 mg the nearest 5 mg',
		source: '21 CFR 101.9(c)(3)'
	},
	sodium: {
		rule: 'below 5 mg prints 0 mg; 5 to 140 mg the nearest 5 mg; above 140 mg the nearest 10 mg',
		source: '21 CFR 101.9(c)(4)'
	},
	totalCarbohydrate: { rule: GRAMS, source: '21 CFR 101.9(c)(6)' },
	dietaryFiber: { rule: GRAMS, source: '21 CFR 101.9(c)(6)(i)' },
	totalSugars: { rule: GRAMS, source: '21 CFR 101.9(c)(6)(ii)' },
	addedSugars: { rule: GRAMS, source: '21 CFR 101.9(c)(6)(iii)' },
	protein: { rule: GRAMS, source: '21 CFR 101.9(c)(7)' },
	vitaminD: { rule: 'the nearest 0.1 mcg', source: '21 CFR 101.9(c)(8)' },
	calcium: { rule: 'the nearest 10 mg', source: '21 CFR 101.9(c)(8)' },
	iron: { rule: 'the nearest 0.1 mg', source: '21 CFR 101.9(c)(8)' },
	potassium: { rule: 'the nearest 10 mg', source: '21 CFR 101.9(c)(8)' }
};

/** How a panel line is rounded, in words, and the paragraph that says so. */
export function panelRule(key: PanelKey | 'calories'): { rule: string; source: string } {
	return WORDS[key];
}
