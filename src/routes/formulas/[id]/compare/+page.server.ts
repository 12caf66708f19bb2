import { factsFor } from '$lib/server/edge/shapes.ts';
import { compareLines, isChanged } from '$core/formula/compare.ts';
import { openedMixes } from '$core/formula/mix.ts';
import { flourShares, type ShareKey } from '$core/formula/shares.ts';
import type { Ingredient, Line, MixGap } from '$core/formula/types.ts';
import { labelChanges } from '$core/label/changes.ts';
import { rulesOf } from '$core/rules/index.ts';
import { formulaDraft } from '$lib/formula/kept-draft.ts';
import { readFormulaDraft } from '$lib/formula/reading.ts';
import { coreProduct, planFacts } from '$lib/formula/recipe.ts';
import { cookLossHistory } from '$lib/server/batches/history.ts';
import { listSummaries, RECENT_BATCHES } from '$lib/server/batches/standing.ts';
import { orNotFound } from '$lib/server/edge/actions.ts';
import { getFormula, listVersions } from '$lib/server/formulas/read.ts';
import { mixLines } from '$lib/server/mixes.ts';
import { today } from '$lib/server/kitchens.ts';
import { readCoreShelf } from '$lib/server/shelf.ts';
import { error } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

/** Two versions of a formula side by side, or a version and the draft. */
export const load: PageServerLoad = async ({ locals, params, url }) => {
	const { db, kitchen } = locals;
	const formula = await orNotFound(getFormula(db, kitchen.id, params.id));
	const [versions, ingredients, mixes, batches] = await Promise.all([
		listVersions(db, kitchen.id, formula.id),
		readCoreShelf(db, kitchen, today(kitchen)),
		mixLines(db, kitchen.id),
		listSummaries(db, kitchen, { formulaId: formula.id, newest: RECENT_BATCHES })
	]);
	const names = [...versions.map((version) => String(version.number)), ...(formula.draft ? ['draft'] : [])];
	const content = (name: string | null): { name: string; lines: Line[]; mixGap: MixGap } => {
		if (name === 'draft') {
			const draft = formulaDraft(formula);
			const lines = readFormulaDraft(draft, ingredients).lines.filter((line) => line !== null);
			return { name: 'the draft', lines, mixGap: draft.mixGap };
		}
		const version = versions.find((each) => String(each.number) === name);
		if (!version)
			error(404, { message: 'This version is not here.', remedy: 'Choose two versions on the formula.' });
		return { name: `version ${version.number}`, lines: version.lines, mixGap: version.mixGap };
	};
	const [from, to] = [url.searchParams.get('from'), url.searchParams.get('to')];
	const [before, after] = [content(from), content(to)];
	const shelf = new Map(ingredients.map((ingredient) => [ingredient.id, ingredient]));
	const ingredientOf = (id: string) => shelf.get(id) as Ingredient;
	const energyOf = rulesOf(kitchen.rules).energy_kcal;
	const loss = cookLossHistory(batches).get(formula.id) ?? null;
	const factsOf = (lines: Line[], mixGap: MixGap, product: (typeof formula.products)[number]) => {
		const { rules, currency } = kitchen;
		const parts = { rules, currency, name: formula.name, lines, mixGap, ingredients };
		const outcome = planFacts({ ...parts, product: coreProduct(product) }, loss);
		return outcome.ok ? factsFor(locals, outcome.value) : null;
	};
	const sharesOf = (lines: Line[]) =>
		flourShares(
			openedMixes(lines, (id) => mixes.get(id)),
			ingredientOf
		);
	const [a, b] = [sharesOf(before.lines), sharesOf(after.lines)];
	return {
		formula: { id: formula.id, name: formula.name },
		names,
		from,
		to,
		before: before.name,
		after: after.name,
		lines: compareLines(before.lines, after.lines).map((change) => ({
			...change,
			name: ingredientOf(change.ingredient).name,
			changed: isChanged(change)
		})),
		shares: (Object.keys(a) as ShareKey[]).map((key) => ({ key, before: a[key], after: b[key] })),
		products: formula.products.map((product) => {
			const [was, is] = [
				factsOf(before.lines, before.mixGap, product),
				factsOf(after.lines, after.mixGap, product)
			];
			return {
				id: product.id,
				packPieces: product.packPieces,
				pieceMany: product.pieceMany,
				perPiece: [was?.cost.perPiece ?? null, is?.cost.perPiece ?? null] as const,
				energy: [was && energyOf(was.energy), is && energyOf(is.energy)] as const,
				finished: [was?.yield.finishedWeight_g ?? null, is?.yield.finishedWeight_g ?? null] as const,
				label: was && is ? labelChanges(was, is) : null
			};
		})
	};
};
