import { readTag } from '../../allergens/tags.ts';
import { emphasisRuns } from '../../drawing/emphasis.ts';
import { factorEnergy } from '../../nutrition/energy.ts';
import { settled } from '../../measure/round.ts';
import { declaredAllergens } from '../allergens.ts';
import type { Declarations, PrintedFacts } from '../declarations.ts';
import { area_cm2 } from '../pack-room.ts';
import type { RuleInput, RuleSet } from '../ruleset.ts';
import { EU_ANNEX_II, EU_EXEMPTIONS } from './allergens.ts';
import { euAsks } from './asks.ts';
import { EU_FIGURES, euColumns, euPrintsOf } from './figures.ts';
import { euPackLabel } from './pack-label.ts';
import { euPacks } from './packs.ts';
import { euNetSize_pt, euTextSize_pt } from './sizes.ts';
import { euStatement } from './statement.ts';
import { euPrint, euTable } from './table.ts';
import { euBounds } from './tolerance.ts';
import type { TableContent } from './format.ts';

const LEAST_FOR_TABLE_CM2 = 25;

/** The European Union and, assimilated, the United Kingdom: Regulation 1169/2011. */
export const eu: RuleSet = {
	name: 'eu',
	place: 'EU and UK',
	usualDays: { locale: 'en-GB', weekStarts: 1 },
	declare,
	needed: [
		'water_g',
		'protein_g',
		'fat_g',
		'saturates_g',
		'carbohydrate_g',
		'fibre_g',
		'sugars_g',
		'sodium_mg'
	],
	printed: ['fat_g', 'saturates_g', 'carbohydrate_g', 'sugars_g', 'fibre_g', 'protein_g', 'sodium_mg'],
	figures: EU_FIGURES,
	printedPer: '100g',
	printsOf: euPrintsOf,
	print: euPrint,
	columnsOf: euColumns,
	energy_kcal: (energy) => energy.eu_kcal,
	boundsOf: euBounds,
	/** A declared value is an average (Article 31(4)): it is not moved to where it is safe. */
	safePrint: () => null,
	analysed_g: ({ table }) => (table ? 100 : null),
	boundsHoldLaboratory: true,
	servingReason: () => null,
	nutritionContent: (facts, product) => ({ panel: null, table: tableContent(facts, product.one) }),
	printedContent: (content) => content,
	/** Article 33: the number of pieces, since the second column is of one. */
	piecesText: ({ packPieces, one, many }) =>
		packPieces === null ? null : `${packPieces} ${packPieces === 1 ? one : many}`,
	formats: [],
	/** Annex V 18: a largest surface under 25 cm². */
	needsNoPanel: ({ face }) => face !== null && settled(area_cm2(face)) < LEAST_FOR_TABLE_CM2,
	formatProblem: () => null,
	allergenGroups: EU_ANNEX_II,
	/** Annex II 6(a): fully refined soybean oil and fat; peanut oil, for one, keeps its allergen. */
	exemptsRefined: (tag) => tag === 'soy',
	packLabel: euPackLabel,
	exemptions: EU_EXEMPTIONS,
	mayContainName(text) {
		const tag = readTag(text);
		return `**${tag?.species ?? tag?.group ?? text}**`;
	},
	mayContainRuns: emphasisRuns,
	netQuantityText: (declared_g) => (declared_g < 1000 ? `${declared_g} g` : `${declared_g / 1000} kg`),
	packs: euPacks,
	leastTextSize_pt: euTextSize_pt,
	leastNetSize_pt: (_, declared_g) => euNetSize_pt(declared_g),
	asksOfStatement: euAsks,
	clearsNet: false,
	asksDate: true,
	dayFirst: true
};

function declare(input: RuleInput): Declarations {
	return {
		serving: null,
		panel: null,
		table:
			input.finishedWeight_g !== null && input.per100g
				? {
						per100g: euTable(input.per100g, factorEnergy(input.per100g)),
						perPiece: euTable(input.perPiece, input.energy)
					}
				: null,
		statement:
			input.finishedWeight_g === null
				? null
				: euStatement(input.entries, input.contact, input.finishedWeight_g, input.foodName),
		contains: declaredAllergens(input.entries, input.contact, EU_ANNEX_II),
		containsText: null,
		notices: [],
		problems: []
	};
}

function tableContent(facts: PrintedFacts, pieceOne: string): TableContent | null {
	const finished_g = facts.yield.finishedWeight_g;
	if (!facts.table || finished_g === null) return null;
	return { table: facts.table, pieceHeading: `per ${pieceOne} (${Math.round(finished_g)} g)` };
}
