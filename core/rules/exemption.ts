/** What comes from an allergen and need not be declared, with the rule that says so. */
export interface Exemption {
	what: string;
	source: string;
}
