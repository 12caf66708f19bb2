import type { FoundOnDay, Tested } from '$core/label/shelf-life.ts';
import type { ShelfTestRecord } from '../../label/shelf-test.ts';
import type { Database } from '../db/connection.ts';
import { known } from '../db/known.ts';
import { insertOnce } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { NotFound } from '../errors.ts';
import { groupBy, utcNow } from '../rows.ts';

/** A test beside one of the days it was looked at; nothing of a day where it was not. */
interface TestRow {
	id: string;
	product_id: string;
	of_what: Tested;
	made_on: string;
	kept_how: string;
	day: number | null;
	is_good: number | null;
	found: string | null;
	picture_id: string | null;
}

/** Every shelf-life test of the kitchen by product, the newest first. */
export async function shelfTests(db: Database, kitchenId: string): Promise<Map<string, ShelfTestRecord[]>> {
	const rows = await known(db, kitchenId, 'shelf tests', () =>
		db('shelf_tests as t')
			.leftJoin('shelf_test_days as d', 'd.test_id', 't.id')
			.leftJoin('shelf_test_pictures as p', 'p.id', 'd.id')
			.where('t.kitchen_id', kitchenId)
			.orderBy([
				{ column: 't.id', order: 'desc' },
				{ column: 'd.id', order: 'asc' }
			])
			.select<TestRow[]>(
				't.id',
				't.product_id',
				't.of_what',
				't.made_on',
				't.kept_how',
				'd.day',
				'd.is_good',
				'd.found',
				'p.id as picture_id'
			)
	);
	const tests = [...groupBy(rows, (row) => row.id).values()].flatMap((of): ShelfTestRecord[] => {
		const [first] = of;
		if (!first) return [];
		return [
			{
				id: first.id,
				productId: first.product_id,
				of: first.of_what,
				madeOn: first.made_on,
				keptHow: first.kept_how,
				days: of.flatMap(({ day, is_good, found, picture_id }) =>
					day === null ? [] : [{ day, isGood: is_good === 1, found: found ?? '', pictureId: picture_id }]
				)
			}
		];
	});
	return groupBy(tests, (test) => test.productId);
}

/** Begins a test; one sent twice is one. */
export async function beginShelfTest(
	db: Database,
	kitchenId: string,
	{ id, productId, of, madeOn, keptHow }: Omit<ShelfTestRecord, 'days'>
): Promise<void> {
	await insertOnce(db, 'shelf_tests', {
		id,
		kitchen_id: kitchenId,
		product_id: productId,
		of_what: of,
		made_on: madeOn,
		kept_how: keptHow,
		created_at: utcNow()
	});
}

/** What was found of a test on a day, as it is sent. */
export interface NotedDay extends FoundOnDay {
	id: string;
	test: string;
	/** A JPEG, base64; empty for none. */
	picture: string;
}

/** Notes what was found of a test on a day; one sent twice is one. Throws `NotFound`. */
export async function noteShelfDay(
	db: Database,
	kitchenId: string,
	productId: string,
	{ id, test, day, isGood, found, picture }: NotedDay
): Promise<void> {
	const there = await db('shelf_tests')
		.where({ kitchen_id: kitchenId, product_id: productId, id: test })
		.first('id');
	if (!there) throw new NotFound('this test is not here');
	const now = utcNow();
	await inTransaction(db, async (transaction) => {
		await insertOnce(transaction, 'shelf_test_days', {
			id,
			kitchen_id: kitchenId,
			test_id: test,
			day,
			is_good: isGood,
			found,
			created_at: now
		});
		if (picture !== '')
			await insertOnce(transaction, 'shelf_test_pictures', {
				id,
				kitchen_id: kitchenId,
				jpeg_base64: picture,
				created_at: now
			});
	});
}

/** A picture of a shelf-life test of a product. Throws `NotFound`. */
export async function shelfPicture(
	db: Database,
	kitchenId: string,
	productId: string,
	id: string
): Promise<Uint8Array<ArrayBuffer>> {
	const row = await db('shelf_test_pictures as p')
		.join('shelf_test_days as d', 'd.id', 'p.id')
		.join('shelf_tests as t', 't.id', 'd.test_id')
		.where({ 'p.kitchen_id': kitchenId, 'p.id': id, 't.product_id': productId })
		.first<{ jpeg_base64: string } | undefined>('p.jpeg_base64');
	if (!row) throw new NotFound('this picture is not here');
	return new Uint8Array(Buffer.from(row.jpeg_base64, 'base64'));
}
