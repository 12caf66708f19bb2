/** How packs leave a batch, or come back to it. */
export const SALE_KINDS = ['sale', 'gift', 'sample', 'written off', 'return', 'void'] as const;
export type SaleKind = (typeof SALE_KINDS)[number];
export const PAID_BY = ['cash', 'card', 'owed'] as const;
export type PaidBy = (typeof PAID_BY)[number];
