import { COMPOSITION_KEYS } from '$core/composition/nutrients.ts';
import { partsText } from '$core/formula/parts.ts';
import { measuresText } from '$core/measure/convert.ts';
import type { Kitchen } from '../kitchen/types.ts';
import type { ShelfRow } from '../shelf/file-row.ts';
import type { ShelfIngredient } from '../shelf/ingredient.ts';
import type { PricePack } from '../shelf/price.ts';
import { csvText } from './csv-text.ts';
import type { Database } from './db/connection.ts';
import { addIngredient, listIngredients, writeIngredient } from './ingredients.ts';
import { today } from './kitchens.ts';
import { setMeasures, toMeasures } from './measures.ts';
import { pricePacks, writePrice } from './prices.ts';
import { changeShelf } from './shelf-keep.ts';
import { SHELF_COLUMNS, type Column, type SoundRow, type TextRow } from './shelf-rows.ts';
import { readFileRows } from './workers/read-files.ts';

function textRow(ingredient: ShelfIngredient, pack: PricePack | undefined): Record<Column, string> {
	const { composition } = ingredient;
	return {
		name: ingredient.name,
		kind: ingredient.kind,
		label_us: ingredient.labelUs,
		label_eu: ingredient.labelEu,
		parts: partsText(ingredient.parts),
		allergens: ingredient.allergens.join(';'),
		refined: ingredient.refined.join(';'),
		may_contain: ingredient.mayContain.join(';'),
		allergens_confirmed_on: ingredient.confirmedOn ?? '',
		allergens_evidence: ingredient.evidence,
		source: composition.source,
		source_note: composition.sourceNote,
		source_on: composition.sourceOn ?? '',
		...(Object.fromEntries(
			COMPOSITION_KEYS.map((key) => [
				key,
				composition.per100g[key] == null ? '' : String(composition.per100g[key])
			])
		) as Record<(typeof COMPOSITION_KEYS)[number], string>),
		measures: measuresText(toMeasures(ingredient.measures)),
		price_amount: pack?.amount ?? '',
		price_grams: pack ? String(pack.grams) : '',
		price_usable_percent: pack ? String(pack.usable * 100) : '',
		price_on: pack?.boughtOn ?? '',
		price_where: pack?.supplier ?? ''
	};
}

/** Whether what ingredients cost is given out with them. */
export interface Given {
	withPrices: boolean;
}

async function textRows(
	db: Database,
	kitchen: Kitchen,
	{ withPrices }: Given
): Promise<Record<Column, string>[]> {
	const [ingredients, packs] = await Promise.all([
		listIngredients(db, kitchen.id),
		withPrices ? pricePacks(db, kitchen.id) : []
	]);
	return ingredients
		.filter((ingredient) => ingredient.mix === null)
		.map((ingredient) =>
			textRow(
				ingredient,
				packs.find((pack) => pack.ingredientId === ingredient.id)
			)
		);
}

/** The shelf as CSV, one ingredient a row with its newest price; mixes, which follow from others, are left out. */
export async function shelfCsv(
	db: Database,
	kitchen: Kitchen,
	given: Given = { withPrices: true }
): Promise<string> {
	return csvText({ fields: [...SHELF_COLUMNS], data: await textRows(db, kitchen, given) });
}

/** The shelf as JSON: the same rows as the CSV, by column. */
export async function shelfJson(
	db: Database,
	kitchen: Kitchen,
	given: Given = { withPrices: true }
): Promise<string> {
	const ingredients = await textRows(db, kitchen, given);
	return `${JSON.stringify({ squareBatchShelf: 1, ingredients }, null, '\t')}\n`;
}

interface ReadRow {
	shown: ShelfRow;
	sound: SoundRow | null;
	there: ShelfIngredient | undefined;
}

async function readAll(db: Database, kitchen: Kitchen, text: string): Promise<ReadRow[]> {
	const [shelf, packs] = await Promise.all([listIngredients(db, kitchen.id), pricePacks(db, kitchen.id)]);
	const byName = new Map(shelf.map((ingredient) => [ingredient.name.toLowerCase(), ingredient]));
	const seen = new Map<string, number>();
	const file = await readFileRows('shelf', text, today(kitchen));
	return file.map(({ line, row, sound, problems }) => {
		const name = (row.name ?? '').trim();
		const key = name.toLowerCase();
		const before = seen.get(key);
		if (key && before !== undefined)
			problems.push({ column: 'name', message: `the same name stands on line ${before} already` });
		seen.set(key, line);
		const there = byName.get(key);
		if (there?.mix)
			problems.push({ column: 'name', message: 'this is a mix of your own: change its lines instead' });
		const changes = sound && there ? changesOf(there, packs, row) : [];
		const bad = problems.length > 0 || sound === null;
		const state = bad ? 'bad' : !there ? 'new' : changes.length > 0 ? 'changed' : 'same';
		return { shown: { line, name, state, problems, changes }, sound: bad ? null : sound, there };
	});
}

/** What a sound row says differently from the ingredient that is there, column by column. */
function changesOf(there: ShelfIngredient, packs: readonly PricePack[], row: TextRow): string[] {
	const now = textRow(
		there,
		packs.find((pack) => pack.ingredientId === there.id)
	);
	return SHELF_COLUMNS.filter((column) => {
		const [was, is] = [now[column], row[column]];
		if (is === undefined || column === 'name') return false;
		const same = was === is.trim() || (was !== '' && is.trim() !== '' && Number(was) === Number(is));
		return !same;
	}).map((column) => `${column}: ${now[column] || 'empty'} → ${row[column]?.trim() || 'empty'}`);
}

/** What a file would do, row by row; nothing is written. Refuses a file that is no shelf. */
export async function previewShelf(db: Database, kitchen: Kitchen, text: string): Promise<ShelfRow[]> {
	return (await readAll(db, kitchen, text)).map((row) => row.shown);
}

/** Writes the chosen sound rows, all or none; how many were added and changed. */
export async function importShelf(
	db: Database,
	kitchen: Kitchen,
	text: string,
	lines: ReadonlySet<number>
): Promise<{ added: number; changed: number }> {
	return changeShelf(db, kitchen.id, async (transaction, changed) => {
		const done = { added: 0, changed: 0 };
		for (const { shown, sound, there } of await readAll(transaction, kitchen, text)) {
			if (!sound || !lines.has(shown.line) || shown.state === 'same') continue;
			if (there) {
				await writeIngredient(transaction, kitchen.id, there.id, there.version, {
					...sound.input,
					mix: null,
					portion_g: there.portion_g
				});
				done.changed++;
			} else done.added++;
			const id = there?.id ?? (await addIngredient(transaction, kitchen.id, sound.input));
			changed(id);
			await setMeasures(transaction, kitchen.id, id, sound.measures, 'typed');
			const isNewPrice =
				sound.price && (!there || shown.changes.some((change) => change.startsWith('price_')));
			if (sound.price && isNewPrice) {
				const { id: key, ...price } = sound.price;
				await writePrice(transaction, kitchen.id, id, { ...price, usable: price.usable / 100 }, key);
			}
		}
		return done;
	});
}
