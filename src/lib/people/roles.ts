/** As what somebody is in a kitchen. */
export const ROLES = ['owner', 'maker', 'seller', 'inspector'] as const;
export type Role = (typeof ROLES)[number];

/** What can be allowed, each for itself. */
export const RIGHTS = [
	/** Open the shelf, formulas, batches and Today. */
	'look',
	/** Hear of what others do, as it happens. */
	'hear',
	/** Plan batches, weigh, record and close them. */
	'make',
	/** Receive and count lots, weigh cups, make jars. */
	'stock',
	/** Read labels, and print them. */
	'labels',
	/** See what a formula weighs: its lines in grams, weighings, and what a label is worked out from. */
	'formula',
	/** Follow lots to packs and back, by where and when they went. */
	'trace',
	/** Change ingredients, prices and formulas. */
	'formulate',
	/** Change and approve labels, decide about allergens. */
	'approve',
	/** Sell at the stall. */
	'sell',
	/** The ledger of sales: totals, takings, fees and profit. */
	'ledger',
	/** What was paid for ingredients, lots and materials, and what a piece, a pack and a batch cost. */
	'costs',
	/** Names of customers, wherever they stand; an order says for whom it is to who hands it over. */
	'customers',
	/** The kitchen's settings. */
	'settings',
	/** Who comes in, on what, and what each did. */
	'people',
	/** Archives and other kitchens. */
	'data',
	/** Read labels, batches and traces of a span of days, without money or customers. */
	'inspect'
] as const;
export type Right = (typeof RIGHTS)[number];

/** The one table of who may what. */
export const RIGHTS_OF: Readonly<Record<Role, readonly Right[]>> = {
	owner: RIGHTS,
	maker: ['look', 'hear', 'make', 'stock', 'labels', 'formula', 'trace'],
	seller: ['hear', 'labels', 'sell'],
	inspector: ['inspect']
};

/** What is open in a practice kitchen: the work itself. Nobody comes into it, nothing leaves it, nothing is sold. */
export const RIGHTS_IN_PRACTICE: readonly Right[] = [
	'look',
	'hear',
	'make',
	'stock',
	'labels',
	'formula',
	'trace',
	'formulate',
	'approve',
	// Those of a story are made up.
	'costs'
];

/** What a short code at a shared device is too weak a proof for: it asks for the person's own key. */
export const NOT_BY_CODE: readonly Right[] = [
	'ledger',
	'costs',
	'customers',
	// Prices stand in it, and what is not seen would be saved away.
	'formulate',
	'settings',
	'people',
	'data',
	'approve'
];

/** What somebody may who came in as they did. */
export function rightsOf(role: Role, byCode: boolean): readonly Right[] {
	const all = RIGHTS_OF[role];
	return byCode ? all.filter((right) => !NOT_BY_CODE.includes(right)) : all;
}

/** Where each begins. */
export function homeOf(rights: readonly Right[]): string {
	if (rights.includes('look')) return '/';
	if (rights.includes('sell')) return '/sales/stall';
	return rights.includes('inspect') ? '/inspection' : '/me';
}

/** What each is for, in a sentence. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
	owner: 'everything',
	maker: 'the bench, batches and stock',
	seller: 'the stall, and what the labels say',
	inspector: 'reads labels, batches and traces of a span of days; nothing of money or customers'
};
