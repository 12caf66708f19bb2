import type { Facts } from '../facts.ts';
import type { Ask } from './model.ts';
import type { Reformulated } from './reformulate.ts';
import type { Wish } from './wish.ts';

/** What the command says of a wish: see `reformulate` in the commands' contract. */
export type Answer =
	| {
			status: 'met';
			ballWeight_g: number;
			lines: { line: number; grams: number }[];
			change: number;
			binding: { target: number; worth: number }[];
			facts: Facts;
	  }
	| { status: 'impossible'; conflict: number[]; giving: { target: number; would: number | string }[] };

/** Money has four places where it is of a piece. */
const MONEY_PLACES = 4;
const DIGITS = 9;

/** The answer as the command prints it: targets by their place, free lines with their grams, money as text. */
export function answerOf(found: Reformulated, wish: Wish): Answer {
	if (found.status === 'impossible')
		return {
			status: 'impossible',
			conflict: found.conflict.flatMap(targetOf),
			giving: found.giving.flatMap(({ ask, would }) =>
				targetOf(ask).map((target) => ({ target, would: wouldText(wish, target, would) }))
			)
		};
	return {
		status: 'met',
		ballWeight_g: found.ballWeight_g,
		lines: wish.free.map(({ line }) => ({ line, grams: found.grams[line] ?? 0 })),
		change: found.change,
		binding: found.binding.flatMap(({ ask, worth }) => targetOf(ask).map((target) => ({ target, worth }))),
		facts: found.facts
	};
}

const targetOf = (ask: Ask): number[] => (ask.kind === 'target' ? [ask.target] : []);

function wouldText(wish: Wish, target: number, would: number): number | string {
	if (wish.targets[target]?.figure === 'cost') return would.toFixed(MONEY_PLACES);
	return Number(would.toPrecision(DIGITS));
}
