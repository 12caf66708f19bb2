import { timesAmounts } from '../../nutrition/perPiece.ts';
import { declaredAllergens } from '../allergens.ts';
import type { Declarations, RuleInput, RuleSet } from '../ruleset.ts';
import { containsText, US_MAJOR_ALLERGENS } from './allergens.ts';
import { usPanel } from './panel.ts';
import { usServing } from './serving.ts';
import { usStatement } from './statement.ts';

/** The United States: 21 CFR 101 and FALCPA. */
export const us: RuleSet = {
	name: 'us',
	declare(input: RuleInput): Declarations {
		const contains = declaredAllergens(input.entries, input.contactAllergens, US_MAJOR_ALLERGENS);
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

		const { serving, piecesPerServing, notices, problems } = usServing(
			input.piece,
			input.finishedWeight_g,
			input.pack,
			input.servingPieces
		);
		const panelOf = (pieces: number) =>
			usPanel(
				timesAmounts(input.perPiece, pieces),
				input.energy.us_kcal === null ? null : input.energy.us_kcal * pieces
			);
		declared.serving = serving;
		declared.panel = panelOf(piecesPerServing);
		if (serving.columns.includes('piece')) declared.panelPiece = panelOf(1);
		if (serving.columns.includes('package') && input.pack) declared.panelPackage = panelOf(input.pack.pieces);
		declared.notices = notices;
		declared.problems = problems;
		return declared;
	}
};
