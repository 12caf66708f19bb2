/** The status of what asks for a proof first: a page asks who it is, and may then send the same again. */
export const UNPROVED = 428;
