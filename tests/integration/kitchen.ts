import { dough, surface } from '$core/testing/recipe.ts';
import { existsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { readArchive } from '$lib/server/archive/read.ts';
import { restoreKitchen } from '$lib/server/archive/restore.ts';
import { writeArchive } from '$lib/server/archive/write.ts';
import { loadDemoOnce } from '$lib/server/db/demo/load.ts';
import { afterAll, beforeAll } from 'vitest';
import { openDatabase, type Database } from '$lib/server/db/connection.ts';
import { migrate } from '$lib/server/db/migrate.ts';
import type { Step } from '$core/formula/process.ts';
import { NUTRIENTS } from '$core/composition/nutrients.ts';
import { createBatch } from '$lib/server/batches/create.ts';
import { getBatch } from '$lib/server/batches/read.ts';
import { recordBatch } from '$lib/server/batches/record.ts';
import type { Batch, BatchInput } from '$lib/batch/types.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import { createFormula } from '$lib/server/formulas/keep.ts';
import { approveLabel } from '$lib/server/labels/approve.ts';
import { getLabel } from '$lib/server/labels/read.ts';
import { saveLabel } from '$lib/server/labels/save.ts';
import { addIngredient } from '$lib/server/ingredients.ts';
import type { IngredientInput } from '../../src/lib/shelf/ingredient.ts';
import { createKitchen, theKitchen } from '$lib/server/kitchens.ts';
import type { Kitchen } from '../../src/lib/kitchen/types.ts';
import { RIGHTS } from '../../src/lib/people/roles.ts';
import type { Who } from '../../src/lib/people/types.ts';
import { addPricePack } from '$lib/server/shelf-keep.ts';
import { addDemoPeople } from '$lib/server/people/demo.ts';
import { newId } from '$lib/server/rows.ts';

/** An empty, migrated database with one kitchen, for the tests of a file. */
export interface Bench {
	db: Database;
	kitchen: Kitchen;
}

export const KITCHEN = {
	name: 'Test kitchen',
	town: '',
	address: '1 Test Lane',
	timeZone: 'Europe/Lisbon',
	currency: 'USD',
	rules: 'us' as const,
	scaleDivision_g: 1,
	locale: 'en-GB' as const,
	weekStarts: 1 as const,
	sellsShort: true,
	measureSet: 'us' as const
};

/** Brings the database to today's form with nothing in it, whatever the test before left. */
export async function emptied(db: Database): Promise<void> {
	await migrate(db);
	const tables = (await db('information_schema.tables')
		.where('table_schema', db.raw('DATABASE()'))
		.where('table_type', 'BASE TABLE')
		.whereNot('table_name', 'like', 'knex%')
		.pluck('table_name')) as string[];
	// Truncating asks no trigger, which would guard what is evidence; the rule for references is of one connection.
	const connection = (await db.client.acquireConnection()) as unknown;
	const run = (sql: string) => db.raw(sql).connection(connection);
	try {
		await run('SET foreign_key_checks = 0');
		for (const table of tables) {
			const [rows] = (await run(`SELECT 1 FROM \`${table}\` LIMIT 1`)) as [unknown[]];
			if (rows.length > 0) await run(`TRUNCATE TABLE \`${table}\``);
		}
		await run('SET foreign_key_checks = 1');
	} finally {
		await db.client.releaseConnection(connection);
	}
}

/** Empties the database and puts the demo kitchen into it: out of an archive of it where a test before made one. */
export async function demoLoaded(db: Database): Promise<Kitchen> {
	await emptied(db);
	const kept = process.env.TEST_FOLDER ? join(process.env.TEST_FOLDER, 'demo.zip') : null;
	if (kept && existsSync(kept)) {
		await restoreKitchen(db, await readArchive(kept));
		const kitchen = await theKitchen(db);
		// An archive brings nobody in.
		await addDemoPeople(db, kitchen.id, { from: '2026-01-01', to: '2027-12-31', until: '2099-12-31' });
		return kitchen;
	}
	await loadDemoOnce(db);
	const kitchen = await theKitchen(db);
	if (kept)
		writeFileSync(
			kept,
			new Uint8Array(await new Response(writeArchive(db, kitchen, new Date())).arrayBuffer())
		);
	return kitchen;
}

/** Sets a bench up before the tests of a file and takes it down after them. */
export function useBench(): Bench {
	const bench = {} as Bench;
	beforeAll(async () => {
		const url = process.env.TEST_DATABASE_URL;
		if (!url) throw new Error('run these with `npm test -- integration`, which starts a database for them');
		bench.db = openDatabase(url);
		await emptied(bench.db);
		await createKitchen(bench.db, KITCHEN);
		bench.kitchen = await theKitchen(bench.db);
	});
	afterAll(() => bench.db.destroy());
	return bench;
}

/** An ingredient as a person would enter it, changed as said. */
export function ingredientInput(name: string, more: Partial<IngredientInput> = {}): IngredientInput {
	return {
		name,
		kind: 'flour',
		labelUs: '',
		labelEu: '',
		parts: [],
		allergens: [],
		confirmedOn: '2026-01-01',
		evidence: 'pack',
		per100g: { water_g: 12, energy_kcal: 360, protein_g: 12, fat_g: 2, carbohydrate_g: 72, fibre_g: 3 },
		source: 'pack',
		sourceNote: '',
		...more
	};
}

/** Every nutrient of a panel, so that nothing of it is unknown. */
export const WHOLE = Object.fromEntries(NUTRIENTS.map((nutrient) => [nutrient, 0]));

/** Flour, water and salt, a formula of 1000 + 600 + 20 g, and its product: balls of 60 g, packs of 6. */
export async function makeRoti({ db, kitchen }: Bench, name: string, steps: Step[] = []) {
	const flour = await addIngredient(
		db,
		kitchen.id,
		ingredientInput(`${name} flour`, {
			allergens: ['wheat'],
			labelUs: 'wheat flour',
			per100g: { ...WHOLE, ...ingredientInput(name).per100g }
		})
	);
	const water = await addIngredient(
		db,
		kitchen.id,
		ingredientInput(`${name} water`, { kind: 'water', labelUs: 'water', per100g: { ...WHOLE, water_g: 100 } })
	);
	const salt = await addIngredient(
		db,
		kitchen.id,
		ingredientInput(`${name} salt`, {
			kind: 'salt',
			labelUs: 'salt',
			per100g: { ...WHOLE, sodium_mg: 38758 }
		})
	);
	await addPricePack(db, kitchen.id, flour, {
		amount: '24.00',
		grams: 24000,
		usable: 1,
		boughtOn: '2026-01-01',
		supplier: 'mill'
	});
	const formulaId = await createFormula(db, kitchen.id, newId(), {
		name,
		mixGap: 'residue',
		steps,
		lines: [
			dough(flour, 1000, 'Dry'),
			dough(water, 600, 'Liquid'),
			dough(salt, 20, 'Dry'),
			{ ...surface(flour, 'dusting', 60), stage: 'On the board' }
		],
		productId: null,
		product: {
			pieceOne: 'roti',
			pieceMany: 'roti',
			category: 'flatbread',
			ballWeight_g: 60,
			packPieces: 6,
			servingPieces: null,
			price: '6.50',
			materials: [{ name: 'bag', cost: '0.11' }]
		}
	});
	const [product] = (await getFormula(db, kitchen.id, formulaId)).products;
	return { flour, water, salt, formulaId, productId: product?.id ?? '' };
}

/** Sound measurements of a planned batch: 1600 g of dough, 26 balls, 52 g finished, two rejects, four packs of six. */
export function measured(batch: Batch, more: Partial<BatchInput> = {}): BatchInput {
	return {
		madeOn: batch.madeOn,
		ballWeight_g: 60,
		ballCount: 26,
		rejects: 2,
		sellable: 24,
		packs: 4,
		loose: 0,
		servingPieces: null,
		note: '',
		doughWeight_g: 1600,
		leftover_g: 40,
		ballWeights_g: [60, 60, 60],
		finishedWeights_g: [52, 52],
		lines: batch.lines.map((line) => ({
			id: line.id,
			grams: line.planned_g,
			uptake_g: line.use === 'dough' ? null : 26
		})),
		...more
	};
}

/** Plans and records a batch of a product as `measured` has it; its id. */
export async function recordRoti({ db, kitchen }: Bench, productId: string): Promise<string> {
	const id = await createBatch(db, kitchen, newId(), { productId, madeOn: '2026-01-01', factor: 1 });
	const batch = await getBatch(db, kitchen, id);
	await recordBatch(db, kitchen, id, batch.version, measured(batch, { finishedWeights_g: [51.5, 52, 52.5] }));
	return id;
}

/** A roti with an approved label and a batch, ready to be labelled. */
export async function approvedRoti(
	bench: Bench,
	name: string
): Promise<{ productId: string; batch: string }> {
	const { db, kitchen } = bench;
	const { productId } = await makeRoti(bench, name);
	const batch = await recordRoti(bench, productId);
	const { design } = await getLabel(db, kitchen, productId);
	const face_mm = { width_mm: 180, height_mm: 220 };
	await saveLabel(db, kitchen, productId, 0, { ...design, declared_g: 300, face_mm });
	await approveLabel(db, kitchen, productId, 1);
	return { productId, batch };
}

/** The demo's owner, as the door knows her. */
export async function wrenOf(db: Database, kitchenId: string): Promise<Who> {
	const row = await db('memberships')
		.where({ kitchen_id: kitchenId, name: 'Wren' })
		.whereNotNull('person_id')
		.first('id', 'person_id');
	return {
		personId: row?.person_id ?? '',
		name: 'Wren',
		login: null,
		isDemo: true,
		session: { id: newId(), cameBy: 'demo', provedAt: null },
		membership: { id: row?.id ?? '', kitchenId, name: 'Wren', role: 'owner', span: null },
		practice: null,
		device: null,
		isClosed: false,
		rights: RIGHTS
	};
}
