import type { Product, ProductInput } from '../formula/product.ts';
import type { WeighedDisc } from '$core/formula/piece.ts';
import type { Category, Material } from '$core/formula/types.ts';
import type { Database } from './db/connection.ts';
import { known } from './db/known.ts';
import { isDuplicate, NotFound, refuse } from './errors.ts';
import { newId, toList, toMoney, toNumber, utcNow, type Row } from './rows.ts';

/** Names of everything products are packed in, each once. */
export async function materialNames(db: Database, kitchenId: string): Promise<string[]> {
	const rows = await db('products').where('kitchen_id', kitchenId).select('materials');
	const names = rows.flatMap((row) => toList<Material>(row.materials).map((material) => material.name));
	return [...new Set(names)].sort((a, b) => a.localeCompare(b));
}

function fromRow(row: Row): Product {
	return {
		id: row.id,
		formulaId: row.formula_id,
		name: row.name,
		pieceOne: row.piece_one,
		pieceMany: row.piece_many,
		category: row.category as Category,
		ballWeight_g: Number(row.ball_weight_g),
		packPieces: row.pack_pieces,
		servingPieces: toNumber(row.serving_pieces),
		price: row.price === null ? null : toMoney(row.price),
		materials: toList<Material>(row.materials),
		diameter_cm: toNumber(row.diameter_cm),
		thickness_mm: toNumber(row.thickness_mm),
		discs: toList<WeighedDisc>(row.discs)
	};
}

/** Products of the kitchen, or of one formula, by formula name and pack size. */
export async function listProducts(db: Database, kitchenId: string, formulaId?: string): Promise<Product[]> {
	return known(db, kitchenId, `products ${formulaId ?? ''}`, () => readProducts(db, kitchenId, formulaId));
}

async function readProducts(db: Database, kitchenId: string, formulaId?: string): Promise<Product[]> {
	const query = db('products')
		.join('formulas', 'formulas.id', 'products.formula_id')
		.where('products.kitchen_id', kitchenId)
		.orderBy(['formulas.name', 'products.pack_pieces'])
		.select('products.*', 'formulas.name as name');
	if (formulaId) query.where('products.formula_id', formulaId);
	return (await query).map(fromRow);
}

/** One product. Throws `NotFound`. */
export async function getProduct(db: Database, kitchenId: string, id: string): Promise<Product> {
	const product = (await listProducts(db, kitchenId)).find((each) => each.id === id);
	if (!product) throw new NotFound('this product is not made here');
	return product;
}

/** Adds a product to a formula, or changes the one with `id`; its id. */
export async function saveProduct(
	db: Database,
	kitchenId: string,
	formulaId: string,
	input: ProductInput,
	id: string | null
): Promise<string> {
	const columns = {
		piece_one: input.pieceOne,
		piece_many: input.pieceMany,
		category: input.category,
		ball_weight_g: input.ballWeight_g,
		pack_pieces: input.packPieces,
		serving_pieces: input.servingPieces,
		price: input.price,
		materials: JSON.stringify(input.materials),
		diameter_cm: input.diameter_cm ?? null,
		thickness_mm: input.thickness_mm ?? null,
		discs: JSON.stringify(input.discs ?? [])
	};
	try {
		if (id !== null) {
			await db('products').where({ kitchen_id: kitchenId, formula_id: formulaId, id }).update(columns);
			return id;
		}
		const made = newId();
		await db('products').insert({
			id: made,
			kitchen_id: kitchenId,
			formula_id: formulaId,
			...columns,
			created_at: utcNow()
		});
		return made;
	} catch (error) {
		if (isDuplicate(error))
			refuse('product.packPieces', 'this formula already has a product of this ball weight and pack size');
		throw error;
	}
}
