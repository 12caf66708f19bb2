import { derivePlan } from '$core/plan.ts';
import { writeRecipeJsonLd } from '$core/file/recipe-jsonld.ts';
import { cookLossHistory } from '$lib/server/batches/history.ts';
import { listSummaries, RECENT_BATCHES } from '$lib/server/batches/standing.ts';
import { download } from '$lib/server/edge/download.ts';
import { Refused } from '$lib/server/errors.ts';
import { fileName, formulaRecipe } from '$lib/server/files.ts';
import { getFormula } from '$lib/server/formulas/read.ts';
import type { Step } from '$core/formula/process.ts';
import type { RequestHandler } from './$types';

/** The formula as schema.org Recipe with its NutritionInformation, for a web page. */
export const GET: RequestHandler = ({ locals: { db, kitchen }, params }) =>
	download(async () => {
		const [recipe, formula, batches] = await Promise.all([
			formulaRecipe(db, kitchen, params.id),
			getFormula(db, kitchen.id, params.id),
			listSummaries(db, kitchen, { formulaId: params.id, newest: RECENT_BATCHES })
		]);
		const outcome = derivePlan(recipe, cookLossHistory(batches).get(formula.id) ?? null);
		if (!outcome.ok) throw new Refused(outcome.problems);
		return {
			name: fileName(recipe.formula.name, '.recipe.jsonld'),
			type: 'application/ld+json',
			body: writeRecipeJsonLd(recipe, outcome.value, formula.steps.map(said))
		};
	});

/** A step in one sentence: what is done, how long, and the cue. */
function said(step: Step): string {
	const { minutesLow: low, minutesHigh: high } = step;
	const time =
		low === null && high === null
			? ''
			: `, ${low === high || high === null ? low : low === null ? `up to ${high}` : `${low} to ${high}`} min`;
	const heat = step.temperature_c === null ? '' : ` at ${step.temperature_c} °C`;
	return `${step.text}${time}${heat}${step.cue ? `, until: ${step.cue}` : ''}.`;
}
