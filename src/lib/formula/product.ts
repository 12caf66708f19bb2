import type { WeighedDisc } from '$core/formula/piece.ts';
import type { Category, Material } from '$core/formula/types.ts';

/** A formula made at one ball weight, packed in one size. */
export interface Product {
	id: string;
	formulaId: string;
	/** The formula's name. */
	name: string;
	pieceOne: string;
	pieceMany: string;
	category: Category;
	ballWeight_g: number;
	packPieces: number;
	/** The maker's choice where the serving rule leaves one. */
	servingPieces: number | null;
	/** Price of one pack, decimal string; null while none is set. */
	price: string | null;
	materials: Material[];
	/** How wide and how thick a piece is opened; null while nobody has said. */
	diameter_cm: number | null;
	thickness_mm: number | null;
	/** Discs the maker measured and weighed. */
	discs: WeighedDisc[];
}

export type ProductInput = Omit<Product, 'id' | 'formulaId' | 'name' | keyof Shape> & Partial<Shape>;

/** How a piece is opened; left out, what is noted stays. */
export type Shape = Pick<Product, 'diameter_cm' | 'thickness_mm' | 'discs'>;
