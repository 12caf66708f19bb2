import { sameClaim, type Claim } from './slips.ts';
import type { Truth } from './truth.ts';

/** What was said that is not so. In a recall, that a batch holds the lot by its record is so where it does. */
export const falseAlarms = (truth: Truth, claims: readonly Claim[]): Claim[] =>
	claims.filter((claim) => !sameClaim(claim, truth.slip) && !isOfTheLot(truth, claim));

const isOfTheLot = ({ lots, recalled }: Truth, { slip, subject }: Claim): boolean =>
	slip === 'holds the lot' && lots.some(({ batch, really }) => batch === subject && really === recalled);

/** Whether what was hidden is among what was said, rightly. */
export const isNamed = (truth: Truth, claims: readonly Claim[]): boolean =>
	claims.some((claim) => sameClaim(claim, truth.slip));
