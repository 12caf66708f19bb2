import type { Nutrient } from '$core/composition/nutrients.ts';

/** What a laboratory found of a finished product. */
export interface LaboratoryReport {
	id: string;
	laboratory: string;
	reportedOn: string;
	/** Per 100 g, with its expanded uncertainty in the same unit; null where none was stated. */
	found: Partial<Record<Nutrient, { value: number; uncertainty: number | null }>>;
	note: string;
}
