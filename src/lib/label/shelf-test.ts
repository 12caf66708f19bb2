import type { FoundOnDay, ShelfTest } from '$core/label/shelf-life.ts';

/** A shelf-life test as it is kept. */
export interface ShelfTestRecord extends ShelfTest {
	id: string;
	productId: string;
	days: readonly (FoundOnDay & { pictureId: string | null })[];
}
