import { page } from '$app/state';
import type { Right } from './roles.ts';

/** Whether who is in may something: what a page is given goes by it too, and it leaves no empty place for the rest. */
export const mayHere = (right: Right): boolean =>
	(page.data as { who?: { rights: readonly Right[] } | null }).who?.rights.includes(right) ?? false;
