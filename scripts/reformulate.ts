import loadHighs from 'highs';
import { readReformulate } from '../core/file/reformulate-request.ts';
import { answerOf } from '../core/reformulate/answer.ts';
import { solverBy } from '../core/reformulate/program.ts';
import { reformulate } from '../core/reformulate/reformulate.ts';
import { answer } from './lib/answer.ts';

/** `npm run --silent reformulate -- FILE`: the nearest formula that grants a wish, or problems to standard error and exit 2. */
export async function main(args: string[]): Promise<void> {
	const highs = await loadHighs();
	const solve = solverBy((text, options) => highs.solve(text, options));
	answer(args, (text) => {
		const asked = readReformulate(text);
		if (!asked.ok) return asked;
		const { recipe, wish } = asked.value;
		const outcome = reformulate(recipe, wish, solve);
		if (outcome.ok) return { ok: true, value: answerOf(outcome.value, wish) };
		return {
			ok: false,
			problems: outcome.problems.map((each) =>
				each.path.startsWith('targets') ? each : { ...each, path: `file.${each.path}` }
			)
		};
	});
}
