import { readLine, type LineContext, type LineReading } from '$core/formula/said/read-line.ts';

/** Lines read against one shelf: what was read before is not read again at every keystroke. */
export class ReadingCache {
	readonly #known = new Map<string, LineReading>();
	readonly #context: LineContext;

	constructor(context: LineContext) {
		this.#context = context;
	}

	/** What a line says; null when nothing is said. */
	of(said: string): LineReading | null {
		if (said.trim() === '') return null;
		const known = this.#known.get(said) ?? readLine(said, this.#context);
		this.#known.set(said, known);
		return known;
	}
}
