import { barcodeBars } from '$lib/server/barcode.ts';
import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** The bars of a trade item number, for the label while it is typed: the encoder is too large for a page. */
export const GET: RequestHandler = ({ url }) => json(barcodeBars(url.searchParams.get('digits') ?? ''));
