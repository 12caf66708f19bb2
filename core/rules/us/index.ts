import { declaredName, readTag } from '../../allergens/tags.ts';
import { NUTRIENTS } from '../../composition/nutrients.ts';
import { bold } from '../../drawing/pen.ts';
import { settled } from '../../measure/round.ts';
import { timesAmounts } from '../../nutrition/perPiece.ts';
import { declaredAllergens } from '../allergens.ts';
import type { Declarations } from '../declarations.ts';
import type { RuleInput, RuleSet } from '../ruleset.ts';
import { containsText, US_EXEMPTIONS, US_MAJOR_ALLERGENS } from './allergens.ts';
import { US_FIGURES, usColumns, usPrintsOf } from './figures.ts';
import { panelContent, printedPanel } from './format/content.ts';
import { isSmallFormat, SMALLEST_PACK_CM2, US_FORMATS, usFormatProblem } from './format/index.ts';
import { usAsks } from './asks.ts';
import { usNetQuantity } from './net-quantity.ts';
import { usPackLabel } from './pack-label.ts';
import { usPacks } from './packs.ts';
import { PANEL_LINES, panelNutrient, usPanel } from './panel.ts';
import { servingReason, usServing } from './serving.ts';
import { usNetSize_pt, usTextSize_pt } from './sizes.ts';
import { usStatement } from './statement.ts';
import { usBounds, usPrint, usSafePrint } from './tolerance.ts';

/** The United States: 21 CFR 101 and FALCPA. */
export const us: RuleSet = {
	name: 'us',
	place: 'US',
	usualDays: { locale: 'en-US', weekStarts: 0 },
	declare,
	needed: NUTRIENTS.filter((nutrient) => nutrient !== 'energy_kcal'),
	printed: PANEL_LINES.map(panelNutrient),
	figures: US_FIGURES,
	printedPer: 'serving',
	printsOf: usPrintsOf,
	print: usPrint,
	columnsOf: usColumns,
	energy_kcal: (energy) => energy.us_kcal,
	boundsOf: usBounds,
	safePrint: usSafePrint,
	analysed_g: ({ serving }) => serving?.grams ?? null,
	boundsHoldLaboratory: false,
	servingReason: (facts, product) =>
		facts.serving && facts.yield.finishedWeight_g !== null
			? servingReason(product, facts.yield.finishedWeight_g, facts.serving)
			: null,
	nutritionContent: (facts, product) => ({ panel: panelContent(facts, product), table: null }),
	printedContent: ({ panel }, format, declared_g) => ({
		panel: panel && printedPanel(panel, isSmallFormat(format), declared_g),
		table: null
	}),
	piecesText: () => null,
	formats: US_FORMATS,
	needsNoPanel: ({ room_cm2, isMeasured }) => isMeasured && settled(room_cm2) < settled(SMALLEST_PACK_CM2),
	formatProblem: ({ panel }, format, pack) => (panel ? usFormatProblem(panel, format, pack) : null),
	allergenGroups: US_MAJOR_ALLERGENS,
	exemptsRefined: () => true,
	packLabel: usPackLabel,
	exemptions: US_EXEMPTIONS,
	mayContainName(text) {
		const tag = readTag(text);
		return tag ? declaredName(tag) : text;
	},
	mayContainRuns: (text) => [bold(text)],
	netQuantityText: usNetQuantity,
	packs: usPacks,
	leastTextSize_pt: usTextSize_pt,
	leastNetSize_pt: usNetSize_pt,
	asksOfStatement: usAsks,
	clearsNet: true,
	asksDate: false,
	dayFirst: false
};

function declare(input: RuleInput): Declarations {
	const contains = declaredAllergens(input.entries, input.contact, US_MAJOR_ALLERGENS);
	const declared: Declarations = {
		serving: null,
		panel: null,
		table: null,
		statement: usStatement(input.entries),
		contains,
		containsText: containsText(contains),
		notices: [],
		problems: []
	};
	if (input.finishedWeight_g === null) return declared;
	const { serving, piecesPerServing, notices, problems } = usServing(input.product, input.finishedWeight_g);
	const panelOf = (pieces: number) =>
		usPanel(
			timesAmounts(input.perPiece, pieces),
			input.energy.us_kcal === null ? null : input.energy.us_kcal * pieces
		);
	declared.serving = serving;
	declared.panel = panelOf(piecesPerServing);
	if (serving.columns.includes('piece')) declared.panelPiece = panelOf(1);
	if (serving.columns.includes('package') && input.product.packPieces !== null)
		declared.panelPackage = panelOf(input.product.packPieces);
	declared.notices = notices;
	declared.problems = problems;
	return declared;
}
