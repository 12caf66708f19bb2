import { describe, expect, it } from 'vitest';
import { notLetIn } from './asked.ts';

const OURS = 'http://127.0.0.1:4180';
const ask = (
	headers: Record<string, string> = {},
	{ method = 'POST', path = '/sales/entries.json', body = '{}' } = {}
) => {
	const url = new URL(path, OURS);
	const request = new Request(url, {
		method,
		headers: {
			origin: OURS,
			'content-type': 'application/json',
			'content-length': String(body.length),
			...headers
		},
		...(method === 'GET' ? {} : { body })
	});
	return notLetIn({ request, url })?.status ?? null;
};

describe('a request that changes something', () => {
	it('is let in from our own pages, and from nowhere that does not say so', () => {
		expect(ask()).toBeNull();
		expect(ask({ 'sec-fetch-site': 'same-origin' })).toBeNull();
		const url = new URL('/sales/entries.json', OURS);
		const headers = { 'content-type': 'application/json', 'content-length': '2' };
		const request = new Request(url, { method: 'POST', headers, body: '{}' });
		expect(notLetIn({ request, url })?.status).toBe(403);
	});

	it.each([
		{ origin: 'http://elsewhere.example' },
		// Another port of this machine is another origin.
		{ origin: 'http://127.0.0.1:4181' },
		{ origin: 'null' },
		{ 'sec-fetch-site': 'cross-site' },
		{ 'sec-fetch-site': 'same-site' },
		{ origin: OURS, 'sec-fetch-site': 'cross-site' }
	])('is turned away from another site: %o', (headers) => {
		expect(ask(headers as Record<string, string>)).toBe(403);
	});

	it('is of a kind that is read here, and of a size that is said', () => {
		expect(ask({ 'content-type': 'multipart/form-data; boundary=x' })).toBeNull();
		for (const type of ['text/plain', 'application/xml', '']) expect(ask({ 'content-type': type })).toBe(415);
		expect(ask({ 'content-length': String(4 * 1024 ** 2) })).toBeNull();
		expect(ask({ 'content-length': String(4 * 1024 ** 2 + 1) })).toBe(413);
		const restore = { path: '/kitchen/data/restore' };
		expect(ask({ 'content-type': 'application/zip', 'content-length': '99999999' }, restore)).toBeNull();
		expect(ask({ origin: 'http://elsewhere.example' }, restore)).toBe(403);
	});

	it('is JSON only where a script of ours sends it, and names a form by its name', () => {
		const json = { 'content-type': 'application/json' };
		expect(ask(json, { path: '/formulas/x/draft' })).toBeNull();
		expect(ask(json, { path: '/scale/bench' })).toBeNull();
		expect(ask(json, { path: '/kitchen?/save' })).toBe(415);
		expect(ask({ 'content-type': 'multipart/form-data' }, { path: '/kitchen?/save' })).toBeNull();
		expect(ask({ 'content-type': 'multipart/form-data' }, { path: '/batches/new?/default' })).toBe(404);
	});

	it('is not one that only reads', () => {
		expect(ask({ origin: 'http://elsewhere.example', 'content-type': '' }, { method: 'GET' })).toBeNull();
	});
});
