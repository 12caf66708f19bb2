import { BOWL, madeOf, TOOLS, type Truth } from './truth.ts';
import { ingredientNamed } from './setting.ts';
import type { World } from './move.ts';

/** What there is to look at in a story: what to call it, and what it is. */
export function looksOf(truth: Truth): { at: string; words: string }[] {
	const looks: { at: string; words: string }[] = [];
	const { works, slip } = truth;
	if (works?.from === 'weigh') {
		looks.push({ at: 'pan', words: 'Look at the empty pan' });
		looks.push({ at: 'dough', words: 'Look at the dough' });
	}
	if (works?.from === 'dough') {
		looks.push({ at: 'counter', words: 'Look at the counter' });
		looks.push({ at: 'bowl', words: 'Look under the empty bowl' });
	}
	if (works?.from === 'divide' || works?.to === 'pack')
		looks.push({ at: 'board', words: 'Count the balls on the board' });
	if (works?.from === 'surface') looks.push({ at: 'jar', words: 'Look into the jar' });
	if (works?.from === 'cook') looks.push({ at: 'plate', words: 'Look at the pieces' });
	if (works?.to === 'pack') looks.push({ at: 'packs', words: 'Count the pieces in the packs' });
	if (truth.newly)
		for (const { ingredient } of truth.lines)
			looks.push({
				at: `bag ${ingredient}`,
				words: `Read the bag: ${ingredientNamed(truth.setting, ingredient)}`
			});
	if (slip.slip === 'not cleaned' || slip.slip === 'clean not recorded')
		for (const tool of TOOLS) looks.push({ at: `tool ${tool}`, words: `Look at it: ${tool}` });
	if (truth.lots.length > 0) {
		looks.push({ at: 'call', words: 'Hear the call again' });
		for (const { batch } of truth.lots)
			looks.push({ at: `kept ${batch}`, words: `Read the flour bag kept of ${lower(batch)}` });
	}
	return looks;
}

/** What is seen there, in a sentence or two. */
export function lookedAt(truth: Truth, world: World, at: string): string {
	const [what = '', ...rest] = at.split(' ');
	const of = rest.join(' ');
	const went_g = Object.values(world.went_g).reduce((sum, grams) => sum + grams, 0);
	switch (what) {
		case 'pan':
			return world.wanders
				? 'Nothing lies on it, and its figure climbs by itself; a battery is drawn in the corner of the display.'
				: 'Nothing lies on it, and its figure stands still.';
		case 'dough':
			return doughLook(truth, world, went_g);
		case 'counter':
			return counterLook(truth);
		case 'bowl':
			return `On its bottom somebody scratched ${BOWL.tare_g} g.`;
		case 'board':
			return `${madeOf(truth, went_g).balls_g.length} balls lie on the board.`;
		case 'jar':
			return 'There is flour left in the jar, and flour on the board.';
		case 'plate':
			return world.minutes - world.hotSince_min < 8
				? 'They steam. The four on top are the ones Pim weighed.'
				: 'They have cooled; the cloth over them is dry.';
		case 'packs':
			return packsLook(truth, world, went_g);
		case 'bag':
			return bagLook(truth, of);
		case 'tool':
			return toolLook(truth, of);
		case 'call':
			return `“Lot ${truth.recalled} of the flour, all of it. Take back what was sold.”`;
		case 'kept':
			return `The bag kept of ${lower(of)} is printed: lot ${truth.lots.find(({ batch }) => batch === of)?.really ?? ''}.`;
		default:
			return '';
	}
}

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);

function doughLook(truth: Truth, world: World, went_g: number): string {
	if (went_g === 0) return 'There is no dough yet.';
	const water = truth.lines.find(({ ingredient }) => ingredient === 'water');
	if (!water) return 'It is a dough.';
	const lacks_g = water.planned_g + truth.thirst_g - (world.went_g.water ?? 0);
	if (lacks_g > 0.015 * water.planned_g) return 'It cracks where it is folded: it is too dry.';
	return lacks_g < -0.06 * water.planned_g
		? 'It sticks to everything: it is too wet.'
		: 'It is smooth, and springs back slowly.';
}

/** What lies about tells what was done. */
function counterLook({ slip }: Truth): string {
	const of = slip.subject ?? '';
	switch (slip.slip) {
		case 'line missed':
			return `The ${of.toLowerCase()} stands open beside the bowl, some of it is gone; on the list there is nothing beside it.`;
		case 'line not in':
			return `The ${of.toLowerCase()} stands weighed in its dish at the back of the counter, untouched.`;
		case 'line twice':
			return `Two dishes for ${of.toLowerCase()} stand in the sink, both just emptied.`;
		case 'bowl not tared':
			return 'The steel bowl stands where the scale was; nobody pressed Tare that you saw.';
		default:
			return 'Everything is open and half used, as it should be.';
	}
}

function packsLook(truth: Truth, world: World, went_g: number): string {
	const made = madeOf(truth, went_g);
	const packs = made.packs.map(
		(pieces, at) => pieces + world.filled.filter((place) => place === at + 1).length
	);
	return `In the packs are ${packs.join(', ')} pieces; ${made.loose - world.filled.length} lie loose.`;
}

function bagLook({ newly, setting }: Truth, ingredient: string): string {
	if (newly?.ingredient === ingredient)
		return `“Ingredients: cumin, chilli, ${newly.word}, salt. Contains ${newly.word}.” The bag is new.`;
	const known = setting.recipe.ingredients.find(({ id }) => id === ingredient)?.allergens ?? [];
	return known.length > 0
		? `“Contains ${known.join(', ')}.” As it always said.`
		: 'It names no allergen, as ever.';
}

function toolLook({ tools }: Truth, name: string): string {
	const tool = tools[name];
	if (!tool?.isClean) return 'Sesame seeds stick in its corners.';
	return 'It is clean and dry. “I washed it with detergent at noon,” says Pim.';
}
