import { rememberedName } from '$core/composition/match.ts';

interface Taught {
	said: string;
	ingredient: string;
	/** What it meant before, null where nothing. */
	before: string | null;
	isKnown: boolean;
}

/** What an open sheet taught the kitchen, for taking it back with the line it was taught at. */
export class Learned {
	#taught: Taught[] = [];
	/** Tells the kitchen what a name means, or with an empty ingredient that it means nothing; whether it did. */
	readonly #tell: (said: string, ingredient: string) => Promise<boolean>;

	constructor(tell: (said: string, ingredient: string) => Promise<boolean>) {
		this.#tell = tell;
	}

	/** Whether the kitchen knows from now on what a name means; `before` is what it meant. */
	async remember(said: string, ingredient: string, before: string | null): Promise<boolean> {
		if (!(await this.#tell(said, ingredient))) return false;
		this.#taught.push({ said, ingredient, before, isKnown: true });
		return true;
	}

	/**
	 * After undo or redo: what no line shows any more is forgotten, what one shows again is known again. Lines are names
	 * with the ingredient they have. What was said of those that are forgotten; null where nothing was told.
	 */
	async follow(lines: readonly { name: string; ingredient: string }[]): Promise<string[] | null> {
		const key = (name: string, ingredient: string) => `${rememberedName(name)} ${ingredient}`;
		const shown = new Set(lines.map((line) => key(line.name, line.ingredient)));
		const changed = this.#taught.filter(
			(each) => shown.has(key(each.said, each.ingredient)) !== each.isKnown
		);
		for (const each of changed) {
			each.isKnown = !each.isKnown;
			await this.#tell(each.said, each.isKnown ? each.ingredient : (each.before ?? ''));
		}
		if (changed.length === 0) return null;
		return changed.filter((each) => !each.isKnown).map((each) => each.said);
	}
}
