const PRESERVATIVES =
	/(calcium propionate|sodium propionate|propionic acid|potassium sorbate|sorbic acid|sodium benzoate|benzoic acid)(?!\s*\([^)]*preserv)/giu;
const ISOLATED_FIBRE = /(inulin|chicory root|polydextrose|psyllium|resistant (?:starch|dextrin)|cellulose)/iu;
const SULPHITE = /(sul(?:ph|f)ite|sul(?:ph|f)ur dioxide|metabisul(?:ph|f)ite)/iu;

/** What of an ingredient list to ask about in the US (21 CFR 101.22(j), 101.100(a)(4), 101.9(c)(6)(i)). */
export function usAsks(statement: string): string[] {
	const text = statement.replaceAll('**', '');
	const asked = [
		...new Set([...text.matchAll(PRESERVATIVES)].map(([, name]) => (name ?? '').toLowerCase()))
	].map((name) => `${name} preserves: the list says what it is for, such as “${name} (a preservative)”`);
	const [fibre] = ISOLATED_FIBRE.exec(text) ?? [];
	if (fibre)
		asked.push(
			`${fibre.toLowerCase()}: fibre that was isolated and added counts only where the authority lists it`
		);
	const [sulphite] = SULPHITE.exec(text) ?? [];
	if (sulphite)
		asked.push(`${sulphite.toLowerCase()}: sulphites of 10 parts in a million or more are declared`);
	return asked;
}
