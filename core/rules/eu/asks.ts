const ADDITIVES =
	/(calcium propionate|sodium propionate|potassium sorbate|sorbic acid|ascorbic acid|sodium bicarbonate|monocalcium phosphate|sodium aluminium phosphate|sodium acid pyrophosphate|lecithin|xanthan gum|guar gum)/giu;
/** Before an additive, its category and a colon or a bracket (Regulation 1169/2011 Annex VII C). */
const CATEGORY =
	/(?:preservatives?|raising agents?|emulsifiers?|thickeners?|stabilisers?|flour treatment agents?|antioxidants?|acidity regulators?|acids?)\s*[:(]?[^;.]*$/iu;
/** Wheat flour with nothing after it of what UK law has a mill put in; wholemeal has none (Bread and Flour Regulations 1998). */
const PLAIN_WHEAT_FLOUR = /(?<!wholemeal (?:durum )?)\bwheat flour(?![^).]{0,60}(?:calcium|iron|thiamin))/iu;
const HYDROGENATED = /(?<!(?:fully|partly) )hydrogenated/iu;

/** What of an ingredient list to ask about in the EU and UK (Regulation 1169/2011 Annex VII). */
export function euAsks(statement: string): string[] {
	const text = statement.replaceAll('**', '');
	const asked = [...text.matchAll(ADDITIVES)]
		.filter(({ index }) => !CATEGORY.test(text.slice(Math.max(0, index - 60), index)))
		.map(
			([name]) =>
				`${name.toLowerCase()} is an additive: it stands under its category, such as “raising agent: ${name.toLowerCase()}”`
		);
	if (HYDROGENATED.test(text)) asked.push('a hydrogenated oil is called fully or partly hydrogenated');
	if (PLAIN_WHEAT_FLOUR.test(text))
		asked.push(
			'in the United Kingdom white and brown wheat flour is fortified, and the list names what was added as its pack does: calcium carbonate, iron, niacin, thiamin, and folic acid from the date in force. On the shelf it is “Wheat flour, white, fortified as in the United Kingdom”'
		);
	return [...new Set(asked)];
}
