import { RULES_NAMES, type RulesName } from '$core/formula/types.ts';
import type { Database } from '../db/connection.ts';
import type { Kitchen } from '../../kitchen/types.ts';

/** The kitchen under the rule set an address asks for; its own where none is asked. */
export function underRules(kitchen: Kitchen, url: URL): Kitchen {
	const asked = url.searchParams.get('rules');
	const rules = RULES_NAMES.find((name) => name === asked);
	return rules ? { ...kitchen, rules } : kitchen;
}

/** Rule sets under which a label of the product was begun. */
export async function labelRules(db: Database, kitchenId: string, productId: string): Promise<RulesName[]> {
	const rows = await db('labels').where({ kitchen_id: kitchenId, product_id: productId }).select('rules');
	return rows.map((row) => row.rules as RulesName);
}
