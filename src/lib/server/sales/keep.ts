import type { Database } from '../db/connection.ts';
import { refuseShort } from './short-packs.ts';
import { isKeptEntry } from '../db/once.ts';
import { inTransaction } from '../db/transaction.ts';
import { tell } from '../feed/tell.ts';
import { NotFound, Refused, refuse } from '../errors.ts';
import type { RowOf } from '../db/tables.ts';
import { newId, utcNow } from '../rows.ts';
import type { SaleKind } from '../../sales/kinds.ts';
import { failedOn, type EntryAnswer } from '../edge/each-entry.ts';
import type { SaleEntry } from '../../sales/types.ts';

/** What a plain sale needs. */
export interface SaleInput {
	batchId: string;
	soldOn: string;
	channel: string;
	packs: number;
	price: string;
}

const PLAIN = {
	kind: 'sale',
	checkoutId: null,
	paidBy: null,
	customer: '',
	reason: '',
	ofId: null,
	thrownAway: false
} as const;

/**
 * Records a sale of packs of a batch. Never more than the batch has left, from however many devices
 * at once. `id` comes from the form, so that a sale sent twice counts once. Throws `Refused`.
 */
export async function recordSale(
	db: Database,
	kitchenId: string,
	id: string,
	input: SaleInput
): Promise<void> {
	await keepSale(db, kitchenId, { ...PLAIN, id, ...input });
}

/** Voids an entry by one that takes it back. Throws `Refused`, `NotFound`. */
export async function voidSale(
	db: Database,
	kitchenId: string,
	saleId: string,
	reason: string
): Promise<void> {
	const sale = await db('sales').where({ kitchen_id: kitchenId, id: saleId }).first('id');
	if (!sale) throw new NotFound('this sale is not here');
	await keepSale(db, kitchenId, {
		...PLAIN,
		id: newId(),
		kind: 'void',
		batchId: '',
		soldOn: '',
		channel: '',
		packs: 0,
		price: '0',
		ofId: saleId,
		reason
	});
}

/**
 * Keeps what one customer got, line by line, all or none; what is owed for it is settled as one. Throws
 * `Refused` with the line's place.
 */
export async function keepCheckout(
	db: Database,
	kitchenId: string,
	{
		lines,
		...sale
	}: Omit<SaleEntry, 'id' | 'batchId' | 'packs' | 'price' | 'checkoutId' | 'ofId' | 'thrownAway'> & {
		lines: readonly Pick<SaleEntry, 'id' | 'batchId' | 'packs' | 'price'>[];
	}
): Promise<void> {
	const checkoutId = lines[0]?.id ?? null;
	await inTransaction(db, async (transaction) => {
		for (const [index, line] of lines.entries())
			try {
				await keepSale(transaction, kitchenId, {
					...sale,
					...line,
					checkoutId,
					ofId: null,
					thrownAway: false
				});
			} catch (error) {
				if (!(error instanceof Refused)) throw error;
				const ofLine = ['packs', 'batchId', 'price'];
				throw new Refused(
					error.problems.map(({ path, message }) => ({
						path: ofLine.includes(path) ? `lines[${index}].${path}` : path,
						message
					}))
				);
			}
	});
}

/** Keeps entries in the order given, each for itself: one that cannot be is answered with the reason, one that the server fails on is asked for again. */
export async function keepSales(
	db: Database,
	kitchenId: string,
	entries: readonly SaleEntry[]
): Promise<EntryAnswer[]> {
	const answers: EntryAnswer[] = [];
	for (const entry of entries)
		try {
			await keepSale(db, kitchenId, entry);
			answers.push({ id: entry.id, kept: true });
		} catch (error) {
			answers.push(
				error instanceof Refused
					? { id: entry.id, kept: false, message: error.message }
					: failedOn(entry.id, error)
			);
		}
	return answers;
}

/** Keeps one entry; one that was kept before is left as it is. Throws `Refused`. */
export async function keepSale(db: Database, kitchenId: string, entry: SaleEntry): Promise<void> {
	await inTransaction(db, async (transaction) => {
		const of = entry.ofId === null ? null : await theEntry(transaction, kitchenId, entry.ofId);
		if (of && of.batch_id === null) return takeBackPast(transaction, kitchenId, entry, of);
		const batchId = of ? String(of.batch_id) : entry.batchId;
		const batch = await transaction('batches')
			.where({ kitchen_id: kitchenId, id: batchId })
			.forUpdate()
			.first('packs_made', 'packs_sold', 'packs_given', 'made_on', 'code');
		if (!batch) return refuse('batchId', 'choose the batch the packs are from');
		// Asked after the lock, so that the same entry arriving twice at once is seen.
		if (await isKeptEntry(transaction, 'sales', { kitchen_id: kitchenId, id: entry.id })) return;
		const rows = await rowsOf(transaction, kitchenId, entry, of);
		let [sold, given] = [0, 0];
		for (const row of rows) {
			if (row.isGiven) given += row.packs;
			else sold += row.packs;
		}
		refuseTooMany(batch, entry.packs, sold + given);
		if (of === null) {
			const left = batch.packs_made - batch.packs_sold - batch.packs_given;
			const { packs, pieces = null } = entry;
			await refuseShort(transaction, kitchenId, { id: batchId, code: batch.code, left }, { packs, pieces });
		}
		if (rows.some((row) => row.packs > 0 && row.soldOn < batch.made_on))
			refuse('soldOn', `batch ${batch.code} was made on ${batch.made_on}, after this day`);
		if (rows.length === 0) return;
		await transaction('sales').insert(
			rows.map(({ isGiven, soldOn, ...row }) => ({
				...row,
				is_given: isGiven,
				kitchen_id: kitchenId,
				batch_id: batchId,
				sold_on: soldOn,
				created_at: utcNow()
			}))
		);
		await transaction('batches')
			.where({ kitchen_id: kitchenId, id: batchId })
			.update({
				packs_sold: batch.packs_sold + sold,
				packs_given: batch.packs_given + given
			});
		await tell(transaction, kitchenId, { batchId, entries: [] });
	});
}

/** Takes back a sale from before its batch was kept: there is no batch its packs could go back to. */
async function takeBackPast(db: Database, kitchenId: string, entry: SaleEntry, of: SaleRow): Promise<void> {
	if (entry.kind !== 'void')
		refuse('', 'nobody knows of which batch these packs were: void the sale, and enter what stands');
	await db('sales').where({ kitchen_id: kitchenId, id: of.id }).forUpdate().first('id');
	if (await isKeptEntry(db, 'sales', { kitchen_id: kitchenId, id: entry.id })) return;
	for (const { isGiven, soldOn, ...row } of await voidRows(db, kitchenId, entry, of))
		await db('sales').insert({
			...row,
			is_given: isGiven,
			kitchen_id: kitchenId,
			batch_id: null,
			item: of.item,
			product_id: of.product_id,
			sold_on: soldOn,
			created_at: utcNow()
		});
}

function refuseTooMany(
	batch: Pick<RowOf<'batches'>, 'code' | 'packs_made' | 'packs_sold' | 'packs_given'>,
	packs: number,
	more: number
): void {
	const left = batch.packs_made - batch.packs_sold - batch.packs_given;
	if (more > left)
		refuse('packs', `batch ${batch.code} has ${left} ${left === 1 ? 'pack' : 'packs'} left, not ${packs}`);
}

async function theEntry(db: Database, kitchenId: string, id: string): Promise<SaleRow> {
	const row = await db('sales').where({ kitchen_id: kitchenId, id }).first();
	return row ?? refuse('ofId', 'this sale is not here');
}

const GIVEN: readonly SaleKind[] = ['gift', 'sample', 'written off'];

/** A row to insert; above zero leaves the batch. */
type SaleRow = RowOf<'sales'>;

interface NewRow {
	id: string;
	kind: SaleKind;
	packs: number;
	/** Gone without being sold. */
	isGiven: boolean;
	soldOn: string;
	[column: string]: unknown;
}

/** The rows an entry comes to; none for a void of what is voided already. */
async function rowsOf(
	db: Database,
	kitchenId: string,
	entry: SaleEntry,
	of: SaleRow | null
): Promise<NewRow[]> {
	if (entry.kind === 'void') return of ? voidRows(db, kitchenId, entry, of) : refuse('ofId', 'choose a sale');
	if (entry.kind === 'return')
		return of ? returnRows(db, kitchenId, entry, of) : refuse('ofId', 'choose a sale');
	const isGiven = GIVEN.includes(entry.kind);
	if (entry.kind === 'written off' && entry.reason.trim() === '')
		refuse('reason', 'say why they are written off');
	return [
		{
			id: entry.id,
			kind: entry.kind,
			packs: entry.packs,
			isGiven,
			soldOn: entry.soldOn,
			channel: entry.channel,
			price: isGiven ? '0' : entry.price,
			paid_by: isGiven ? null : entry.paidBy,
			checkout_id: entry.checkoutId,
			customer: entry.customer,
			pieces: entry.pieces ?? null,
			order_id: entry.orderId ?? null,
			reason: entry.reason
		}
	];
}

/** What an entry has of the one it is about: the same customer, channel and way of paying. */
const about = (of: SaleRow) => ({
	channel: of.channel,
	price: of.price,
	paid_by: of.paid_by,
	checkout_id: of.checkout_id,
	customer: of.customer,
	pieces: of.pieces,
	order_id: of.order_id
});

async function voidRows(db: Database, kitchenId: string, entry: SaleEntry, of: SaleRow): Promise<NewRow[]> {
	if (of.kind === 'void') refuse('', 'this entry is itself a void: enter anew what stands');
	if (entry.reason.trim() === '') refuse('reason', 'say why, for the record');
	if (await isVoided(db, kitchenId, of)) return [];
	if ((await returnedOf(db, kitchenId, of.id)) > 0)
		refuse('', 'packs of it came back: void the return first');
	const back = (row: SaleRow, id: string): NewRow => ({
		...about(row),
		id,
		kind: 'void',
		packs: -row.packs,
		isGiven: GIVEN.includes(row.kind as SaleKind),
		soldOn: row.sold_on,
		voids_id: row.id,
		reason: entry.reason
	});
	const thrownAway = of.kind === 'return' ? await writtenOffWith(db, kitchenId, of.id) : null;
	return [back(of, entry.id), ...(thrownAway ? [back(thrownAway, newId())] : [])];
}

/** Packs that come back: their money goes back, and they are for sale again or written off. */
async function returnRows(db: Database, kitchenId: string, entry: SaleEntry, of: SaleRow): Promise<NewRow[]> {
	if (of.kind !== 'sale') refuse('', 'only packs that were sold come back: void the entry instead');
	if (entry.reason.trim() === '') refuse('reason', 'say why they came back');
	if (await isVoided(db, kitchenId, of))
		refuse('', 'this sale is voided already: nothing of it is left to come back');
	const most = of.packs - (await returnedOf(db, kitchenId, of.id));
	if (entry.packs > most)
		refuse(
			'packs',
			`${most} ${most === 1 ? 'pack' : 'packs'} of this sale can come back, not ${entry.packs}`
		);
	const back: NewRow = {
		...about(of),
		id: entry.id,
		kind: 'return',
		packs: -entry.packs,
		isGiven: false,
		soldOn: entry.soldOn,
		returns_id: of.id,
		reason: entry.reason
	};
	if (!entry.thrownAway) return [back];
	return [
		back,
		{
			...about(of),
			id: newId(),
			kind: 'written off',
			packs: entry.packs,
			isGiven: true,
			soldOn: entry.soldOn,
			price: '0',
			paid_by: null,
			// Of the return itself: what takes one back takes the other back too.
			returns_id: entry.id,
			reason: entry.reason
		}
	];
}

/** Whether an entry is voided. */
async function isVoided(db: Database, kitchenId: string, of: SaleRow): Promise<boolean> {
	const [found] = await db('sales').where({ kitchen_id: kitchenId, voids_id: of.id }).limit(1).select('id');
	return found !== undefined;
}

/** What was written off with a return and stands; null where its packs are for sale again. */
async function writtenOffWith(db: Database, kitchenId: string, returnId: string): Promise<SaleRow | null> {
	const row = await db('sales as s')
		.leftJoin('sales as v', 'v.voids_id', 's.id')
		.where({ 's.kitchen_id': kitchenId, 's.returns_id': returnId, 's.kind': 'written off' })
		.whereNull('v.id')
		.first<SaleRow | undefined>('s.*');
	return row ?? null;
}

/** Packs of a sale that came back, returns that were voided not counted. */
async function returnedOf(db: Database, kitchenId: string, saleId: string): Promise<number> {
	const row = await db('sales as s')
		.leftJoin('sales as v', 'v.voids_id', 's.id')
		.where({ 's.kitchen_id': kitchenId, 's.returns_id': saleId, 's.kind': 'return' })
		.whereNull('v.id')
		.first<{ packs: string | null } | undefined>(db.raw('SUM(s.packs) AS packs'));
	return -Number(row?.packs ?? 0);
}
