import { withinHere } from '$lib/server/edge/door/within.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ url }) => ({ to: withinHere(url.searchParams.get('to')) });
