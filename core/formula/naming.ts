import type { Ingredient, Part, RulesName } from './types.ts';

/** What the label calls an ingredient; its own name in lower case where no label name is set. */
export function labelName(ingredient: Pick<Ingredient, 'name' | 'label'>, rules: RulesName): string {
	return ingredient.label[rules]?.trim() || ingredient.name.trim().toLowerCase();
}

/** A label name without its last parenthesis, which the parts of a compound take the place of. */
export function withoutParenthesis(name: string): string {
	if (!name.endsWith(')')) return name;
	let depth = 0;
	for (let at = name.length - 1; at >= 0; at--) {
		if (name[at] === ')') depth++;
		else if (name[at] === '(' && --depth === 0) return name.slice(0, at).trim() || name;
	}
	return name;
}

/** A name as it prints with its parts in parentheses, nested as needed. */
export function partText({ name, parts }: Part): string {
	return parts.length === 0 ? name : `${name} (${parts.map(partText).join(', ')})`;
}
