import { validated } from '$lib/server/edge/validated.ts';
import { printQuery } from '$lib/server/edge/label.ts';
import { toSvg } from '$core/drawing/svg.ts';
import { download } from '$lib/server/edge/download.ts';
import { refuse } from '$lib/server/errors.ts';
import { underRules } from '$lib/server/labels/rules.ts';
import { placeOf } from '$lib/server/labels/place.ts';
import { labelToPrint } from '$lib/server/labels/to-print.ts';
import { embeddedFaces } from '$lib/server/print/fonts.ts';
import { manyLabelsPdf } from '$lib/server/print/many.ts';
import type { RequestHandler } from './$types';

/** An approved label to print: a PDF of its copies, or one of it as SVG. */
export const GET: RequestHandler = ({ locals: { db, kitchen: home }, params, url }) =>
	download(async () => {
		const { error, value } = validated(printQuery, Object.fromEntries(url.searchParams));
		if (error) refuse('', `the printing cannot be read: ${error.message}`);
		const asked = value;
		const { revision, drawing, name } = await labelToPrint(db, underRules(home, url), params.id, asked);
		if (asked.as === 'svg')
			return { name: `${name}.svg`, type: 'image/svg+xml', body: toSvg(drawing, embeddedFaces()) };
		return {
			name: `${name}.pdf`,
			type: 'application/pdf',
			body: await manyLabelsPdf(name, drawing, asked.copies, placeOf(revision, asked))
		};
	});
