import { JSONParser } from '@streamparser/json';
import { refuse } from '../errors.ts';
import type { Cells } from '../rows.ts';

/** No row of ours comes near it: a picture of a shelf test is a fiftieth. */
const MOST_OF_A_ROW = 16 * 1024 ** 2;

/** Whether something is a row as it was written: columns of plain values. */
const isRow = (value: unknown): value is Cells =>
	typeof value === 'object' &&
	value !== null &&
	// A column named to be more than a column would be none of its own.
	Object.getPrototypeOf(value) === Object.prototype &&
	Object.values(value).every((cell) => cell === null || typeof cell !== 'object');

/**
 * The rows of a table's file as they come, one at a time: however long the file, no more than a row of it is in memory.
 * `name` is what it is called. Throws `Refused` where it is no list of rows.
 */
export async function* rowsIn(bytes: AsyncIterable<Uint8Array>, name: string): AsyncGenerator<Cells> {
	let rows: Cells[] = [];
	let [since, isOver, first, isStrange, isBroken] = [0, false, true, false, false];
	const parser = new JSONParser({ paths: ['$.*'], keepStack: false });
	parser.onValue = ({ value }) => {
		// The library takes what is thrown here for a fault of the text.
		if (isRow(value)) rows.push(value);
		else isStrange = true;
		since = 0;
	};
	parser.onEnd = () => (isOver = true);
	parser.onError = () => (isBroken = true);
	for await (const chunk of bytes) {
		// A list and nothing else: what is in an object has no order.
		if (first) {
			const begins = new TextDecoder().decode(chunk.subarray(0, 64)).trimStart();
			if (begins !== '' && !begins.startsWith('[')) refuse('', `${name} holds what is no row`);
			first = begins === '';
		}
		since += chunk.length;
		if (since > MOST_OF_A_ROW) refuse('', `${name} holds a row that is too large`);
		// What comes after its end is none of it.
		if (isOver && chunk.some((byte) => byte > SPACE)) notJson(name);
		if (!isOver) parser.write(chunk);
		if (isStrange) refuse('', `${name} holds what is no row`);
		if (isBroken) notJson(name);
		const some = rows;
		rows = [];
		yield* some;
	}
	if (!isOver) notJson(name);
}

const SPACE = 0x20;

const notJson = (name: string): never => refuse('', `${name} cannot be read: it is not JSON`);
