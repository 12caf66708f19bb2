import { describe, expect, it } from 'vitest';
import type { Cells } from '../rows.ts';
import { rowsIn } from './rows.ts';

async function* inPieces(text: string, size: number): AsyncGenerator<Uint8Array> {
	const bytes = new TextEncoder().encode(text);
	for (let at = 0; at < bytes.length; at += size) yield bytes.subarray(at, at + size);
}
async function read(text: string, size = 7): Promise<Cells[]> {
	const rows: Cells[] = [];
	for await (const row of rowsIn(inPieces(text, size), 'tables/lots.json')) rows.push(row);
	return rows;
}

describe('the rows of a file', () => {
	const ROWS = [{ id: 'é1', n: 1.5, of: null }, { id: '{"[,]}"', isGood: true }, {}];
	it.each([1, 2, 7, 4096])('are the same in pieces of %i bytes', async (size) => {
		expect(await read(JSON.stringify(ROWS), size)).toEqual(ROWS);
		expect(await read(` [\n${ROWS.map((row) => JSON.stringify(row)).join(',\n')}\n]\n`, size)).toEqual(ROWS);
		expect(await read('[]', size)).toEqual([]);
	});

	it.each([
		['{"id":"1"}', /holds what is no row/],
		['[{"id":{}}]', /holds what is no row/],
		['[[]]', /holds what is no row/],
		['[null]', /holds what is no row/],
		['[1]', /holds what is no row/],
		['[{"__proto__":{"id":"1"}}]', /holds what is no row/],
		['[{"id":"1"}', /is not JSON/],
		['[{"id":"1"},]', /is not JSON|no row/],
		['', /is not JSON/],
		['[] []', /is not JSON/],
		['nothing', /no row|not JSON/]
	])('%s is refused', async (text, says) => {
		await expect(read(text)).rejects.toThrow(says);
	});

	it('are in memory no further than the piece that is read', async () => {
		const row = JSON.stringify({ id: 'x'.repeat(26), note: 'y'.repeat(100) });
		let given = 0;
		async function* many(): AsyncGenerator<Uint8Array> {
			for (let nth = 0; nth < 2000; nth++) {
				given++;
				yield new TextEncoder().encode(`${nth === 0 ? '[' : ','}${row}`);
			}
			yield new TextEncoder().encode(']');
		}
		let taken = 0;
		for await (const _ of rowsIn(many(), 'tables/lots.json')) {
			taken++;
			expect(given - taken).toBeLessThanOrEqual(1);
		}
		expect(taken).toBe(2000);
	});

	it('of more than sixteen mebibytes one is refused before it is in memory', async () => {
		async function* endless(): AsyncGenerator<Uint8Array> {
			yield new TextEncoder().encode('[{"id":"');
			for (let nth = 0; nth < 1000; nth++) yield new Uint8Array(64 * 1024).fill(0x61);
		}
		const reading = async () => {
			for await (const row of rowsIn(endless(), 'tables/lots.json')) void row;
		};
		await expect(reading()).rejects.toThrow(/a row that is too large/);
	});
});
