/** What a proxy says of itself. */
export const PASSED_ON: readonly string[] = [
	'forwarded',
	'x-forwarded-for',
	'x-forwarded-host',
	'x-real-ip',
	'via'
];
/** By which the server that takes connections says it too, of what it takes away (`scripts/lib/serve.ts`). */
export const PASSED_ON_HEADER = 'x-square-batch-passed-on';
