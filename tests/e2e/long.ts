/**
 * Of a test that takes long and goes further than every change has to be proved: `npm test` leaves it to `npm run walk`,
 * which is every browser test there is.
 */
export const LONG = { tag: '@long' };
