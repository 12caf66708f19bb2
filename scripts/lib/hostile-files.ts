import { zipSync } from 'fflate';
import { ask } from './come-in.ts';
import { restoredBy } from './long-work.ts';

/** A file nobody should send, and where it is taken. */
export interface HostileFile {
	what: string;
	/** The form it goes to; an archive goes to a place of its own. */
	to: '/formulas/import' | '/shelf/import?/preview' | '/sales/import?/preview' | '/kitchen/data/restore';
	content: string | Uint8Array<ArrayBuffer>;
}

const times = (text: string, count: number) => text.repeat(count);
const recipe = (lines: readonly unknown[]) =>
	JSON.stringify({ '@type': 'Recipe', name: 'Roti', recipeIngredient: lines });
const page = (inside: string) => `<html><script type="application/ld+json">${inside}</script></html>`;
const list = <T>(count: number, of: (index: number) => T) =>
	Array.from({ length: count }, (_, index) => of(index));
const nested = (depth: number) => `${times('{"name":"a","parts":[', depth)}${times(']}', depth)}`;
const squareBatch = (ingredients: string, lines: string) =>
	`{"squareBatch":1,"rules":"us","currency":"USD","ingredients":[${ingredients}],"formula":{"name":"Roti","lines":[${lines}]},"piece":{"one":"roti","many":"roti","category":"flatbread","ballWeight_g":60}}`;
const ingredient = (id: number, more = '') =>
	`{"id":"i${id}","name":"Flour ${id}","kind":"flour","per100g":{},"allergens":[]${more}}`;
const MANY = 100_000;

/** Every kind of file that comes in, each in the ways that hang, burst or overflow what reads it carelessly. */
export const HOSTILE_FILES: readonly HostileFile[] = [
	...(
		[
			['a page whose script is opened 16,000 times', times('<script type="application/ld+json">', 16_000)],
			['1.6 MB of opened tags', times('<a ', 533_333)],
			['1.6 MB of opening brackets', times('<', 1_600_000)],
			['1.6 MB of comments that never end', times('<!--', 400_000)],
			['1.6 MB of entities', `<p>${times('&amp;', 320_000)}`],
			['JSON that is nested half a million deep', `[${times('[', 500_000)}`],
			['a page with half a million lists in each other', page(times('[', 500_000) + times(']', 500_000))],
			['a recipe of 100,000 lines', page(recipe(list(MANY, () => '1 cup flour')))],
			['a recipe of one line of 1.5 MB', recipe([times('1 1/2 ', 250_000)])],
			['a recipe of a line of fractions', recipe(list(150, () => times('1/', 140)))],
			[
				'a recipe of lines of words that could be amounts',
				recipe(list(150, () => times('a half and a ', 23)))
			],
			['a recipe of lines in brackets', recipe(list(150, () => times('((', 150)))],
			[
				'a recipe whose lines are lists in lists',
				recipe(['@']).replace('"@"', times('[', MANY) + times(']', MANY))
			],
			[
				'a Square Batch file of 60,000 lines',
				squareBatch(ingredient(1), list(60_000, () => '{"ingredient":"i1","use":"dough","grams":1}').join())
			],
			[
				'a Square Batch file of 20,000 ingredients',
				squareBatch(list(20_000, (id) => ingredient(id)).join(), '')
			],
			[
				'a Square Batch file of parts 80,000 deep',
				squareBatch(ingredient(1, `,"parts":[${nested(80_000)}]`), '')
			],
			[
				'a Square Batch file of a name of 1.5 MB',
				squareBatch(ingredient(1), '').replace('Roti', times('W', 1_500_000))
			]
		] as const
	).map(([what, content]): HostileFile => ({ what, to: '/formulas/import', content })),
	...(
		[
			['a shelf of 100,000 rows', `name,kind\n${list(MANY, (index) => `flour ${index},flour`).join('\n')}`],
			['a shelf of one row of a million cells', `name,kind\n${times(',', 1_000_000)}`],
			['a shelf of a quote that never ends', `name,kind\n"${times('a,b\n', 500_000)}`],
			['a shelf of quotes', `name,kind\n${times('"', 2_000_000)}`],
			['a shelf of parts 100,000 deep', `name,kind,parts\nflour,flour,${times('a (', MANY)}`],
			['a shelf of a million tags', `name,kind,allergens\nflour,flour,${times('x;', 1_000_000)}`],
			[
				'a shelf, as JSON, of a million nothings',
				`{"squareBatchShelf":1,"ingredients":[${times('null,', 500_000)}null]}`
			]
		] as const
	).map(([what, content]): HostileFile => ({ what, to: '/shelf/import?/preview', content })),
	...(
		[
			[
				'sales of 20,001 rows',
				`date,product,packs,price,place\n${times('2026-01-02,Roti,1,5,Fair\n', 20_001)}`
			],
			['sales of a million columns', times('date,', 600_000)],
			['sales of a quote that never ends', `date,product,packs\n"${times('2026-01-02\n', 150_000)}`]
		] as const
	).map(([what, content]): HostileFile => ({ what, to: '/sales/import?/preview', content })),
	...(
		[
			['an archive that is none', new Uint8Array(1_000_000)],
			['an archive that bursts', zipSync({ 'kitchen.json': new Uint8Array(100 * 1024 * 1024) })],
			[
				'an archive of 20,000 empty files',
				zipSync(Object.fromEntries(list(20_000, (index) => [`x/${index}`, new Uint8Array(0)])))
			],
			[
				'an archive whose manifest is nested 100,000 deep',
				zipSync({ 'kitchen.json': new TextEncoder().encode(times('[', MANY)) })
			]
		] as const
	).map(([what, content]): HostileFile => ({
		what,
		to: '/kitchen/data/restore',
		content: content as Uint8Array<ArrayBuffer>
	}))
];

/** What came of a file that was sent. */
export interface Answered {
	status: number;
	/** What a person is told; empty where it was taken. */
	words: string;
	took_ms: number;
}

/** Sends a file as the page would. */
export async function sendFile(address: string, { to, content }: HostileFile): Promise<Answered> {
	const began = performance.now();
	if (to === '/kitchen/data/restore') {
		const { status, job } = await restoredBy(address, content as Uint8Array<ArrayBuffer>);
		return { status, words: job?.outcome?.problem ?? '', took_ms: performance.now() - began };
	}
	const form = new FormData();
	form.set('file', new Blob([content]), 'file');
	const response = await ask(`${address}${to}`, {
		method: 'POST',
		headers: {
			origin: address,
			accept: 'application/json',
			'x-sveltekit-action': 'true'
		},
		body: form,
		redirect: 'manual'
	});
	const text = await response.text();
	const took_ms = performance.now() - began;
	return { status: response.status, words: wordsOf(text), took_ms };
}

/** The messages in the answer of a form. */
function wordsOf(text: string): string {
	const { type, data } = JSON.parse(text) as { type?: string; data?: string };
	if (type !== 'failure' || data === undefined) return '';
	// Values of an answer stand in one list; words of a person are those with a space.
	return (JSON.parse(data) as unknown[])
		.filter((each) => typeof each === 'string' && each.includes(' ') && each.length < 400)
		.join('; ');
}
