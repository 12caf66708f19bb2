import { bold, figure, plain } from '../../../drawing/pen.ts';
import type { Run } from '../../../drawing/shapes.ts';
import type { Product } from '../../../formula/types.ts';
import type { PrintedFacts } from '../../declarations.ts';
import type { PanelKey, UsPanel } from '../panel.ts';
import type { UsServing } from '../serving.ts';

/** What a US panel says, however it is laid out. */
export interface PanelContent {
	serving: UsServing;
	panel: UsPanel;
	/** The second column where the rule asks for one, with its heading. */
	second: { heading: string; panel: UsPanel } | null;
	/** Whether the serving is the whole pack. */
	isWholePack: boolean;
}

/** What the facts' panel says; null while there is none. */
export function panelContent(
	facts: PrintedFacts,
	{ one, packPieces }: Pick<Product, 'one' | 'packPieces'>
): PanelContent | null {
	const { serving, panel, panelPiece, panelPackage } = facts;
	if (!serving || !panel) return null;
	const second = panelPiece
		? { heading: `Per ${one}`, panel: panelPiece }
		: panelPackage
			? { heading: 'Per container', panel: panelPackage }
			: null;
	return { serving, panel, second, isWholePack: packPieces !== null && serving.pieces === packPieces };
}

/**
 * The same as it prints on a pack: a serving that is the pack weighs what the pack declares (21 CFR 101.9(b)(7)(i)), and a
 * small pack has no second column (21 CFR 101.9(b)(12)(i)(A)).
 */
export function printedPanel(
	content: PanelContent,
	isSmall: boolean,
	declared_g: number | null
): PanelContent {
	const { serving, isWholePack } = content;
	const second = isSmall ? null : content.second;
	if (!isWholePack || declared_g === null) return { ...content, second };
	const text = serving.text.replace(/\([^()]*g\)$/, `(${declared_g}g)`);
	return { ...content, second, serving: { ...serving, grams: declared_g, text } };
}

/** A line of the panel: how it is named, how deep it stands. */
export interface PanelRow {
	key: PanelKey;
	label: Run[];
	/** Where the room is short. */
	short: string;
	indent: 0 | 1 | 2;
}

/** The lines above the second heavy bar (21 CFR 101.9(c), (d)(7)). */
export const MACRO_ROWS: readonly PanelRow[] = [
	{ key: 'totalFat', label: [bold('Total Fat')], short: 'Total Fat', indent: 0 },
	{ key: 'saturatedFat', label: [plain('Saturated Fat')], short: 'Sat. Fat', indent: 1 },
	{
		key: 'transFat',
		label: [{ ...plain('Trans'), italic: true }, plain(' Fat')],
		short: 'Trans Fat',
		indent: 1
	},
	{ key: 'cholesterol', label: [bold('Cholesterol')], short: 'Cholest.', indent: 0 },
	{ key: 'sodium', label: [bold('Sodium')], short: 'Sodium', indent: 0 },
	{ key: 'totalCarbohydrate', label: [bold('Total Carbohydrate')], short: 'Total Carb.', indent: 0 },
	{ key: 'dietaryFiber', label: [plain('Dietary Fiber')], short: 'Fiber', indent: 1 },
	{ key: 'totalSugars', label: [plain('Total Sugars')], short: 'Total Sugars', indent: 1 },
	{ key: 'addedSugars', label: [plain('Incl. Added Sugars')], short: 'Incl. Added Sugars', indent: 2 },
	{ key: 'protein', label: [bold('Protein')], short: 'Protein', indent: 0 }
];

/** The lines below it (21 CFR 101.9(c)(8), (d)(8)). */
export const MICRO_ROWS: readonly PanelRow[] = [
	{ key: 'vitaminD', label: [plain('Vitamin D')], short: 'Vit. D', indent: 0 },
	{ key: 'calcium', label: [plain('Calcium')], short: 'Calcium', indent: 0 },
	{ key: 'iron', label: [plain('Iron')], short: 'Iron', indent: 0 },
	{ key: 'potassium', label: [plain('Potassium')], short: 'Potas.', indent: 0 }
];

/** What a line is called. */
export function panelName(key: PanelKey): string {
	const row = [...MACRO_ROWS, ...MICRO_ROWS].find((each) => each.key === key);
	return (row?.label ?? [])
		.map((run) => run.text)
		.join('')
		.replace(/^Incl\. /, '');
}

/** The line of added sugars as it reads where one column stands (21 CFR 101.9(c)(6)(iii)). */
export const includesAdded = (amount: string | null): Run[] => [
	plain('Includes '),
	figure(amount),
	plain(' Added Sugars')
];

/** 21 CFR 101.9(d)(9). */
export const FOOTNOTE =
	'* The % Daily Value (DV) tells you how much a nutrient in a serving of food contributes to a daily diet. 2,000 calories a day is used for general nutrition advice.';

/** `6 servings per container`; empty without a pack. */
export function containerLine({ perContainer }: Pick<UsServing, 'perContainer'>): string {
	if (perContainer === null) return '';
	return `${perContainer.replace(/^a/, 'A')} ${perContainer === '1' ? 'serving' : 'servings'} per container`;
}

/** The printed amount of a line, or that it waits. */
export const amountOf = (panel: UsPanel, key: PanelKey): Run => figure(panel[key].amount);
