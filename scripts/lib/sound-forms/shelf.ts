import { getIngredient } from '../../../src/lib/server/ingredients.ts';
import { shelfSheet } from '../../../src/lib/server/shelf-sheet.ts';
import { newId } from '../../../src/lib/server/rows.ts';
import { ingredientDraft } from '../../../src/lib/shelf/ingredient-draft.ts';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

/** Forms of `/shelf`. */
export function shelfForms({
	day,
	fresh,
	ingredient,
	jarMix,
	lot,
	db,
	kitchen,
	other
}: Subjects): Record<string, Making> {
	return {
		'/shelf/new default': async () => ({
			fields: { reference: ['flour-spelt', 'flour-rice'][other() % 2] ?? '' }
		}),
		'/shelf/[id] save': async () => {
			const kept = await getIngredient(db, kitchen.id, await ingredient('fat'));
			return { id: kept.id, draft: ingredientDraft(kept) };
		},
		'/shelf/sheet default': async () => {
			const [row] = (await shelfSheet(db, kitchen)).slice(other() % 5);
			return {
				draft: {
					rows: row
						? [
								{
									id: row.id,
									version: row.version,
									allergens: row.allergens,
									evidence: 'the pack',
									amount: '2.40',
									grams: 'bag of 1 kg',
									key: newId()
								}
							]
						: []
				}
			};
		},
		'/shelf/[id] price': async () => ({
			id: await ingredient(),
			isNew: true,
			draft: { id: newId(), amount: '1.20', grams: '1000', usable: '100', boughtOn: day, supplier: '' }
		}),
		'/shelf/[id] measure': async () => ({
			id: await ingredient(),
			draft: {
				measure: other() % 2 === 0 ? 'clove' : 'cake',
				grams: '290',
				low: '',
				high: '',
				readings: ['', '', '']
			}
		}),
		'/shelf/[id] forget': async () => ({ id: await ingredient(), draft: { measure: 'packet' } }),
		'/shelf/[id] jars': async () => ({
			id: await jarMix(),
			isNew: true,
			draft: { id: newId(), madeOn: day, jars: '2', bestBefore: '' }
		}),
		'/shelf/[id] sell': async () => ({ id: await jarMix(), isNew: true, fields: { key: newId() } }),
		'/shelf/lots receive': async () => ({
			isNew: true,
			draft: {
				id: newId(),
				ingredientId: await ingredient(),
				material: '',
				supplier: 'mill',
				supplierCode: '',
				receivedOn: day,
				received: '1000',
				amount: '1.10',
				usable: '100',
				bestBefore: '',
				note: ''
			}
		}),
		'/shelf/lots/count count': async () => ({
			draft: { counts: [{ lotId: await lot(), expected: 500, counted: '490', reason: 'spilt' }] }
		}),
		'/shelf/lots/[id] takeBack': async () => ({ id: await lot(), draft: { reason: 'never came' } }),
		'/shelf/import preview': async () => ({ fields: { text: 'name,kind\nOlive flour,flour' } }),
		'/shelf/import import': async () => ({
			fields: { text: `name,kind\n${fresh('Chestnut flour')},flour`, line: '2' }
		})
	};
}
