import { json } from '@sveltejs/kit';
import { listProducts } from '$lib/server/products.ts';
import type { RequestHandler } from './$types';

/** A place to go, under the group it belongs to. */
export interface Found {
	group: string;
	text: string;
	href: string;
}

const PLACES: Found[] = [
	{ group: 'Start', text: 'Today: what is on the bench, what to make', href: '/' },
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
	{ group: 'Start', text: 'Energy, labour and fees', href: '/kitchen/costs' },
	{ group: 'Start', text: 'Local profile: permit, foods, yearly limit', href: '/kitchen/profile' },
	{ group: 'Start', text: 'Archive, restore, another kitchen', href: '/kitchen/data' },
	{ group: 'Start', text: 'Kitchen: scale, cups, families', href: '/kitchen' }
];

export const GET: RequestHandler = async ({ locals: { db, kitchen } }) => {
	const where = { kitchen_id: kitchen.id };
	const [ingredients, formulas, batches, products] = await Promise.all([
		db('ingredients').where(where).orderBy('name').select('id', 'name'),
		db('formulas').where(where).orderBy('name').select('id', 'name', 'archived_at'),
		db('batches').where(where).orderBy('made_on', 'desc').limit(200).select('id', 'code'),
		listProducts(db, kitchen.id)
	]);
	type Named = { id: string; name: string };
	const away = new Set(
		(formulas as { id: string; archived_at: unknown }[]).flatMap((row) =>
			row.archived_at === null ? [] : row.id
		)
	);
	return json([
		...PLACES,
		...(formulas as Named[]).map((row) => ({
			group: 'Formulas',
			text: row.name,
			href: `/formulas/${row.id}`
		})),
		...(formulas as Named[])
			.filter((row) => !away.has(row.id))
			.map((row) => ({
				group: 'Formulas',
				text: `What it costs: ${row.name}`,
				href: `/formulas/${row.id}/cost`
			})),
		...products
			.filter((product) => !away.has(product.formulaId))
			.map(({ id, name }) => ({ group: 'Labels', text: `Label: ${name}`, href: `/labels/${id}` })),
		...(ingredients as Named[]).map((row) => ({ group: 'Shelf', text: row.name, href: `/shelf/${row.id}` })),
		...(batches as { id: string; code: string }[]).map((row) => ({
			group: 'Batches',
			text: `Batch ${row.code}`,
			href: `/batches/${row.id}`
		}))
	] satisfies Found[]);
};
