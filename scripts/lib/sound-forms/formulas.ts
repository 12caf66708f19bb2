import { keptDraft } from '../../../src/lib/formula/kept-draft.ts';
import { getFormula } from '../../../src/lib/server/formulas/read.ts';
import { newId } from '../../../src/lib/server/rows.ts';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

/** Forms of `/formulas`. */
export function formulasForms({
	fresh,
	ingredient,
	formula,
	db,
	kitchen,
	other
}: Subjects): Record<string, Making> {
	return {
		'/formulas new': async () => ({ fields: { key: newId() } }),
		'/formulas/[id] keep': async () => {
			const kept = await getFormula(db, kitchen.id, await formula());
			return { id: kept.id, draft: keptDraft(kept) };
		},
		'/formulas/[id] discard': async () => {
			const kept = await getFormula(db, kitchen.id, await formula());
			return { id: kept.id, draft: { version: kept.version } };
		},
		'/formulas/[id] remember': async () => ({
			id: await formula(),
			draft: { said: fresh('my salt'), ingredient: await ingredient() }
		}),
		'/formulas/[id] shelve': async () => ({
			id: await formula(),
			draft: { references: [['flour-millet', 'flour-buckwheat'][other() % 2] ?? ''] }
		}),
		'/formulas/[id] duplicate': async () => ({ id: await formula(), fields: { key: newId() } }),
		'/formulas/[id] archive': async () => ({ id: await formula(), fields: { archived: 'false' } }),
		'/formulas/[id]/reformulate take': async () => {
			const { id, version, lines } = await getFormula(db, kitchen.id, await formula());
			return { id, draft: { version, reason: fresh('less'), lines: becoming(lines) } };
		},
		'/formulas/[id]/reformulate trial': async () => {
			const { id, version, lines } = await getFormula(db, kitchen.id, await formula());
			const figures = [{ figure: 'sodium_mg', per: 'piece' }];
			const madeOn = new Date().toISOString().slice(0, 10);
			const trial = { id: newId(), version, madeOn, factor: 0.5, reason: fresh('try'), figures };
			return { id, draft: { ...trial, lines: becoming(lines) } };
		},
		'/formulas/import default': async () => ({
			fields: {
				key: newId(),
				text: JSON.stringify({
					'@type': 'Recipe',
					name: fresh('Pasted roti'),
					recipeIngredient: ['2 cups flour', '1 cup water']
				})
			}
		})
	};
}

/** The same lines with a little more of the first. */
const becoming = (lines: readonly { ingredient: string; used_g: number }[]) =>
	lines.map(({ ingredient, used_g }, nth) => ({ ingredient, grams: nth === 0 ? used_g + 10 : used_g }));
