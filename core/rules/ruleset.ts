import type { Nutrient, NutrientAmounts } from '../composition/nutrients.ts';
import type { Run } from '../drawing/shapes.ts';
import type { Ingredient, Product, RulesName } from '../formula/types.ts';
import type { FactorEnergy } from '../nutrition/energy.ts';
import type { Declarations, PrintedFacts } from './declarations.ts';
import type { StatementEntry } from './entry.ts';
import type { Exemption } from './exemption.ts';
import type { Figure, FigureColumn } from './figure.ts';
import type { TableContent } from './eu/format.ts';
import type { PackRoom } from './pack-room.ts';
import type { PackLabel } from './pack-label.ts';
import type { PanelContent } from './us/format/content.ts';
import type { Bounds } from './tolerance.ts';
import type { UsFormat } from './us/format/index.ts';

/** What a rule set is given of a product or batch. */
export interface RuleInput {
	foodName: string;
	product: Product;
	/** Mean finished weight; null while none was weighed. */
	finishedWeight_g: number | null;
	perPiece: NutrientAmounts;
	per100g: NutrientAmounts | null;
	energy: FactorEnergy;
	/** Heaviest first. */
	entries: StatementEntry[];
	/** Surface materials that touched the pieces though none is said to stay on them, in the order of the lines. */
	contact: StatementEntry[];
	ingredientOf: (id: string) => Ingredient;
}

/** The panel or table of a label; the one the rule set does not have is null. */
export interface NutritionContent {
	panel: PanelContent | null;
	table: TableContent | null;
}

/** How a sample of packs is held against what they declare. */
export interface PackRule {
	/** The test in words, and where it is set out. */
	test: string;
	source: string;
	/** How far one pack may be short, grams; null where the rule's table does not reach. */
	allowedShort_g(declared_g: number): number | null;
	/** Packs that may be short by more than that, in a sample of this size. */
	mayBeTooShort(packs: number): number;
	/** No pack may be short by more than this many times it; null where nothing is said. */
	neverTimes: number | null;
	/** How far below zero the mean error may be before the sample proves a shortage; 0 where nothing is granted. */
	sampleLimit_g(spread_g: number | null, packs: number): number;
	/** Whether the mean is part of the test of so many packs. */
	testsMean(packs: number): boolean;
	/** Packs an inspector takes from a lot; null where that is not laid down. */
	sampleSize(lotPacks: number): number | null;
}

/**
 * What differs between jurisdictions. Whoever needs something that does asks it here, and never which
 * jurisdiction it is.
 */
export interface RuleSet {
	name: RulesName;
	/** Whose rules they are. */
	place: string;
	/** How days are usually written there, and the day a week begins with, 0 for Sunday. */
	usualDays: { locale: 'en-US' | 'en-GB'; weekStarts: 0 | 1 };
	declare(input: RuleInput): Declarations;

	/** Nutrients of an ingredient that what prints is worked out from. */
	needed: readonly Nutrient[];
	/** Nutrients that print: a label waits for one that is unknown. */
	printed: readonly Nutrient[];
	/** The figures of the panel or table, in the order they print. */
	figures: readonly Figure[];
	/** What the first column of its figures is of. */
	printedPer: 'serving' | '100g';
	/** The figure a nutrient prints in, and how much of it one unit of the nutrient makes; null where it prints in none. */
	printsOf(nutrient: Nutrient): { key: string; factor: number } | null;
	/** An amount of a figure as it prints. */
	print(key: string, amount: number): string;
	/** The columns a figure prints in; null while nothing prints. */
	columnsOf(facts: PrintedFacts, product: Product, key: string): FigureColumn[] | null;
	/** Energy of a piece as this rule set has it worked out; null where unknown. */
	energy_kcal(energy: FactorEnergy): number | null;
	/** What a laboratory may find where a figure prints so; `isAdded` where an ingredient had the nutrient added. */
	boundsOf(key: string, printed: string, isAdded: boolean): Bounds;
	/**
	 * What would have to be printed so that what is found 5 to 95 times in 100 survives; null where it is not for the
	 * maker to choose.
	 */
	safePrint(key: string, found: { p5: number; p95: number }, isAdded: boolean): string | null;
	/** Grams of finished product that a figure's first column is of, as printed; null while nothing prints. */
	analysed_g(facts: PrintedFacts): number | null;
	/** Whether these bounds already hold what a laboratory itself is unsure of. */
	boundsHoldLaboratory: boolean;
	/** Why the serving is what it is, in a sentence; null where there is none. */
	servingReason(facts: PrintedFacts, product: Product): string | null;

	/** What the facts' panel or table says. */
	nutritionContent(facts: PrintedFacts, product: Product): NutritionContent;
	/** The same as a label of a design prints it. */
	printedContent(content: NutritionContent, format: UsFormat, declared_g: number | null): NutritionContent;
	/** How many pieces the pack holds, where that has to stand beside the figures; null where not. */
	piecesText(product: Product): string | null;
	/** The formats its panel may be drawn in, the usual one first; empty where there is one layout alone. */
	formats: readonly UsFormat[];
	/** What keeps a panel from being drawn in a format on a pack with this much room; null where nothing does. */
	formatProblem(
		content: NutritionContent,
		format: UsFormat,
		pack: PackRoom
	): { message: string; field: 'format' | 'packArea_cm2' | 'face_mm' } | null;
	/** Whether a pack is so small that it may go without panel or table. */
	needsNoPanel(pack: PackRoom): boolean;

	/** How the packs that are bought there print their values. */
	packLabel: PackLabel;
	/** Groups of allergens that are declared. */
	allergenGroups: readonly string[];
	/** Whether a tag need not be declared where it comes from a highly refined oil. */
	exemptsRefined(tag: string): boolean;
	exemptions: readonly Exemption[];
	/** An allergen as a line of what may have come along names it, `**` around what is emphasised. */
	mayContainName(tag: string): string;
	/** That line as it is set. */
	mayContainRuns(text: string): Run[];

	netQuantityText(declared_g: number): string;
	packs: PackRule;
	/** Least type size of the ingredient list and the other words, points, by the largest surface of the pack. */
	leastTextSize_pt(face_cm2: number): number;
	/** Least type size of the net quantity, points, by the front of the pack. */
	leastNetSize_pt(face_cm2: number, declared_g: number): number;
	/** Whether the net quantity stands clear of other words by its own height above and below, and beside it. */
	clearsNet: boolean;
	/** What of an ingredient list the maker has to ask about, in sentences. */
	asksOfStatement(statement: string): string[];
	/** Whether a date of minimum durability is asked for. */
	asksDate: boolean;
	/** The usual order of a written day: `31/12/2026` or `12/31/2026`. */
	dayFirst: boolean;
}
