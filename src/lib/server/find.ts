import type { Found } from '../found.ts';
import type { Database } from './db/connection.ts';
import { listProducts } from './products.ts';
import type { Row } from './rows.ts';

const PLACES: Found[] = [
	{ group: 'Start', text: 'Today: what is on the bench, what to make', href: '/' },
	{ group: 'Start', text: 'Plan: how many to make, and the day backwards', href: '/plan' },
	{ group: 'Start', text: 'Orders: packs asked for ahead', href: '/sales/orders' },
	{ group: 'Start', text: 'New batch', href: '/batches/new' },
	{ group: 'Start', text: 'Bring a formula in', href: '/formulas/import' },
	{ group: 'Start', text: 'New ingredient', href: '/shelf/new' },
	{ group: 'Start', text: 'New mix of your own', href: '/shelf/mix' },
	{ group: 'Start', text: 'Bring ingredients in', href: '/shelf/import' },
	{ group: 'Start', text: 'Stock: receive a lot', href: '/shelf/lots' },
	{ group: 'Start', text: 'Count the stock', href: '/shelf/lots/count' },
	{ group: 'Start', text: 'Trace a code, recall', href: '/trace' },
	{ group: 'Start', text: 'Stall: sell with one thumb', href: '/sales/stall' },
	{ group: 'Start', text: 'Sales by month and year', href: '/sales/summary' },
	{ group: 'Start', text: 'Bring past sales in', href: '/sales/import' },
	{ group: 'Start', text: 'Profit by selling day and batch', href: '/sales/profit' },
	{ group: 'Start', text: 'Record a sale', href: '/sales' },
	{ group: 'Start', text: 'Practice: learn to square a batch', href: '/practice' },
	{ group: 'Start', text: 'Energy, labour and fees', href: '/kitchen/costs' },
	{ group: 'Start', text: 'Local profile: permit, foods, yearly limit', href: '/kitchen/profile' },
	{ group: 'Start', text: 'Archive, restore, another kitchen', href: '/kitchen/data' },
	{ group: 'Start', text: 'Kitchen: scale, cups, families', href: '/kitchen' }
];

/** So many of the newest batches are found by their code. */
const BATCHES = 200;

/** Every place and record of a kitchen that can be gone to by name. */
export async function findable(db: Database, kitchenId: string): Promise<Found[]> {
	const of = (table: string) => db(table).where('kitchen_id', kitchenId);
	const [ingredients, formulas, batches, products] = await Promise.all([
		of('ingredients').orderBy('name').select('id', 'name'),
		of('formulas').orderBy('name').select('id', 'name', 'archived_at'),
		of('batches')
			.orderBy([
				{ column: 'made_on', order: 'desc' },
				{ column: 'id', order: 'desc' }
			])
			.limit(BATCHES)
			.select('id', 'code'),
		listProducts(db, kitchenId)
	]);
	const named = (row: Pick<Row, 'id' | 'name'> & Partial<Row>) => ({
		id: row.id,
		name: row.name,
		isAway: row.archived_at != null
	});
	const known = formulas.map(named);
	const here = known.filter(({ isAway }) => !isAway);
	const hereIds = new Set(here.map(({ id }) => id));
	return [
		...PLACES,
		...known.map(({ id, name }) => ({ group: 'Formulas', text: name, href: `/formulas/${id}` })),
		...here.map(({ id, name }) => ({
			group: 'Formulas',
			text: `What it costs: ${name}`,
			href: `/formulas/${id}/cost`
		})),
		...products
			.filter((product) => hereIds.has(product.formulaId))
			.map(({ id, name }) => ({ group: 'Labels', text: `Label: ${name}`, href: `/labels/${id}` })),
		...ingredients.map(named).map(({ id, name }) => ({ group: 'Shelf', text: name, href: `/shelf/${id}` })),
		...batches.map((row) => ({
			group: 'Batches',
			text: `Batch ${row.code}`,
			href: `/batches/${row.id}`
		}))
	];
}
