import type { RulesName } from '../formula/types.ts';

/** What comes from an allergen and need not be declared, with the rule that says so. */
export interface Exemption {
	what: string;
	source: string;
}

/** Exemptions a person may meet when choosing tags; everything else keeps its tag. */
export const EXEMPTIONS: Record<RulesName, readonly Exemption[]> = {
	us: [
		{
			what: 'Highly refined oil, such as refined soybean or peanut oil. Cold-pressed, expelled and extruded oils keep their tag.',
			source: '21 U.S.C. 321(qq)(2)'
		},
		{
			what: 'Rye, barley and oats are not major allergens there; wheat, spelt and durum are.',
			source: '21 U.S.C. 321(qq)(1)'
		}
	],
	eu: [
		{
			what: 'Wheat-based glucose syrup and maltodextrin, and glucose syrup based on barley.',
			source: 'Regulation 1169/2011 Annex II 1'
		},
		{ what: 'Fully refined soybean oil and fat.', source: 'Regulation 1169/2011 Annex II 6' },
		{
			what: 'Sulphites at 10 mg/kg or less of the finished food.',
			source: 'Regulation 1169/2011 Annex II 12'
		}
	]
};
