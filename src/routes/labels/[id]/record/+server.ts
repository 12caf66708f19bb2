import { download } from '$lib/server/edge/download.ts';
import { getLabel } from '$lib/server/labels/read.ts';
import { underRules } from '$lib/server/labels/rules.ts';
import { recordPdf } from '$lib/server/print/record.ts';
import type { RequestHandler } from './$types';

/** Where a figure of the product's label comes from, on one page. */
export const GET: RequestHandler = ({ locals: { db, kitchen: home }, params, url }) =>
	download(async () => {
		const kitchen = underRules(home, url);
		const { product, formulaNumber, plainRecipe, facts, sources } = await getLabel(db, kitchen, params.id);
		return recordPdf(
			kitchen,
			`${product.name}, formula version ${formulaNumber}`,
			plainRecipe,
			facts,
			sources,
			url.searchParams.get('figure') ?? ''
		);
	});
