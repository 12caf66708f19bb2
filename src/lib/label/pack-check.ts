/** Packs weighed on a day and what they declared. */
export interface PackCheckRecord {
	id: string;
	declared_g: number;
	/** Packs in the lot the sample was taken from. */
	lotPacks: number;
	packs_g: number[];
	checkedAt: string;
	/** Who weighed them; '' from before that was kept. */
	by: string;
}
