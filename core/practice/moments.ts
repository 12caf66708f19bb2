import { sumOf } from '../measure/round.ts';
import { g } from './point.ts';
import { BOWL, type Truth } from './truth.ts';

/** When what was hidden could have been seen. */
export function momentsOf(truth: Truth): string[] {
	const of = truth.slip.subject ?? '';
	const gap_g =
		sumOf(truth.lines, ({ recorded_g }) => recorded_g ?? 0) -
		sumOf(truth.lines, ({ went_g }) => went_g) +
		truth.residue_g;
	const weighed =
		gap_g < 0
			? `${g(-gap_g)} more dough than was written down`
			: `${g(gap_g)} written down did not reach the dough`;
	switch (truth.slip.slip) {
		case 'none':
			return ['Every figure held together, and nothing that was looked at said otherwise.'];
		case 'line missed':
			return [
				`When the dough was weighed: ${weighed}, and no line of ${of.toLowerCase()}.`,
				'On the counter its packet stood open.'
			];
		case 'line not in':
			return [
				`When the dough was weighed: ${weighed}, ${of.toLowerCase()} by its amount.`,
				'On the counter its dish stood full.'
			];
		case 'line twice':
			return [
				`When the dough was weighed: ${weighed}, ${of.toLowerCase()} by its amount.`,
				'In the sink stood two dishes of it.'
			];
		case 'bowl not tared':
			return [
				`The first line was ${BOWL.tare_g} g over its plan.`,
				`When the dough was weighed: ${weighed}, which is a bowl.`
			];
		case 'scale drifts':
			return ['The empty pan climbed by itself, and a battery was drawn on the display.'];
		case 'spoon heaped':
			return [`When the ${of.toLowerCase()} was poured the scale said half as much again as planned.`];
		case 'dough dry':
			return ['After mixing it cracked where it was folded.'];
		case 'ball miscounted':
			return [
				'When balls and leftover were weighed, the gap was one ball.',
				'Counted on the board there was another number.'
			];
		case 'uneven balls':
			return ['Balls laid on the scale one by one: some were far from their weight.'];
		case 'flour not returned':
			return ['The jar that was set out still had flour in it.'];
		case 'hot piece weighed':
			return [
				'They steamed, and each weighing was lighter than the one before.',
				'The loss in cooking was less than this bread ever has.'
			];
		case 'pack short':
			return ['One pack was lighter than the others by a whole piece.'];
		case 'allergen unsaid':
			return [`Read on the bag: contains ${truth.newly?.word ?? ''}.`];
		case 'not cleaned':
			return [`Looked at: seeds in the corners of the ${of.toLowerCase()}.`];
		case 'clean not recorded':
			return [
				`The batch’s page had no clean of the ${of.toLowerCase()} since the sesame bread; looked at, it was clean.`
			];
		case 'wrong lot':
		case 'holds the lot':
			return [`The bag that was kept of ${of.toLowerCase()} is printed with the recalled lot.`];
	}
}
