import { describe, expect, it } from 'vitest';
import { readCsv } from './csv-rows.ts';

const lines = (text: string) => readCsv(text).rows.map((row) => row.line);
const problems = (text: string) => readCsv(text).rows.map((row) => row.problem);

describe('rows of a CSV file', () => {
	it('go by the names of the first row', () => {
		expect(readCsv('Day,Packs\n2025-03-14,3', (name) => name.toLowerCase())).toEqual({
			header: ['day', 'packs'],
			rows: [{ line: 2, cells: { day: '2025-03-14', packs: '3' }, raw: '2025-03-14, 3', problem: '' }]
		});
	});

	it.each([
		['blank rows between count as lines', 'a,b\n1,2\n\n,\n3,4', [2, 5]],
		['blank rows before the names too', '\n\na,b\n1,2', [4]],
		// The first row takes lines 2, 3 and 4.
		['a cell with line breaks takes as many', 'a,b\n"one\ntwo\nthree",2\n3,4', [2, 5]],
		['line ends of another system are one each', 'a,b\r\n"one\r\ntwo",2\r\n3,4\r\n', [2, 4]],
		['a mark of the byte order is no part of a name', '\uFEFFa,b\n1,2', [2]]
	])('are told by their line: %s', (_, text, said) => {
		expect(lines(text)).toEqual(said);
	});

	it.each([
		// 1,50 without quotes: the price would be 1, and 50 what comes next.
		['a,b\n1,50,3', 'has 3 cells where the first row names 2 columns'],
		['a,b,c\n1,2', 'has 2 cells where the first row names 3 columns'],
		['a,b\n1,"2', 'Quoted field unterminated']
	])('whose cells cannot be told apart say so: %j', (text, said) => {
		expect(problems(text).join()).toContain(said);
	});

	it.each(['a,b\n1,2,\n', 'a,b,,\n1,2,,\n', 'a,b,,\n1,2\n', 'a,b\n"1,50",2', 'a;b\n1,50;2'])(
		'with blanks at the end, quotes or another separator are sound: %j',
		(text) => {
			expect(problems(text)).toEqual(['']);
		}
	);

	it('are refused where two columns have one name', () => {
		expect(() => readCsv('price,packs,price\n1,2,3')).toThrow('names "price" twice');
	});

	it('are none in an empty file', () => {
		expect(readCsv('')).toEqual({ header: [], rows: [] });
		expect(readCsv('a,b')).toEqual({ header: ['a', 'b'], rows: [] });
	});
});
