import { readTag } from '$core/allergens/tags.ts';
import { isDough, type Ingredient, type Recipe } from '$core/formula/types.ts';
import { readGrams, readNumber } from '$core/measure/reading.ts';
import { swapped, type SwapBy } from '$core/reformulate/swap.ts';
import type { Per, Target, TargetFigure, Wish } from '$core/reformulate/wish.ts';
import type { ReformulateBasis } from './types.ts';
import { hasPer } from './words.ts';

/** A wish as it is typed. */
export interface TypedWish {
	key: number;
	figure: TargetFigure;
	side: 'atMost' | 'atLeast';
	value: string;
	per: Per;
	as: 'printed' | 'exact';
}

/** All that is asked of a formula, as it is typed. */
interface Asking {
	wishes: readonly TypedWish[];
	/** Allergens that shall not be in it, as they were said. */
	without: readonly string[];
	/** Places of the lines that may change. */
	free: readonly number[];
	bounds: Readonly<Record<number, { low: string; high: string }>>;
	keepsWindows: boolean;
	survives: boolean;
	step: string;
	/** Ingredients in the place of others, by the line’s place. */
	swaps: readonly { line: number; by: Ingredient; keep: SwapBy }[];
}

const MOST_UNDONE = 100;

/** What is asked on the page, with what it was before: every change can be undone. */
export class WishSheet {
	#now = $state.raw<Asking>() as Asking;
	#before = $state.raw<Asking[]>([]);
	/** The field that was typed in last, while nothing else changed since. */
	#typedIn: string | null = null;
	#key = 0;

	constructor(readonly basis: ReformulateBasis) {
		this.#now = {
			wishes: [],
			without: [],
			free: usuallyFree(basis.recipe),
			bounds: {},
			keepsWindows: basis.windows !== null,
			survives: false,
			step: String(basis.step_g),
			swaps: []
		};
	}

	get asked(): Asking {
		return this.#now;
	}
	get canUndo(): boolean {
		return this.#before.length > 0;
	}
	/** One step to undo; but what is typed in one field is one step, however many keys it takes. */
	change(part: Partial<Asking>, typedIn: string | null = null): void {
		if (typedIn === null || typedIn !== this.#typedIn)
			this.#before = [...this.#before, this.#now].slice(-MOST_UNDONE);
		this.#typedIn = typedIn;
		this.#now = { ...this.#now, ...part };
	}
	undo(): void {
		const last = this.#before.at(-1);
		if (!last) return;
		this.#before = this.#before.slice(0, -1);
		this.#typedIn = null;
		this.#now = last;
	}
	add(target: Target): void {
		const { figure, per, atMost, atLeast, as } = target;
		const wish: TypedWish = {
			key: ++this.#key,
			figure,
			side: atMost === null ? 'atLeast' : 'atMost',
			value: String(Number((atMost ?? atLeast ?? 0).toPrecision(6))),
			per,
			as
		};
		this.change({ wishes: [...this.#now.wishes, wish] });
	}
	alter(key: number, part: Partial<TypedWish>, typedIn: string | null = null): void {
		const wishes = this.#now.wishes.map((each) => (each.key === key ? { ...each, ...part } : each));
		this.change({ wishes }, typedIn);
	}
	/** How much is wished, as it is typed. */
	type(key: number, value: string): void {
		this.alter(key, { value }, `wish ${key}`);
	}
	remove(key: number): void {
		this.change({ wishes: this.#now.wishes.filter((each) => each.key !== key) });
	}

	/** The recipe with what is swapped in it; and what is wrong with a swap. */
	readonly swapped = $derived.by((): { recipe: Recipe | null; problem: string } => {
		let { recipe } = this.basis;
		for (const { line, by, keep } of this.#now.swaps) {
			if (!recipe) break;
			const next = swapped(recipe, line, by, keep, this.step_g ?? this.basis.step_g);
			if (!next.ok) return { recipe, problem: next.problems[0]?.message ?? '' };
			recipe = next.value.recipe;
		}
		return { recipe, problem: '' };
	});
	/** Null where it cannot be read. */
	readonly step_g = $derived.by(() => {
		const read = readGrams(this.#now.step);
		return read.ok && read.value > 0 ? read.value : null;
	});
	/** Places of the lines that hold what shall not be in it. */
	readonly excluded = $derived(
		this.#now.without.flatMap((word) => linesHolding(this.swapped.recipe, word).map((line) => line))
	);
	/** What cannot be read, by the wish’s key or the line’s place. */
	readonly errors = $derived.by(() => {
		const errors: Record<string, string> = {};
		for (const { key, value } of this.#now.wishes) {
			const read = readNumber(value);
			if (!read.ok) errors[`wish ${key}`] = read.message;
		}
		for (const [line, { low, high }] of Object.entries(this.#now.bounds)) {
			const [least, most] = [low, high].map((text) => (text.trim() === '' ? null : readGrams(text)));
			if (least && !least.ok) errors[`low ${line}`] = least.message;
			if (most && !most.ok) errors[`high ${line}`] = most.message;
			if (least?.ok && most?.ok && most.value < least.value)
				errors[`high ${line}`] = `less than the ${least.value} g at least`;
		}
		if (this.step_g === null) errors.step = 'the grams your scale shows, such as 1 or 0.1';
		return errors;
	});
	/** What is asked of the core; null where something cannot be read. */
	readonly wish = $derived.by((): Wish | null => {
		if (Object.keys(this.errors).length > 0 || this.step_g === null) return null;
		const { excluded } = this;
		const more = excluded.filter(
			(line, nth) => !this.#now.free.includes(line) && excluded.indexOf(line) === nth
		);
		const free = [...this.#now.free, ...more].sort((a, b) => a - b);
		const typed = (text: string | undefined): number | null => {
			const read = text === undefined || text.trim() === '' ? null : readGrams(text);
			return read?.ok ? read.value : null;
		};
		return {
			free: free.map((line) => {
				const bounds = this.#now.bounds[line];
				if (excluded.includes(line)) return { line, low_g: 0, high_g: 0 };
				return { line, low_g: typed(bounds?.low) ?? 0, high_g: typed(bounds?.high) };
			}),
			together: [],
			targets: this.#now.wishes.map(targetOf),
			ballWeight_g: null,
			step_g: this.step_g,
			windows: this.#now.keepsWindows ? this.basis.windows : null
		};
	});
	/** Whether anything is asked at all. */
	readonly asksNothing = $derived(
		this.#now.wishes.length === 0 && this.#now.without.length === 0 && this.#now.swaps.length === 0
	);
}

function targetOf({ figure, side, value, per, as }: TypedWish): Target {
	const read = readNumber(value);
	const bound = read.ok ? read.value : 0;
	return {
		figure,
		per: hasPer(figure) ? per : 'piece',
		atMost: side === 'atMost' ? bound : null,
		atLeast: side === 'atLeast' ? bound : null,
		as
	};
}

/** Every dough line but the largest flour, or the largest of all where none is: it takes what the others leave. */
function usuallyFree(recipe: Recipe | null): number[] {
	if (!recipe) return [];
	const dough = recipe.formula.lines.flatMap((line, at) => (isDough(line) ? [{ line, at }] : []));
	const kindOf = (id: string) => recipe.ingredients.find((each) => each.id === id)?.kind;
	const flours = dough.filter(({ line }) => kindOf(line.ingredient) === 'flour');
	const [largest] = (flours.length > 0 ? flours : dough).toSorted((a, b) => b.line.used_g - a.line.used_g);
	return dough.flatMap(({ at }) => (at === largest?.at ? [] : at));
}

/** Places of the lines whose ingredient holds an allergen that is called so. */
export function linesHolding(recipe: Recipe | null, word: string): number[] {
	const asked = word.trim().toLowerCase().replace(/s$/, '');
	const holds = (ingredient: Ingredient | undefined) =>
		(ingredient?.allergens ?? []).some((tag) => {
			const read = readTag(tag);
			return [tag, read?.group, read?.species].some(
				(name) => name?.toLowerCase().replace(/s$/, '') === asked
			);
		});
	return (recipe?.formula.lines ?? []).flatMap(({ ingredient }, at) =>
		holds(recipe?.ingredients.find(({ id }) => id === ingredient)) ? at : []
	);
}
