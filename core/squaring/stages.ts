/** Stages that close, in the order of the work (computation, section 13). */
export const STAGES = ['mix', 'divide', 'cook', 'count', 'pack', 'stock'] as const;
export type Stage = (typeof STAGES)[number];
