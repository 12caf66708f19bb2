import { expect, it } from 'vitest';
import { withinHere } from './within.ts';

it.each([
	['/batches/new', '/batches/new'],
	['/sales?from=2026-01-01', '/sales?from=2026-01-01'],
	[null, '/'],
	['', '/'],
	['https://elsewhere.example/', '/'],
	['//elsewhere.example', '/'],
	['/\\elsewhere.example', '/'],
	['javascript:alert(1)', '/'],
	// Looks like a path, and becomes the address of another site.
	['/.//elsewhere.example', '/'],
	['/x/..//elsewhere.example', '/'],
	['/%2e//elsewhere.example', '/'],
	['/./\\elsewhere.example', '/'],
	['/\t/elsewhere.example', '/'],
	// Back to the door would go round in circles.
	['/door?/out', '/']
])('%s leads to %s', (to, leads) => {
	expect(withinHere(to)).toBe(leads);
});
